import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import * as random from '../../../tests/support/arbitraries'
import { lickOf } from '../../../tests/support/licks'
import { type Lick, limbClashes, lineTicks, sumOf, TEMPO_RANGE } from '../line'
import { formatLine } from '../notation'
import { speedLimit } from '../playability'
import {
  addGridRung,
  buildUp,
  bySpeed,
  effectiveForm,
  equalRatios,
  equalSteps,
  formName,
  type GridRung,
  goalLadder,
  inForm,
  jumpsOf,
  LADDER_KINDS,
  ladderOf,
  loopPart,
  moveGridRung,
  nextRung,
  nextTempos,
  onlyGrid,
  PART_KINDS,
  PRACTICE_FORMS,
  PRACTICE_ORDERS,
  type PracticeForm,
  type PracticePart,
  planSeconds,
  regridRung,
  removeGridRung,
  roundOf,
  roundSeconds,
  rungSpeed,
  type Stage,
  slowerRung,
  stageSeconds,
  threeRungs,
  wholeRatios,
} from '.'

const tenth = (value: number) => Math.round(value * 10) / 10

describe('ladders (C45)', () => {
  it('by ratio, exact or whole, by amount, and of three rungs', () => {
    expect(equalRatios(72, 126, 0.12).map(tenth)).toEqual([72, 80.5, 90.1, 100.7, 112.7, 126])
    expect(wholeRatios(72, 126, 0.12)).toEqual([72, 80, 89, 99, 110, 123, 126])
    expect(equalSteps(72, 126, 18)).toEqual([72, 90, 108, 126])
    expect(threeRungs(58, 112)).toEqual([58, 81, 112])
    expect(threeRungs(80, 80)).toEqual([80])
  })

  it('refuse to fall', () => {
    expect(() => equalRatios(100, 90, 0.1)).toThrow(RangeError)
    expect(() => equalSteps(60, 90, 0)).toThrow(RangeError)
  })

  it('rise from the learning tempo to the goal, never by more than the cap (law)', () => {
    const tempos = fc.tuple(fc.integer({ min: 20, max: 200 }), fc.integer({ min: 0, max: 200 }))
    fc.assert(
      fc.property(tempos, fc.integer({ min: 1, max: 30 }), ([from, more], percent) => {
        const [to, cap] = [from + more, percent / 100]
        for (const rungs of [equalRatios(from, to, cap), wholeRatios(from, to, cap)]) {
          expect([rungs[0], rungs.at(-1)]).toEqual([from, to])
          for (const [i, rung] of rungs.slice(1).entries()) {
            const before = rungs[i] as number
            expect(rung).toBeGreaterThan(before)
            const whole = Math.floor(before * (1 + cap)) <= before
            if (!whole || rungs.some((one) => !Number.isInteger(one))) {
              expect(rung).toBeLessThanOrEqual(before * (1 + cap) + 1e-6)
            }
          }
        }
        for (const order of LADDER_KINDS) {
          const rungs = ladderOf(order, from, to)
          expect([rungs[0], rungs.at(-1)]).toEqual([from, to])
          expect([...rungs].sort((a, b) => a - b)).toEqual(rungs)
        }
      }),
    )
  })

  it('are climbed on clean, kept on rough, stepped back on lost, and never left', () => {
    expect(nextRung(1, 3, 'clean')).toBe(2)
    expect(nextRung(2, 3, 'clean')).toBe(2)
    expect(nextRung(1, 3, 'rough')).toBe(1)
    expect(nextRung(0, 3, 'lost')).toBe(0)
  })

  it('go on between clean and tense (C53)', () => {
    expect(nextTempos(101, 113)).toEqual([101, 107])
    expect(nextTempos(100, null)).toEqual([100, 106])
  })
})

