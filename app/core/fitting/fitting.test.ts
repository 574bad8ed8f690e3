import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import * as random from '../../../tests/support/arbitraries'
import { lickOf } from '../../../tests/support/licks'
import { phraseOf, type SlotRange } from '../changes'
import type { Groove } from '../groove'
import { aimOf, frameTicks, type Lick, lickSlots, strokeEvents, sumOf } from '../line'
import { formatLine } from '../notation'
import { gridName, gridTicks, meterName, secondsPerTick } from '../time'
import {
  chainsOf,
  continued,
  continuingOf,
  countChains,
  cutLine,
  cutsOf,
  cycleOf,
  filledMetres,
  fixesOf,
  groupsInSpace,
  naturalMetre,
  type Part,
  ratesOf,
  renotate,
  runOn,
} from '.'

describe('groups in a space', () => {
  it.each([
    [12, 5, 2, 2, [0, 5, 10], 60, 12, 5],
    [16, 5, 3, 1, [0, 5, 10, 15], 80, 16, 5],
    [20, 6, 3, 2, [0, 6, 12, 18], 60, 10, 3],
    [16, 3, 5, 1, [0, 3, 6, 9, 12, 15], 48, 16, 3],
  ])(
    '%i slots in groups of %i: %i times, %i left',
    (space, size, times, left, starts, slots, groups, spaces) =>
      expect(groupsInSpace(space, size)).toEqual({
        times,
        left,
        starts,
        again: { slots, groups, spaces },
      }),
  )

  it.each([
    [7, 3, 7, 3],
    [6, 4, 3, 2],
    [9, 5, 9, 5],
    [10, 6, 5, 3],
    [10, 4, 5, 2],
  ])('%i slots at %i a beat meet the beat after %i beats, %i times through', (k, s, beats, times) =>
    expect(naturalMetre(k, s)).toEqual({ beats, times }),
  )
})

const sizes = (...list: number[]): Part[] => list.map((size) => ({ size }))

describe('chains', () => {
  it.each([
    [20, sizes(6, 7), ['677', '767', '776']],
    [14, sizes(4, 5), ['455', '545', '554']],
    [20, [{ size: 4 }, { size: 6, most: 1 }], ['44444']],
  ])('of %i', (length, parts, expected) => {
    const { count, orders } = chainsOf(length, parts)
    expect(orders.map((order) => order.join(''))).toEqual(expected)
    expect(count).toBe(BigInt(expected.length))
  })

  it('look for bars that work as far as they can be, and for the nearest over (C08)', () => {
    expect(chainsOf(16, sizes(9))).toMatchObject({ count: 0n, spaces: 9 })
    expect(chainsOf(5, [{ size: 6, least: 4 }]).over).toBe(24)
  })

  it('are counted with least and most uses', () => {
    const both = [
      { size: 4, least: 1 },
      { size: 6, least: 1 },
    ]
    expect(chainsOf(20, both).count).toBe(6n)
    expect(countChains(24, sizes(4, 6))).toBe(12n)
    const ten = [{ size: 6 }, { size: 10, least: 1 }]
    expect(chainsOf(24, ten)).toMatchObject({ count: 0n, spaces: 2 })
    expect(countChains(48, ten)).toBe(20n)
  })

  it.each([
    [16, sizes(5, 7), 15, 17, 2, 6n],
    [17, sizes(4, 7), 16, 18, 2, 21n],
    [15, sizes(6, 8), 14, 16, 2, 5n],
  ])(
    'of %i: none, nearest %i and %i, %i spaces work',
    (length, parts, under, over, spaces, orders) => {
      expect(chainsOf(length, parts)).toMatchObject({ count: 0n, orders: [], under, over, spaces })
      expect(countChains(length * spaces, parts)).toBe(orders)
    },
  )

  it('equal brute force (law)', () => {
    const part = fc.record({
      size: fc.integer({ min: 1, max: 6 }),
      least: fc.nat(2),
      most: fc.nat(4),
    })
    const parts = fc.uniqueArray(part, { selector: ({ size }) => size, minLength: 1, maxLength: 3 })
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 14 }), parts, (length, list) => {
        const all: number[][] = []
        const walk = (order: number[], left: number) => {
          if (left === 0) all.push(order)
          for (const { size } of list) if (size <= left) walk([...order, size], left - size)
        }
        walk([], length)
        const allowed = all.filter((order) =>
          list.every(({ size, least, most }) => {
            const used = order.filter((one) => one === size).length
            return used >= least && used <= most
          }),
        )
        const { count, orders } = chainsOf(length, list, 1000)
        expect(count).toBe(BigInt(allowed.length))
        expect(orders.map(String).sort()).toEqual(allowed.map(String).sort())
      }),
      { numRuns: 120 },
    )
  })
})

