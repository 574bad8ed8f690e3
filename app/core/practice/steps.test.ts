import { describe, expect, it } from 'vitest'
import { lickOf } from '../../../tests/support/licks'
import {
  addedPart,
  buildUp,
  findStep,
  layPattern,
  loopPart,
  moveStep,
  type PlannedStep,
  PRACTICE_ORDERS,
  partKey,
  patternOf,
  planSteps,
  repeatStep,
  toChoices,
  usualOrder,
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

describe('parts, joined one by one', () => {
  const alone = (text: string) =>
    buildUp(lickOf(text), 'joined').flatMap(({ kind, range }) =>
      kind === 'part' ? [`${range.from}-${range.to}`] : [],
    )

  it('play equal parts once, and those that lie otherwise against the beat each', () => {
    expect(alone('line: RLRK RLRK RLRK RLRK')).toEqual(['0-4'])
    expect(alone('line: RLRK RLRR RLRK RLRK')).toEqual(['0-4', '4-8'])
    expect(alone('line: RLK RLK RLK RLK RLRL')).toHaveLength(5)
  })

  it('have no part of a single stroke: it joins its neighbour', () => {
    expect(alone('line: RLLRL K RLRL')).toEqual(['0-6', '6-10'])
    expect(alone('line: R LLRL RLRL')).toEqual(['0-5', '5-9'])
    expect(alone('line: RLLRL K--- RLRL')).toEqual(['0-9', '9-13'])
  })

  const groups = lickOf('line: RLLRK RLK RLRL RRLK')
  const spans = (of: ReturnType<typeof buildUp>) =>
    of.map(({ kind, range }) => `${kind} ${range.from}-${range.to}`)

  it('are each new group alone, then all so far, seven steps for four groups (C62)', () => {
    expect(spans(buildUp(groups, 'joined'))).toEqual([
      'part 0-5',
      'part 5-8',
      'so-far 0-8',
      'part 8-12',
      'so-far 0-12',
      'part 12-16',
      'bar 0-16',
    ])
    expect(usualOrder(groups)).toBe('joined')
    expect(usualOrder(lickOf('line: RLLRK'))).toBe('parts')
  })

  it('keep their place in the bar, with the stroke that comes next', () => {
    const third = buildUp(groups, 'joined')[3]
    expect(third?.lick.frame.start).toBe(8 * 2520)
    expect(third?.lick.line.slots).toHaveLength(5)
  })

  it('are those that the player named, in their order, where there are any', () => {
    const named = lickOf('line: RLLRK RLK RLRL RRLK\npart: 4..9 across\npart: 0..4 first')
    const steps = buildUp(named, 'joined')
    expect(spans(steps)).toEqual(['part 4-10', 'part 0-5', 'so-far 0-10', 'bar 0-16'])
    expect(steps.map(({ name }) => name)).toEqual(['across', 'first', undefined, undefined])
  })

  it('grow by a beat each time', () => {
    expect(spans(buildUp(groups, 'growing'))).toEqual([
      'so-far 0-4',
      'so-far 0-8',
      'so-far 0-12',
      'bar 0-16',
    ])
  })

  it('are never more than a player learns, however long the line', () => {
    const long = lickOf('line: RLLRK*64')
    for (const order of PRACTICE_ORDERS) expect(buildUp(long, order).length).toBeLessThan(60)
  })
})

describe('steps of the player’s own', () => {
  const lick = lickOf('line: R:t1LRKK RL:f1RK')
  const make = (key: string) => addedPart(lick, key, [{ id: 'v1', name: 'Slow', lick: LICK }])

  it('are loops of some slots, as written or with one hand’s voices, and saved versions', () => {
    const voices = (key: string) =>
      make(key)?.lick.line.slots.flatMap((slot) =>
        slot.kind === 'struck' ? slot.strokes.map(({ voice }) => voice ?? '') : [],
      )
    expect(voices('loop 0-7')).toEqual(['t1', '', '', '', '', '', 'f1'])
    expect(voices('loop-plain 0-7')).toEqual(['', '', '', '', '', '', ''])
    expect(voices('loop-right 0-7')).toEqual(['t1', '', '', '', '', '', ''])
    expect(voices('loop-left 0-7')).toEqual(['', '', '', '', '', '', 'f1'])
    expect(make('version v1')).toMatchObject({ kind: 'version', name: 'Slow', lick: LICK })
    for (const key of ['loop 0-10', 'loop 3-3', 'loop', 'version v2', 'part 0-5', '', 'loop -1-2'])
      expect(make(key)).toBeUndefined()
  })

  it('stand in the plan where they were put, and go with their slots', () => {
    const choices = [
      { part: 'loop 0-9', skipped: false, form: null },
      { part: 'loop 0-30', skipped: false, form: null },
    ]
    const steps = planSteps(buildUp(lick), choices, make)
    expect(steps[0]?.part.kind === 'loop' || steps.at(-1)?.part.kind === 'loop').toBe(true)
    expect(steps.filter(({ part }) => part.kind === 'loop')).toHaveLength(1)
    expect(toChoices(steps).filter(({ part }) => part === 'loop 0-9')).toHaveLength(1)
    expect(planSteps(buildUp(lick), toChoices(steps), make)).toEqual(steps)
  })

  it('make a pattern that is laid on other licks', () => {
    const steps = planSteps(buildUp(lick), [])
      .filter(({ part }) => part.kind !== 'half')
      .map((step) => ({ ...step, skipped: step.part.kind === 'feet' }))
    const pattern = patternOf(moveStep(steps, steps.length - 1, 0))
    expect(pattern.map(({ kind }) => kind)[0]).toBe('bar')
    const parts = buildUp(LICK)
    const laid = planSteps(parts, layPattern(parts, pattern))
    expect(laid[0]?.part.kind).toBe('bar')
    expect(laid).toHaveLength(parts.length)
    const skipped = new Set(laid.filter((one) => one.skipped).map(({ part }) => part.kind))
    expect([...skipped].sort()).toEqual(['feet', 'half'])
  })
})