describe('forms (C17)', () => {
  const lick = lickOf('start: 3\nline: RLRKRLRK')
  const bars = (groove: number, fill: number): PracticeForm => ({ kind: 'bars', groove, fill })

  it('are as long as their bars', () => {
    expect(roundSeconds(lick, bars(3, 1), 96)).toBeCloseTo(10, 9)
    expect(roundSeconds(lick, { kind: 'half' }, 96)).toBeCloseTo(2.5, 9)
    expect((roundOf(lick, bars(3, 1)).fillFrom / 10080 / 96) * 60).toBeCloseTo(7.5, 9)
    expect((roundOf(lick, { kind: 'half' }).fillFrom / 10080 / 96) * 60).toBeCloseTo(1.25, 9)
    expect(roundOf(lick, { kind: 'over' }).ticks).toBe(20160)
  })

  it('never cut a fill that needs more bars', () => {
    const long = lickOf('line: RLRK*8')
    expect(roundOf(long, bars(1, 1)).ticks).toBe(3 * 40320)
    expect(inForm(long, bars(1, 1)).frame).toMatchObject({ lead: 1, bars: 2 })
  })

  it('go over and over without a gap, until they meet the barline', () => {
    const over = inForm(lickOf('start: 2\nline: RLLRK'), { kind: 'over' })
    expect(over.frame).toMatchObject({ start: 0, lead: 0, bars: 5 })
    expect(over.line.slots).toHaveLength(80)
    expect(sumOf(over)).toMatchObject({ bars: 5, fits: true })
  })

  it('have names of their own', () =>
    expect(new Set(PRACTICE_FORMS.map(formName)).size).toBe(PRACTICE_FORMS.length))
})

/** Small licks of everything that a limb can be asked for. */
const smallLick = fc
  .record({
    groups: fc.array(
      fc
        .array(
          fc.constantFrom(
            ...[
              'R',
              'L',
              'R',
              'L',
              'K',
              'K',
              '-',
              '>R:t1',
              'L:f1',
              'R:c1',
              'L:hh',
              'X',
              'J',
              'K:t1',
            ],
            ...[
              '(RK)',
              '(LK)',
              'fR',
              'dL',
              'tR:t2',
              'fL:t1/sn',
              '{RL}',
              '{RRR}',
              '{LK}',
              '@1/8tR',
              '@1/32L',
            ],
          ),
          { minLength: 1, maxLength: 6 },
        )
        .map((slots) => slots.join('')),
      { minLength: 1, maxLength: 4 },
    ),
    start: fc.constantFrom('1', '2&', '3', '4a'),
    under: fc.constantFrom('', '', 'under: @1/4 H\n', 'under: K--K\n', 'under fill: @1/8 R:rd\n'),
  })
  .map(({ groups, start, under }) => lickOf(`start: ${start}\n${under}line: ${groups.join(' ')}`))
  // A limb that is wanted twice at once is told elsewhere: such a lick cannot be played at any tempo.
  .filter((lick) => limbClashes(lick).length === 0)

