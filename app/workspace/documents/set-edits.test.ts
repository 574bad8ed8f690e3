import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { type SetRecord, setRecordSchema } from '~/storage'
import { setOf } from '../../../tests/support/sets'
import {
  addLicksTo,
  exceptPlan,
  exerciseFrom,
  minutesOfSet,
  moveExercise,
  removeLickFrom,
  reordered,
  setMinutes,
  sharePlan,
} from './set-edits'

const ids = (set: SetRecord) => set.exercises.map(({ lickId }) => lickId).join('')

describe('a set of exercises', () => {
  it('takes each lick once, and keeps the order of the others', () => {
    const set = addLicksTo(setOf('a', 'b'), ['b', 'c', 'c', 'd'])
    expect(ids(set)).toBe('abcd')
    expect(addLicksTo(set, ['a'])).toBe(set)
    expect(ids(removeLickFrom(set, 'b'))).toBe('acd')
    expect(ids(moveExercise(set, 'a', 9))).toBe('bcda')
    expect(moveExercise(set, 'x', 0)).toBe(set)
  })

  it('is ordered by what is known of its licks, wherever they stand by then', () => {
    const fact = (overdue: number | null) => ({ limit: null, kicks: 0, overdue })
    const known = new Map([
      ['a', fact(-1)],
      ['b', fact(null)],
      ['c', fact(3)],
    ])
    expect(ids(reordered(setOf('a', 'b', 'c'), known, 'due'))).toBe('bca')
    expect(ids(reordered(setOf('c', 'a', 'b'), known, 'due'))).toBe('bca')
    expect(ids(reordered(setOf('a', 'new', 'c'), known, 'due'))).toBe('newca')
    const there = setOf('b', 'c', 'a')
    expect(reordered(there, known, 'due')).toBe(there)
  })

  it('has minutes for all, and of its own for some', () => {
    const set = setMinutes(setOf('a', 'b', 'c'), 'b', 8)
    expect(minutesOfSet(set)).toBe(18)
    expect(setMinutes(set, 'b', 5)).toEqual(setOf('a', 'b', 'c'))
  })

  it('has a plan for all, and exceptions that stay when it changes', () => {
    const shared = { school: 'parts', ladder: 'bpm', repeats: 4, climbs: true, steps: [] } as const
    const own = { ...shared, school: 'bar', rungs: [90], rungGrids: null, steps: [] } as const
    const set = exceptPlan(sharePlan(setOf('a', 'b'), { ...shared, steps: [] }), 'b', {
      ...own,
      rungs: [90],
      steps: [],
    })
    expect(set.exercises.map(({ plan }) => plan?.school)).toEqual([undefined, 'bar'])
    expect(setRecordSchema.parse(set)).toEqual(set)
    const back = exceptPlan(sharePlan(set, null), 'b', null)
    expect(back).toEqual(setOf('a', 'b'))
    expect(sharePlan(set, null).exercises).toEqual(set.exercises)
  })

  it('is read as it was stored before there were plans', () => {
    const { plan: _, ...old } = setOf('a')
    expect(setRecordSchema.parse({ ...old, exercises: [{ lickId: 'a', minutes: null }] })).toEqual(
      setOf('a'),
    )
  })

  it('goes on to the next exercise, round and round', () => {
    const set = setOf('a', 'b', 'c')
    expect(['a', 'b', 'c', 'x'].map((id) => exerciseFrom(set, id, 1))).toEqual(['b', 'c', 'a', 'a'])
    expect(exerciseFrom(set, 'a', -1)).toBe('c')
    expect(exerciseFrom(setOf('a'), 'a', 1)).toBeUndefined()
    expect(exerciseFrom(setOf(), 'a', 1)).toBeUndefined()
  })

  it('can be stored whatever is done to it (law)', () => {
    const id = fc.constantFrom(...'abcdefgh')
    const act = fc.oneof(
      fc.record({ kind: fc.constant('add' as const), id, to: fc.nat(9) }),
      fc.record({ kind: fc.constant('remove' as const), id, to: fc.nat(9) }),
      fc.record({ kind: fc.constant('move' as const), id, to: fc.nat(9) }),
    )
    fc.assert(
      fc.property(fc.array(act, { maxLength: 30 }), (acts) => {
        let set = setOf()
        for (const { kind, id: one, to } of acts) {
          if (kind === 'add') set = addLicksTo(set, [one])
          if (kind === 'remove') set = removeLickFrom(set, one)
          if (kind === 'move') set = moveExercise(set, one, to)
          expect(setRecordSchema.safeParse(set).success).toBe(true)
        }
      }),
      { numRuns: 100 },
    )
  })
})