describe('fixes', () => {
  const fixed = (text: string) =>
    Object.fromEntries(
      fixesOf(lickOf(text))
        .filter(({ kind }) => kind !== 'grid')
        .map(({ kind, lick, freeHand }) => [kind, `${formatLine(lick.line)} ${freeHand}`]),
    )

  it('offers what to do with the rest of the bar', () => {
    expect(fixed('grid: 1/16q\nline: RLRLLK*3')).toEqual({
      'next-group': 'RLRLLK*3 RL RH',
      'tail-right': 'RLRLLK*3 LR LH',
      'tail-kick': 'RLRLLK*3 RK both',
      'remainder-middle': 'RLRLLK RL RLRLLK*2 both',
      rests: 'RLRLLK*3 -- both',
      'remainder-first': 'RL RLRLLK*3 both',
      'over-the-barline': 'RLRLLK*4 both',
      start: 'RLRLLK*3 both',
    })
  })

  it('goes on in the pattern of the groups', () => {
    expect(fixed('line: RLLRK RLK RLLRK')['next-group']).toBe('[RLLRK RLK]*2 both')
  })

  it('cuts what is over, and drops groups', () => {
    const over = fixed('start: 4\nline: RLRLK')
    expect(over.cut).toBe('RLRL RH')
    expect(fixed('line: RLLRK*3 RL')).toMatchObject({
      cut: 'RLLRK*3 R LH',
      'drop-group': 'RLLRK*3 both',
    })
  })

  it('finds the subdivision on which the same strokes fit', () => {
    const grids = fixesOf(lickOf('line: RLRLLK*4')).flatMap(({ grid }) =>
      grid ? [gridName(grid)] : [],
    )
    expect(grids).toEqual(['1/8', '1/8t', '1/16t'])
  })

  it('offers no start to a single stroke that would land before the first bar', () => {
    const fixes = fixesOf(
      lickOf('meter: 6/8 2+2+2\nstart: 3+1/5\nbars: 58\nlanding: last\nline: R'),
    )
    expect(fixes.filter(({ kind }) => kind === 'start')).toEqual([])
  })

  it('offers only true figures, and what is said to fit does (law)', () => {
    fc.assert(
      fc.property(random.lick, (lick) => {
        const fixes = fixesOf(lick)
        if (sumOf(lick).fits) expect(fixes).toEqual([])
        for (const { kind, lick: after, fits, left } of fixes) {
          expect(left).toBe(sumOf(after).left.ticks)
          if (kind === 'start' || kind === 'grid' || kind === 'next-group' || kind === 'rests')
            expect(fits).toBe(true)
        }
      }),
      { numRuns: 100 },
    )
  })
})

describe('cycle again', () => {
  it('maps every first note until the barline is met', () => {
    const cycle = cycleOf(lickOf('meter: 3/4\nline: RLRLRLK'), { from: 0, to: 7 })
    expect(cycle).toMatchObject({ cycles: 12, bars: 7, shortened: false })
    const starts = Array.from({ length: 7 }, (_, bar) =>
      cycle?.marks.filter((mark) => mark.bar === bar + 1).map(({ tick }) => tick / 2520),
    )
    expect(starts).toEqual([[0, 7], [2, 9], [4, 11], [6], [1, 8], [3, 10], [5]])
  })

  it('is of a selection too, with its accents', () => {
    const cycle = cycleOf(lickOf('start: 2\nline: RR >LRLLK'), { from: 2, to: 7 })
    expect(cycle).toMatchObject({ cycles: 16, bars: 5 })
    expect(cycle?.marks[0]).toMatchObject({ bar: 1, tick: 15120, first: true, accent: true })
    expect(cycleOf(lickOf('RL'), { from: 1, to: 1 })).toBeNull()
  })
})

const secondsOfTick = ({ frame }: Lick) => secondsPerTick(frame.tempo, frameTicks(frame).beat)