describe('parts practised alone', () => {
  it('are never harder than the lick they are from, once through and as they come round (law)', () => {
    const orders = fc.constantFrom(...PRACTICE_ORDERS)
    const holds = (lick: Lick, order: (typeof PRACTICE_ORDERS)[number]) => {
      const { bpm: limit } = speedLimit(lick, 'line')
      for (const { kind, lick: small, form } of buildUp(lick, order)) {
        if (kind === 'bar') continue
        const alone = speedLimit(small, 'line').bpm ?? Infinity
        const round = speedLimit(inForm(small, form), 'loop').bpm ?? Infinity
        // Nothing is played faster than a tempo can be written.
        const least = Math.min(limit ?? Infinity, TEMPO_RANGE.most) * (1 - 1e-9)
        expect([kind, alone >= least, round >= least]).toEqual([kind, true, true])
      }
    }
    fc.assert(fc.property(smallLick, orders, holds), { numRuns: 200 })
    fc.assert(fc.property(random.lick, orders, holds), { numRuns: 16 })
  })

  it('leave each hand the ways that it has in the lick, graces that it plays too', () => {
    const lick = lickOf('line: fL:t1 fR:t2 fX:t1 R:f1')
    const texts = buildUp(lick).map(({ kind, lick: small }) => [kind, formatLine(small.line)])
    expect(texts).toContainEqual(['right-voices', 'fL:sn/t1 fR:t2/sn fX R:f1'])
    expect(texts).toContainEqual(['left-voices', 'fL:t1/sn fR:sn/t2 fX R'])
  })

  it('keep KK of RLKK from being a loop without a gap, which the model stops at 88', () => {
    const lick = lickOf('RLKK*4')
    const limit = speedLimit(lick, 'line').bpm as number
    const tight = buildUp(lick).find(({ kind }) => kind === 'bottleneck')
    if (!tight) throw new Error('no bottleneck')
    expect(tight.form.kind).toBe('bars')
    const bpm = speedLimit(inForm(tight.lick, tight.form), 'loop').bpm
    expect(bpm).toBeGreaterThanOrEqual(limit - 1e-9)
    const gapless = loopPart(lick, { from: 2, to: 4 })
    expect(speedLimit(inForm(gapless.lick, gapless.form), 'loop').bpm).toBeLessThan(limit)
  })

  it('are played in as many bars as they need', () => {
    const two = lickOf('line: RLRK*8')
    expect(effectiveForm(two, { kind: 'bars', groove: 1, fill: 1 })).toMatchObject({ fill: 2 })
    expect(formName({ kind: 'bars', groove: 0, fill: 1 })).toBe('in every bar')
    expect(formName({ kind: 'bars', groove: 0, fill: 2 })).toBe('in every 2 bars')
  })
})

describe('ladders over several grids (C66)', () => {
  const [sixteenth, thirtySecond] = [
    { value: 16, tuplet: null },
    { value: 32, tuplet: null },
  ] as const
  const rungs: GridRung[] = [
    { tempo: 84, grid: thirtySecond },
    { tempo: 44, grid: sixteenth },
    { tempo: 56, grid: thirtySecond },
  ]

  it('are in order of strokes a minute, each with its jump', () => {
    const ordered = bySpeed(rungs, 10080)
    expect(ordered.map(({ perMinute }) => perMinute)).toEqual([176, 448, 672])
    expect(ordered.map(({ jump }) => jump && Math.round(jump * 100))).toEqual([null, 155, 50])
  })

  it('stay in order whatever is changed (law)', () => {
    const grid = fc.constantFrom(sixteenth, thirtySecond)
    const rung = fc.record({ tempo: fc.integer({ min: 20, max: 400 }), grid })
    const ladder = fc.array(rung, { minLength: 1, maxLength: 6 })
    const speeds = (list: readonly GridRung[]) => list.map((one) => rungSpeed(one, 10080))
    const rises = (list: readonly GridRung[]) =>
      expect(speeds(list)).toEqual([...speeds(list)].sort((a, b) => a - b))
    fc.assert(
      fc.property(
        ladder,
        fc.nat(),
        fc.integer({ min: 1, max: 500 }),
        grid,
        (list, at, to, other) => {
          const ordered = bySpeed(list, 10080)
          const i = at % ordered.length
          rises(regridRung(ordered, i, other))
          rises(addGridRung(ordered))
          rises(removeGridRung(ordered, i))
          if (!onlyGrid(ordered)) rises(moveGridRung(ordered, i, to))
          expect(removeGridRung(ordered, i)).toHaveLength(Math.max(1, ordered.length - 1))
        },
      ),
    )
  })
})

describe('a part that was lost on the lowest rung', () => {
  it('goes slower by the cap', () => {
    expect(slowerRung([60, 67])).toEqual([53, 60, 67])
    expect(slowerRung([20])).toEqual([20])
  })

  it('has jumps that can be held against the cap', () => {
    expect(jumpsOf([72, 95, 126]).map((jump) => Math.round(jump * 100))).toEqual([32, 33])
  })
})

