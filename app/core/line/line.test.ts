import fc from 'fast-check'
import { describe, expect, it, test } from 'vitest'
import * as random from '../../../tests/support/arbitraries'
import { lickOf } from '../../../tests/support/licks'
import { footLanding } from '../playability'
import { findGrid, type Grid } from '../time'
import {
  countStrokes,
  lastStrokes,
  lickSlots,
  limbClashes,
  lineEvents,
  lineTicks,
  slotAt,
  strokeEvents,
  strokeEventsBetween,
  strokeVelocity,
  sumOf,
  timedSlots,
  trueSpeed,
} from '.'
import { timedAlong } from './timed-slots'

const onsets = (text: string) => lineEvents(lickOf(text)).map(({ tick }) => tick)

describe('material', () => {
  it('counts slots, strokes and graces apart (C02)', () => {
    const { line } = lickOf('Kr{ll} (>R>L)-fR')
    expect([line.groups, line.slots.length, countStrokes(line)]).toEqual([
      [3, 3],
      6,
      { strokes: 7, graces: 1 },
    ])
    expect([...new Set(onsets('Kr{ll} (>R>L)-fR'))]).toEqual([0, 2520, 5040, 6300, 7560, 12600])
  })

  test.each([
    ['K{LRL}R', [0, 2520, 3360, 4200, 5040]],
    ['RLL{RK}L RLL', [0, 2520, 5040, 7560, 8820, 10080, 12600, 15120, 17640]],
    ['grid: 1/16q\nline: {RLRLR}L', [0, 403, 806, 1209, 1612, 2016]],
    [
      'start: 3\nline: RLKR @1/16t K RLKRK',
      [20160, 22680, 25200, 27720, 30240, 31920, 33600, 35280, 36960, 38640],
    ],
    [
      'meter: 3/4\nline: RLRLLK RL @1/16q RLLK K',
      [0, 2520, 5040, 7560, 10080, 12600, 15120, 17640, 20160, 22176, 24192, 26208, 28224],
    ],
  ])('%s sounds at its exact ticks', (text, ticks) => expect(onsets(text)).toEqual(ticks))

  it('reads cells over a change of grid as groups of their own (hard case 8)', () => {
    expect(lickOf('start: 3\nline: RLKR @1/16t K RLKRK').line.groups).toEqual([4, 1, 5])
  })

  it('tells where cells start and kicks lie (C05)', () => {
    const slots = timedSlots(lickOf('RLLRK RLK RLRL RRLK').line, findGrid('1/16') as Grid, 0)
    const starts = slots
      .filter(({ group }, i) => group !== slots[i - 1]?.group)
      .map(({ index }) => index)
    expect(starts).toEqual([0, 5, 8, 12])
  })

  it('places every slot at the sum of the slots before it (law)', () => {
    fc.assert(
      fc.property(random.lick, ({ line, frame }) => {
        const slots = timedSlots(line, frame.grid, frame.start)
        for (const [i, { tick, ticks }] of slots.entries()) {
          expect(slots[i + 1]?.tick ?? frame.start + lineTicks(line, frame.grid)).toBe(tick + ticks)
        }
        expect(line.groups.reduce((sum, size) => sum + size, 0)).toBe(slots.length)
      }),
    )
  })

  it('times a line along another as it does alone, and takes over what stands as it stood (law)', () => {
    fc.assert(
      fc.property(
        random.lick,
        random.lick,
        random.slot,
        fc.nat(),
        ({ line, frame }, other, content, at) => {
          const placed = (one: typeof line, { grid, start } = frame) => ({
            line: one,
            base: grid,
            start,
          })
          const alone = ({ line, base, start }: ReturnType<typeof placed>) =>
            timedSlots(line, base, start)
          const before = { ...placed(line), slots: timedSlots(line, frame.grid, frame.start) }
          const { slots, groups } = line
          fc.pre(slots.length > 0)
          const place = at % slots.length
          const typedOver = placed({ ...line, slots: slots.with(place, content) })
          const changed = [{ at: place, grid: other.frame.grid }]
          for (const next of [
            typedOver,
            placed({ ...line, slots: [...slots, content], groups: [...groups, 1] }),
            placed({ ...line, slots: slots.slice(0, place), groups: place > 0 ? [place] : [] }),
            placed({ ...line, groups: [slots.length] }),
            placed({ ...line, gridChanges: place > 0 ? changed : [] }),
            placed(other.line, other.frame),
            placed(line, { ...frame, start: frame.start + 630 }),
            placed(line, { ...frame, grid: other.frame.grid }),
          ])
            expect(timedAlong(next, before)).toEqual(alone(next))
          const again = timedAlong(typedOver, before)
          for (const [i, slot] of again.entries())
            expect(slot === before.slots[i]).toBe(slots[i] === typedOver.line.slots[i])
        },
      ),
    )
  })
})

