import { describe, expect, it } from 'vitest'
import { lickOf } from '../../../tests/support/licks'
import {
  buildUp,
  findStep,
  loopPart,
  moveStep,
  type PlannedStep,
  PRACTICE_ORDERS,
  partKey,
  planSteps,
  repeatStep,
  toChoices,
} from '.'

const LICK = lickOf('RLRKK RLRK')
const PARTS = buildUp(LICK)
const kinds = (steps: readonly PlannedStep[]) => steps.map(({ part }) => part.kind)

describe('the steps of a plan', () => {
  it('are the build-up until the player changes them', () =>
    expect(planSteps(PARTS, []).map(({ part }) => part)).toEqual(PARTS))

  it('are moved, repeated, skipped, played in another form, and come back as they were kept', () => {
    const moved = moveStep(planSteps(PARTS, []), 0, 2)
    expect(kinds(moved).slice(0, 3)).toEqual(['feet', 'together', 'hands'])
    const again = repeatStep(moved, 1)
    expect(kinds(again).slice(0, 4)).toEqual(['feet', 'together', 'together', 'hands'])
    const changed = again.map((step, i) => ({
      ...step,
      skipped: i === 0,
      form: i === 1 ? ({ kind: 'half' } as const) : step.form,
    }))
    expect(planSteps(PARTS, toChoices(changed))).toEqual(changed)
  })

  it('follow the lick: what it has no more goes, what is new takes its place', () => {
    const kept = toChoices(moveStep(planSteps(PARTS, []), 0, 1))
    const other = buildUp(lickOf('RLRKK RLRKL'))
    const steps = planSteps(other, kept)
    expect(new Set(steps.map(({ part }) => partKey(part)))).toEqual(new Set(other.map(partKey)))
    expect(kinds(steps).at(-1)).toBe('bar')
    expect(planSteps([], kept)).toEqual([])
  })

  it('keep their ends, and are found past those that are skipped', () => {
    const steps = planSteps(PARTS, [])
    expect(kinds(moveStep(steps, 1, -5))[0]).toBe('feet')
    expect(moveStep(steps, 99, 0)).toEqual(steps)
    expect(repeatStep(steps, 99)).toEqual(steps)
    const skipping = steps.map((step, i) => ({ ...step, skipped: i === 1 }))
    expect(findStep(skipping, 0, 1)).toBe(2)
    expect(findStep(skipping, 2, -1)).toBe(0)
    expect(findStep(skipping, steps.length - 1, 1)).toBeUndefined()
  })

  it('differ by order, and all end in the bar', () => {
    for (const order of PRACTICE_ORDERS) {
      expect(buildUp(LICK, order).at(-1)?.kind).toBe('bar')
    }
    expect(kinds(planSteps(buildUp(LICK, 'halves'), []))[0]).toBe('half')
    expect(buildUp(LICK, 'bar')).toHaveLength(1)
  })

  it('loop any selection', () => {
    const { lick, form, range } = loopPart(LICK, { from: 3, to: 7 })
    expect([lick.line.slots.length, form.kind, range.from]).toEqual([4, 'over', 3])
  })
})
