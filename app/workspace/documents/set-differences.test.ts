import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { setOf } from '../../../tests/support/sets'
import { setDifferences } from './set-differences'
import { exceptPlan, setMinutes, sharePlan } from './set-edits'

const shared = {
  school: 'parts' as const,
  ladder: 'bpm' as const,
  repeats: 4,
  climbs: true,
  steps: [],
}

describe('two versions of a set', () => {
  it('are told apart by the order, also where the plan differs too', () => {
    const mine = setOf('a', 'b', 'c')
    expect(setDifferences(setOf('c', 'a', 'b'), mine)).toEqual(['The order of the exercises'])
    expect(setDifferences(sharePlan(setOf('c', 'a', 'b'), shared), mine)).toEqual([
      'The plan of the set',
      'The order of the exercises',
    ])
  })

  it('are told apart by licks that only one has, however many both have', () => {
    expect(setDifferences(setOf('a', 'b', 'x', 'y'), setOf('a', 'b', 'z'))).toEqual([
      '2 exercises only in the other',
      '1 exercise only in yours',
    ])
  })

  it('are told apart by what is said of single exercises', () => {
    const own = { ...shared, school: 'bar' as const, rungs: [90], rungGrids: null }
    const theirs = setMinutes(setMinutes(setOf('a', 'b', 'c'), 'a', 8), 'c', 3)
    expect(setDifferences(theirs, exceptPlan(setOf('a', 'b', 'c'), 'b', own))).toEqual([
      'The minutes of 2 exercises',
      'The plan of 1 exercise',
    ])
    expect(setDifferences({ ...setOf('a'), note: 'brushes', minutes: 2 }, setOf('a'))).toEqual([
      'Note: brushes in the other, none in yours',
      'Minutes each: 2 in the other, 5 in yours',
    ])
  })

  it('differ in nothing where they are the same, and else in something (law)', () => {
    const ids = fc.shuffledSubarray(['a', 'b', 'c', 'd'])
    const set = fc.tuple(ids, fc.boolean(), fc.boolean()).map(([some, planned, longer]) => {
      const plain = setMinutes(setOf(...some), 'a', longer ? 9 : 5)
      return planned ? sharePlan(plain, shared) : plain
    })
    fc.assert(
      fc.property(set, set, (one, other) => {
        const same = JSON.stringify(one) === JSON.stringify(other)
        expect(setDifferences(one, other).length === 0).toBe(same)
      }),
    )
  })
})