describe('practice plans', () => {
  const stage = (text: string, form: PracticeForm, tempos: number[], repeats: number): Stage => {
    const lick = lickOf(text)
    const part: PracticePart = { kind: 'bar', lick, form, range: { from: 0, to: 1 } }
    return { part, tempos, repeats }
  }

  it('work their minutes out', () => {
    const form: PracticeForm = { kind: 'bars', groove: 1, fill: 1 }
    expect(stageSeconds(stage('RLRL*4', form, [80, 96, 108], 8)).map(tenth)).toEqual([48, 40, 35.6])
  })

  it('of three stages in 3/4 take 6 min 39.6 s (C61)', () => {
    const form: PracticeForm = { kind: 'bars', groove: 2, fill: 2 }
    const one = stage('meter: 3/4\nline: RLRL*3', form, [84, 100, 112], 6)
    expect(stageSeconds(one).map(tenth)).toEqual([51.4, 43.2, 38.6])
    expect(tenth(planSeconds([one, one, one]))).toBe(399.6)
  })
})

const written = (parts: readonly PracticePart[]) =>
  parts.map(({ kind, lick }) => `${kind} ${formatLine(lick.line)}`)

describe('build-ups (C48)', () => {
  it('take limbs apart, join them, and end in the bar', () => {
    expect(written(buildUp(lickOf('RLRKK')))).toEqual([
      'hands RLR--',
      'feet ---KK',
      'together RLRKK',
      'bottleneck KK',
      'bar RLRKK',
    ])
  })

  it('practise each transition once, halves, and each hand’s voices', () => {
    const parts = buildUp(lickOf('R:t1L:f1RL RLLR RLLR'))
    // Each link in its place, with the first stroke after it.
    expect(written(parts)).toContain('transition RL RLL')
    expect(parts.find(({ kind }) => kind === 'transition')?.lick.frame.start).toBe(5040)
    expect(parts.filter(({ kind }) => kind === 'half')).toHaveLength(2)
    expect(written(parts)).toContain('right-voices R:t1LRL RLLR*2')
    expect(written(parts)).toContain('left-voices RL:f1RL RLLR*2')
  })

  it('whole and slow leave the parts out', () =>
    expect(buildUp(lickOf('RLRKK'), 'whole').map(({ kind }) => kind)).toEqual(['together', 'bar']))

  it('of nothing are nothing', () => expect(buildUp(lickOf('line:'))).toEqual([]))

  it('are made of small licks that can be written down, of known kinds (law)', () => {
    fc.assert(
      fc.property(random.lick, fc.constantFrom('parts' as const, 'whole' as const), (lick, how) => {
        const parts = buildUp(lick, how)
        for (const { kind, lick: small, range, form } of parts) {
          expect(PART_KINDS).toContain(kind)
          // A part in the bar has the first stroke after it too.
          const more = small.line.slots.length - (range.to - range.from)
          expect(more).toBeGreaterThanOrEqual(0)
          if (form.kind === 'over') expect(more).toBe(0)
          const groups = small.line.groups.reduce((sum, size) => sum + size, 0)
          expect(groups).toBe(small.line.slots.length)
          expect(roundOf(small, form).ticks).toBeGreaterThan(0)
          if (form.kind === 'over') {
            expect(roundOf(small, form).ticks).toBe(lineTicks(small.line, small.frame.grid))
          }
        }
        expect(parts.at(-1)?.kind).toBe(lick.line.slots.length > 0 ? 'bar' : undefined)
      }),
      { numRuns: 60 },
    )
  })
})

describe('the ladder to a goal', () => {
  it('goes from the tempo to the goal, and is empty without one above', () => {
    expect(goalLadder({ tempo: 72, goal: 118 })).toEqual([72, 80, 89, 99, 110, 118])
    expect(goalLadder({ tempo: 72, goal: null })).toEqual([])
    expect(goalLadder({ tempo: 72, goal: 72 })).toEqual([])
  })
})
