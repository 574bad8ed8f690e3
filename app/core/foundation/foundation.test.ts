import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { keepEqual } from './keep-equal'
import { firstWhere } from './search'

const data = fc.jsonValue({ maxDepth: 3 })

describe('keeping what is equal', () => {
  it('equals the next value, and is the last one where nothing changed (law)', () => {
    fc.assert(
      fc.property(data, data, (last, next) => {
        expect(keepEqual(last, next)).toEqual(next)
        expect(Object.is(keepEqual(last, structuredClone(last)), last)).toBe(true)
      }),
      { numRuns: 200 },
    )
  })

  it('keeps the parts that did not change', () => {
    const last = { a: [1, { b: 2 }], c: { d: 3 } }
    const kept = keepEqual(last, { a: [1, { b: 2 }], c: { d: 4 } })
    expect(kept.a).toBe(last.a)
    expect(kept.c).toEqual({ d: 4 })
  })

  it('does not take a missing part for an empty one', () => {
    expect(keepEqual<object>({ a: undefined }, { b: undefined })).toEqual({ b: undefined })
    expect(keepEqual<object>([], {})).toEqual({})
  })
})

describe('searching by halving', () => {
  it('finds what looking one by one finds (law)', () => {
    fc.assert(
      fc.property(fc.array(fc.nat(50)), fc.nat(60), (list, least) => {
        const sorted = [...list].sort((a, b) => a - b)
        const at = sorted.findIndex((one) => one >= least)
        expect(firstWhere(sorted, (one) => one >= least)).toBe(at < 0 ? sorted.length : at)
      }),
    )
  })
})
