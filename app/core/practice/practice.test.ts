import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import * as random from '../../../tests/support/arbitraries'
import { lickOf } from '../../../tests/support/licks'
import { toRandomStream } from '../foundation'
import { lineTicks, sumOf } from '../line'
import { formatLine } from '../notation'
import {
  buildUp,
  drawPhrase,
  dueAfter,
  equalRatios,
  equalSteps,
  formName,
  inForm,
  LADDER_SCHOOLS,
  ladderOf,
  lickLogs,
  minutesByDay,
  nextRung,
  nextTempos,
  PART_KINDS,
  PRACTICE_FORMS,
  type PracticeForm,
  type PracticePart,
  planSeconds,
  type Rating,
  repeatsAfter,
  roundOf,
  roundSeconds,
  type Sitting,
  type Stage,
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
        for (const school of LADDER_SCHOOLS) {
          const rungs = ladderOf(school, from, to)
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

  it('count how often a line has come round', () => {
    const five = lickOf('RLLRK')
    const over = { kind: 'over' } as const
    expect(repeatsAfter(five, over, 0, 5 * 2520 - 1)).toBe(0)
    expect(repeatsAfter(five, over, 0, 5 * 2520)).toBe(1)
    expect(repeatsAfter(five, over, 1, 0)).toBe(16)
    expect(repeatsAfter(five, bars(1, 1), 3, 99999)).toBe(3)
  })

  it('have names of their own', () =>
    expect(new Set(PRACTICE_FORMS.map(formName)).size).toBe(PRACTICE_FORMS.length))
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

  it('practise each joint once, halves, and each hand’s voices', () => {
    const parts = buildUp(lickOf('R:t1L:f1RL RLLR RLLR'))
    expect(written(parts)).toContain('joint RL*2')
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
          expect(small.line.slots).toHaveLength(range.to - range.from)
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

describe('flows (C51, hard case 31)', () => {
  const cells = (...slots: number[]) => slots.map((one) => ({ slots: one, weight: 1 }))
  const count = (length: number, rules: ReturnType<typeof cells>, mostInRow = 99) => {
    const stream = toRandomStream(7)
    const seen = new Map<string, number>()
    for (let i = 0; i < 3000; i += 1) {
      const { order } = drawPhrase({ cells: rules, length, mostInRow }, stream)
      const key = order.map((cell) => rules[cell]?.slots).join(' ')
      seen.set(key, (seen.get(key) ?? 0) + 1)
    }
    return seen
  }

  it('draw evenly from all chains', () => {
    const seen = count(14, cells(4, 5))
    expect([...seen.keys()].sort()).toEqual(['4 5 5', '5 4 5', '5 5 4'])
    for (const often of seen.values()) expect(Math.abs(often - 1000)).toBeLessThan(120)
    expect(count(24, cells(4, 6)).size).toBe(12)
  })

  it('make up a remainder where nothing is exact', () =>
    expect(drawPhrase({ cells: cells(6, 8), length: 15, mostInRow: 9 }, () => 0)).toEqual({
      order: [0, 1],
      rest: 1,
    }))

  it('end on the barline, for any cells, weights, and seed, and are the same for the same (law)', () => {
    const some = fc.array(
      fc.record({ slots: fc.integer({ min: 1, max: 12 }), weight: fc.integer({ min: 0, max: 9 }) }),
      { maxLength: 5 },
    )
    const numbers = fc.tuple(
      fc.integer({ min: 0, max: 96 }),
      fc.integer({ min: 1, max: 4 }),
      fc.nat(),
    )
    fc.assert(
      fc.property(some, numbers, (list, [length, mostInRow, seed]) => {
        const rules = { cells: list, length, mostInRow }
        const { order, rest } = drawPhrase(rules, toRandomStream(seed))
        const used = order.reduce((sum, cell) => sum + (list[cell]?.slots ?? Number.NaN), 0)
        expect(used + rest).toBe(length)
        for (const cell of order) expect(list[cell]?.weight).toBeGreaterThan(0)
        for (let i = mostInRow; i < order.length; i += 1) {
          expect(new Set(order.slice(i - mostInRow, i + 1)).size).toBeGreaterThan(1)
        }
        expect(drawPhrase(rules, toRandomStream(seed))).toEqual({ order, rest })
      }),
    )
  })

  it('refuse what is no flow', () =>
    expect(() => drawPhrase({ cells: cells(0), length: 4, mostInRow: 1 }, () => 0)).toThrow(
      RangeError,
    ))
})

describe('the log', () => {
  const DAY = 24 * 60 * 60 * 1000
  const sitting = (day: number, tempo: number, rating: Rating | null, lickId = 'a'): Sitting => ({
    id: `${lickId} ${day} ${tempo}`,
    lickId,
    at: day * DAY,
    step: '',
    tempo,
    repeats: 8,
    seconds: 60,
    rating,
  })

  it('knows the best clean tempo, what is tense since, and what is due', () => {
    const [b, a] = lickLogs([
      sitting(3, 101, 'clean'),
      sitting(1, 90, 'clean'),
      sitting(2, 100, 'rough'),
      sitting(3, 113, 'rough'),
      sitting(0, 80, 'lost', 'b'),
    ])
    expect(b).toMatchObject({ lickId: 'b', bestClean: null, dueAt: 0 })
    expect(a).toMatchObject({ bestClean: 101, tense: 113, sittings: 4, seconds: 240 })
    expect(a?.dueAt).toBe(4 * DAY)
  })

  it.each<[number, Rating | null, number]>([
    [1, 'clean', 1],
    [2, 'clean', 2],
    [3, 'clean', 4],
    [9, 'clean', 16],
    [0, 'rough', 1],
    [0, null, 1],
    [0, 'lost', 0],
  ])('after %i clean in a row and %s at last it is due in %i days', (row, last, days) =>
    expect(dueAfter(row, last)).toBe(days),
  )

  it('counts the rungs of one evening as one time', () => {
    const evening = (day: number) =>
      [72, 78, 84].map((tempo, i) => sitting(day + i / 48, tempo, 'clean'))
    const [log] = lickLogs([...evening(0), ...evening(1), ...evening(3)])
    expect(log?.dueAt).toBe((3 + 2 / 48 + 4) * DAY)
  })

  it('tells the minutes of every day, also of days without any', () => {
    const days = minutesByDay(
      [sitting(1, 80, null), sitting(1, 90, null), sitting(9, 90, null)],
      0,
      2 * DAY,
      (at) => String(Math.floor(at / DAY)),
    )
    expect(days).toEqual([
      { day: '0', minutes: 0 },
      { day: '1', minutes: 2 },
      { day: '2', minutes: 0 },
    ])
  })
})