describe('the sum', () => {
  test.each([
    ['meter: 5/4\nline: RLRRLLK RLRLKK RLRLKK', 19, 20, false],
    ['meter: 3/4\nline: RLLRK RLK RLRLK', 13, 12, false],
    ['meter: 3/4\nstart: 2a\nline: RLLRK', 5, 5, true],
    ['meter: 5/4\nstart: 3a\nline: RLRLRLRLK', 9, 9, true],
    ['start: 3a\nbars: 2\nline: RLRLRLK*3', 21, 21, true],
    ['start: 4\nline: RLRLK', 5, 4, false],
  ])('%s uses %i of %i', (text, used, available, fits) => {
    const sum = sumOf(lickOf(text))
    expect([sum.used.slots, sum.available.slots, sum.fits]).toEqual([used, available, fits])
    expect(sum.used.slots + sum.left.slots).toBe(sum.available.slots)
  })

  it('keeps the landing where it is when the line is one slot too long (hard case 30)', () => {
    const { landing, left } = sumOf(lickOf('start: 4\nline: RLRLK'))
    expect([left.slots, landing?.gapTicks, landing?.lastLimbs]).toEqual([-1, 0, ['RF']])
  })

  test.each([
    ['1/8t', 23520],
    ['1/16', 17640],
    ['1/16q', 14112],
    ['1/16t', 11760],
    ['1/16s', 10080],
    ['1/32', 8820],
  ])('seven slots of %s take %i ticks (C09)', (grid, ticks) =>
    expect(sumOf(lickOf(`grid: ${grid}\nline: RLRLRLK`)).used.ticks).toBe(ticks),
  )

  test.each([
    ['start: 3\nline: RRLKRLLR', 'LH'],
    ['start: 3\nline: RLRLLRLK', 'both'],
    ['R(RL)', 'none'],
    ['XLXK', 'both'],
    ['RKLX', 'unknown'],
    ['RLRL', 'RH'],
  ])('%s leaves %s free', (text, free) => expect(sumOf(lickOf(text)).landing?.freeHand).toBe(free))

  it('meets the barline again after the least common multiple (law)', () => {
    fc.assert(
      fc.property(random.lick, (lick) => {
        const { again, used } = sumOf(lick)
        expect(again === null).toBe(used.ticks === 0)
        if (!again) return
        const bar = (again.cycles * used.ticks) / again.bars
        expect(Number.isInteger(bar)).toBe(true)
        for (let cycles = 1; cycles < Math.min(again.cycles, 60); cycles += 1) {
          expect((cycles * used.ticks) % bar).not.toBe(0)
        }
      }),
    )
  })

  it('of an empty line has no landing and meets nothing', () => {
    const sum = sumOf(lickOf(''))
    expect([sum.landing, sum.again, sum.fits, sum.available.slots]).toEqual([null, null, false, 16])
  })
})

