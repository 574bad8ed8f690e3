import { describe, expect, it } from 'vitest'
import { EMPTY_LICK } from '~/core/line'
import { MAX_RUNGS } from '~/storage'
import { planDifferences } from './plan-differences'
import { newPlan, planFault } from './plan-document'

const plan = (id: string, repeats: number) => ({ ...newPlan(id, EMPTY_LICK, 1), repeats })

describe('a practice plan that two tabs changed', () => {
  it('is compared field by field and step by step', () => {
    const [a, b] = [plan('d', 4), plan('d', 4)]
    expect(planDifferences(a, b)).toEqual([])
    const step = { part: 'whole', skipped: false, form: null }
    expect(
      planDifferences(
        { ...a, rungs: [72, 80], steps: [step, step] },
        {
          ...b,
          climbs: !b.climbs,
          repeats: 8,
          rungs: null,
          steps: [step, { ...step, skipped: true }],
        },
      ),
    ).toEqual([
      'Tempos: 72, 80 in the other, as proposed in yours',
      'Repeats: 4 in the other, 8 in yours',
      expect.stringMatching(/^Climbs by itself: (yes|no) in the other, (yes|no) in yours$/),
      'Steps that differ: 2',
    ])
  })
})

describe('a plan', () => {
  const rungs = (count: number) => Array.from({ length: count }, (_, i) => 60 + i)

  it('may have every ladder that can be read again, and no longer one', () => {
    expect(planFault({ ...newPlan('x', EMPTY_LICK, 1), rungs: rungs(44) })).toBe('')
    expect(planFault({ ...newPlan('x', EMPTY_LICK, 1), rungs: rungs(MAX_RUNGS) })).toBe('')
    expect(planFault({ ...newPlan('x', EMPTY_LICK, 1), rungs: rungs(MAX_RUNGS + 1) })).toMatch(
      /at most 128 tempos/,
    )
  })

  it.each([
    { rungs: [] },
    { rungs: [4] },
    { repeats: 0 },
    { steps: [{ part: 'x'.repeat(61), skipped: false, form: null }] },
  ])('%j is refused in words', (changed) =>
    expect(planFault({ ...newPlan('x', EMPTY_LICK, 1), ...changed })).toMatch(
      /nothing was changed\.$/,
    ),
  )
})