describe('other rates and metres', () => {
  it('has the length of seven slots on every grid', () => {
    const ticks = Object.fromEntries(
      ratesOf(lickOf('RLRLRLK')).map((rate) => [gridName(rate.grid), rate.ticks]),
    )
    expect(ticks).toMatchObject({
      '1/8t': 23520,
      '1/16': 17640,
      '1/16q': 14112,
      '1/16t': 11760,
      '1/16s': 10080,
      '1/32': 8820,
    })
  })

  it('names the metres that a line fills', () => {
    const names = filledMetres(lickOf('RLLRK*3')).map(
      ({ meter, bars }) => `${meterName(meter)} ${bars}`,
    )
    expect(names).toContain('15/16 1')
    expect(names).toContain('5/16 3')
    expect(names).not.toContain('4/4 1')
  })

  it('writes the same sound twice as fast, and back (law)', () => {
    const lick = lickOf('tempo: 132\nbars: 2\nline: RLRL*8')
    const half = renotate(lick, 'faster')
    expect(half.ok && half.value.lick.frame).toMatchObject({
      tempo: 66,
      bars: 1,
      start: 0,
      grid: { value: 32 },
    })
    fc.assert(
      fc.property(
        random.lick,
        fc.constantFrom('faster' as const, 'slower' as const),
        (from, way) => {
          const result = renotate(from, way)
          if (!result.ok) return
          const { lick: turned, leadKept } = result.value
          // Every stroke, the ostinatos' too, sounds as long before the landing as it did.
          const sounding = (one: typeof from) => {
            const perTick = secondsOfTick(one)
            const { target, start } = aimOf(one)
            return strokeEvents(one)
              .filter(({ tick }) => leadKept || tick >= start)
              .map(({ tick, limb, surface, dynamic }) => ({
                what: `${limb} ${surface} ${dynamic}`,
                seconds: (tick - target) * perTick,
              }))
              .sort((a, b) => a.what.localeCompare(b.what) || a.seconds - b.seconds)
          }
          const [now, before] = [sounding(turned), sounding(from)]
          expect(now.map(({ what }) => what)).toEqual(before.map(({ what }) => what))
          // A squeeze that does not divide its slot lies at floors: less than a tick aside.
          const tick = Math.max(...[turned, from].map(secondsOfTick))
          for (const [i, { seconds }] of now.entries())
            expect(Math.abs(seconds - (before[i]?.seconds ?? 0))).toBeLessThan(tick)
        },
      ),
      { numRuns: 100 },
    )
  })
})

describe('half and double naming', () => {
  it('keeps the groove, its stop, the backbeat and the feet', () => {
    const lick = lickOf('tempo: 132\nbars: 2\nstop: 1\nlead: 1\nline: RLRL*8\nunder: @1/4 H')
    const half = renotate(lick, 'faster')
    if (!half.ok) throw new Error(half.error)
    expect(half.value.lick.frame).toMatchObject({ tempo: 66, stop: 0 })
    expect(half.value.lick.ostinatos[0]?.grid).toEqual({ value: 8, tuplet: null })
    expect(half.value.groove?.bars['4/4']?.grid).toBe('1/16')
    const back = renotate(half.value.lick, 'slower', [half.value.groove as Groove])
    expect(back.ok && back.value.lick.frame.tempo).toBe(132)
  })

  it('says why there is none', () => {
    expect(renotate(lickOf('tempo: 30\nline: RL'), 'faster')).toEqual({ ok: false, error: 'tempo' })
    expect(renotate(lickOf('line:'), 'faster')).toEqual({ ok: false, error: 'empty' })
  })
})

describe('what a line goes on with', () => {
  const filled = (text: string, range: SlotRange | null = null) => {
    const lick = lickOf(text)
    const free = aimOf(lick).left / gridTicks(lick.frame.grid)
    return formatLine({ ...continued(continuingOf(lick, range), free), gridChanges: [] })
  }

  it('is the whole phrase, not its last group', () => {
    expect(filled('bars: 1\nline: RLLK RRK')).toBe('RLLK RRK RL')
    expect(filled('bars: 1\nline: RLRR LRLL')).toBe('RLRR LRLL')
    expect(filled('bars: 1\nline: RLLRK*2')).toBe('RLLRK R')
  })

  it('is what is selected, where something is', () => {
    expect(filled('bars: 1\nline: RLLK RRK', { from: 4, to: 7 })).toBe('RRK*3')
  })
})