describe('ostinatos', () => {
  const layer = (text: string) =>
    strokeEvents(lickOf(text))
      .filter((event) => event.layer === 1)
      .map(({ tick, surface }) => [tick, surface])

  it('are counted from the barline, whatever the start (C38, hard case 10)', () => {
    const ten = 'start: 2&\nlead: 0\nline: RLRLRLRLRL\n'
    expect(layer(`${ten}under fill: @1/4 H`).map(([tick]) => tick)).toEqual([20160, 30240])
    expect(layer(`${ten}under fill: @1/8 -H`).map(([tick]) => tick)).toEqual([15120, 25200, 35280])
    expect(layer(`${ten}under: @1/4 H`).map(([tick]) => tick)).toEqual([0, 10080, 20160, 30240])
    expect(layer('grid: 1/16t\nline: RLRLRL*4\nunder fill: @1/4 -H').map(([tick]) => tick)).toEqual(
      [10080, 30240],
    )
  })

  it('run at rates of their own (hard case 9)', () => {
    const text = 'grid: 1/8t\nline: RRL*4\nunder fill: @1/8 KJ'
    const hands = new Set(onsets(text))
    expect(
      layer(text)
        .filter(([tick]) => hands.has(tick as number))
        .map(([tick]) => tick),
    ).toEqual([0, 10080, 20160, 30240])
    expect(layer(text).filter(([, surface]) => surface === 'b2').length).toBe(4)
  })

  it('are read where they clash with the line, and the clash is told (C01)', () => {
    const clashes = limbClashes(lickOf('JRLK*2\nunder: @1/4 H')).filter(({ tick }) => tick >= 0)
    expect(clashes.map(({ tick, limb, ostinatos }) => [tick, limb, ostinatos])).toEqual([
      [0, 'LF', [0, 1]],
      [10080, 'LF', [0, 1]],
    ])
    expect(sumOf(lickOf('RRLK\nunder: @1/4 H')).linear).toBe(true)
  })
})

describe('strokes', () => {
  it('swell evenly, those with a level of their own excepted (C21, hard case 26)', () => {
    const swell = [{ from: 0, to: 4, start: 'ghost', end: 'accent' }] as const
    expect([0, 1, 2, 3, 4].map((slot) => strokeVelocity('tap', slot, swell))).toEqual([
      36, 55, 74, 93, 112,
    ])
    expect([strokeVelocity('ghost', 2, swell), strokeVelocity('tap', 5, swell)]).toEqual([36, 80])
    expect(strokeVelocity('tap', 3, [{ from: 3, to: 3, start: 'ghost', end: 'strong' }])).toBe(124)
  })

  it('have a true speed whatever the grid is called (hard case 22)', () => {
    const speed = (grid: string) => trueSpeed(54, 10080, findGrid(grid) as Grid)
    expect(speed('1/16').strokesPerMinute).toBeCloseTo(216)
    expect(speed('1/16t').millisecondsPerSlot).toBeCloseTo(185.2, 1)
    expect(speed('1/32').millisecondsPerSlot).toBeCloseTo(138.9, 1)
  })
})

describe('the foot on both sides of the landing (hard case 14)', () => {
  test.each([
    ['start: 3\nline: RLLRLRLK', [2520, 'double', 110]],
    ['start: 3\nline: RLLRLRKK', [2520, 'triple', 140]],
    ['start: 3\nline: RLLRLRL(RK)', [2520, 'double', 110]],
    ['start: 3\nline: RLLRLRLR', null],
    // The groove's own kick on the 1 follows the line's last; strokes of the groove are singles.
    ['start: 3\nlanding: groove\nline: RLLRLRLK', [2520, 'single', 170]],
    ['start: 3\nlanding: none\ngroove: none\nline: RLLRLRLK', null],
    ['start: 4\nline: RLRLK', null],
  ])('%s', (text, expected) => {
    const foot = footLanding(lickOf(text))
    expect(foot && [foot.gapTicks, foot.kind, foot.needMs]).toEqual(expected)
  })
})

describe('strokes of a stretch', () => {
  it('are those of the whole there (law)', () => {
    fc.assert(
      fc.property(random.lick, fc.nat(120000), fc.nat(60000), (lick, a, length) => {
        const from = a - 45000
        const within = strokeEvents(lick).filter(({ tick }) => tick >= from && tick < from + length)
        expect(strokeEventsBetween(lick, from, from + length)).toEqual(within)
      }),
      { numRuns: 150 },
    )
  })

  it('that sound last are those of the last onset (law)', () => {
    fc.assert(
      fc.property(random.lick, (lick) => {
        const events = lineEvents(lick)
        const last = events.at(-1)?.tick
        expect(lastStrokes(lick)).toEqual(events.filter(({ tick }) => tick === last))
      }),
      { numRuns: 150 },
    )
  })
})

describe('the slot at a tick', () => {
  it('is the one that holds it; beside the line there is none (law)', () => {
    fc.assert(
      fc.property(random.lick, fc.nat(120000), (lick, a) => {
        const tick = a - 20000
        const holding = lickSlots(lick).find(
          (slot) => tick >= slot.tick && tick < slot.tick + slot.ticks,
        )
        expect(slotAt(lick, tick)).toBe(holding)
      }),
      { numRuns: 150 },
    )
  })
})
