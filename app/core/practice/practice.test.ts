import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import * as random from '../../../tests/support/arbitraries'
import { lickOf } from '../../../tests/support/licks'
import { lineTicks, sumOf } from '../line'
import { formatLine } from '../notation'
import {
  buildUp,
  equalRatios,
  equalSteps,
  formName,
  inForm,
  LADDER_KINDS,
  ladderOf,
  nextRung,
  nextTempos,
  PART_KINDS,
  PRACTICE_FORMS,
  type PracticeForm,
  type PracticePart,
  planSeconds,
  roundOf,
  roundSeconds,
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
        for (const school of LADDER_KINDS) {
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

  it('practise each transition once, halves, and each hand’s voices', () => {
    const parts = buildUp(lickOf('R:t1L:f1RL RLLR RLLR'))
    expect(written(parts)).toContain('transition RL*2')
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