describe('tails', () => {
  it('go on naturally from the line: RR after RLRLRLL, never three lefts in a row', () => {
    const lick = lickOf('line: RLRLRLL RLRLRLL')
    const tails = Object.fromEntries(
      fixesOf(lick).map(({ kind, lick: after, added }) => [
        kind,
        added && formatLine({ ...phraseOf(after.line, added), gridChanges: [] }),
      ]),
    )
    expect(tails['tail-right']).toBe('RR')
  })

  it('tell the foot that plays twice, and a run at the link', () => {
    const kick = fixesOf(lickOf('line: RLLRK*3')).find(({ kind }) => kind === 'tail-kick')
    expect(kick?.foot).toMatchObject({ kind: 'triple' })
    expect(kick?.run).toEqual({ letter: 'K', strokes: 2 })
  })

  it('may be of one’s own, and a remainder in the middle (C07)', () => {
    const lick = lickOf('grid: 1/16q\nline: RLRLLK*3')
    const own = fixesOf(lick, null, phraseOf(lickOf('KK').line, { from: 0, to: 2 }))
    const texts = Object.fromEntries(own.map(({ kind, lick: one }) => [kind, formatLine(one.line)]))
    expect(texts['own-tail']).toBe('RLRLLK*3 KK')
    expect(texts['remainder-middle']).toBe('RLRLLK RL RLRLLK*2')
  })
})

describe('finding the groups', () => {
  it.each([
    ['after-kicks', [4, 4, 2]],
    ['before-kicks', [2, 1, 4, 2, 1]],
    ['doubles', [5, 5]],
  ] as const)('%s', (kind, expected) =>
    expect(cutLine(lickOf('RLKKRLLKRK').line.slots, kind)).toEqual(expected),
  )

  it('at accents, and by the cells of the catalogue', () => {
    expect(cutLine(lickOf('>RLR>LR>KL').line.slots, 'accents')).toEqual([3, 2, 2])
    expect(cutLine(lickOf('RLLRKRLKRLLRK').line.slots, 'cells')).toEqual([8, 5])
  })

  it('always sums to the line (law)', () => {
    fc.assert(
      fc.property(random.lick, ({ line }) => {
        for (const { groups } of cutsOf(line)) {
          expect(groups.reduce((sum, size) => sum + size, 0)).toBe(line.slots.length)
        }
      }),
      { numRuns: 60 },
    )
  })
})

describe('running on over the barlines', () => {
  it('ends sevens in 3/4 after bar 4 with the first six slots of the next', () => {
    const run = runOn(lickOf('meter: 3/4\nline: RLRRLRL'), { from: 0, to: 7 }, 4)
    expect(run).toMatchObject({ times: 6, cut: 6, left: 0 })
    expect(run?.lick.line.groups).toEqual([7, 7, 7, 7, 7, 7, 6])
    expect(run && sumOf(run.lick)).toMatchObject({ bars: 4, fits: true })
  })

  it('is null before the phrase has gone through once', () => {
    expect(runOn(lickOf('line: RLRRLRL*4'), { from: 0, to: 28 }, 1)).toBeNull()
    expect(runOn(lickOf('line: RL'), { from: 1, to: 1 }, 1)).toBeNull()
    expect(runOn(lickOf('line: RL'), { from: 0, to: 2 }, 65)).toBeNull()
    const small = lickOf('meter: 6/4\ngrid: 1/64\nline: RL')
    expect(runOn(small, { from: 0, to: 2 }, 64)).toBeNull()
  })

  it('comes to the barline but for less than the next slot, and keeps what stood before', () => {
    fc.assert(
      fc.property(random.lick, fc.nat(), fc.integer({ min: 1, max: 12 }), (lick, at, bars) => {
        const count = lick.line.slots.length
        fc.pre(count > 0)
        const from = at % count
        const run = runOn(lick, { from, to: count }, bars)
        if (!run) return
        const { end, target } = aimOf(run.lick)
        expect(target - end).toBe(run.left)
        const next = lickSlots(lick)[from + run.cut]
        expect(run.left).toBeLessThan(next?.ticks ?? Number.POSITIVE_INFINITY)
        expect(run.lick.line.slots.slice(0, count)).toEqual(lick.line.slots)
        expect(run.lick.line.slots.length).toBe(from + (count - from) * run.times + run.cut)
      }),
    )
  })
})
