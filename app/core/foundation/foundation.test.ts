import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { isEqual, keepEqual } from './keep-equal'
import { commonEnd, commonStart, firstWhere } from './search'

const data = fc.jsonValue({ maxDepth: 3 })

/** A value as text, the names of its parts in order. */
const sorted = (value: unknown): string =>
  JSON.stringify(value, (_, part) =>
    part && typeof part === 'object' && !Array.isArray(part)
      ? Object.fromEntries(Object.entries(part).sort(([a], [b]) => (a < b ? -1 : 1)))
      : part,
  )

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

describe('comparing data', () => {
  it('tells what is written alike (law)', () => {
    fc.assert(
      fc.property(data, data, (a, b) => {
        expect(isEqual(a, structuredClone(a))).toBe(true)
        expect(isEqual(a, b)).toBe(sorted(a) === sorted(b))
      }),
      { numRuns: 200 },
    )
  })

  it('finds a part that is missing, that is more, or that is another', () => {
    expect(isEqual({ a: 1, b: 2 }, { a: 1 })).toBe(false)
    expect(isEqual({ a: 1 }, { a: 1, b: 2 })).toBe(false)
    expect(isEqual([1, [2]], [1, [3]])).toBe(false)
    expect(isEqual([], {})).toBe(false)
    expect(isEqual({ a: undefined }, {})).toBe(true)
  })
})

describe('what texts have in common', () => {
  const short = fc.string({ unit: fc.constantFrom('R', 'L', ' '), maxLength: 12 })
  /** Long enough to be compared in part at once. */
  const long = fc.tuple(short, fc.constantFrom(0, 251, 256, 600), short)
  const text = fc.oneof(
    short,
    long.map(([front, size, end]) => front + 'RL'.repeat(size / 2) + end),
  )

  it('is what looking letter by letter finds, from either end (law)', () => {
    fc.assert(
      fc.property(text, text, fc.nat(900), (a, b, most) => {
        const shorter = Math.min(a.length, b.length, most)
        let [start, end] = [0, 0]
        while (start < shorter && a[start] === b[start]) start += 1
        while (end < shorter && a.at(-1 - end) === b.at(-1 - end)) end += 1
        expect([commonStart(a, b, shorter), commonEnd(a, b, shorter)]).toEqual([start, end])
      }),
      { numRuns: 300 },
    )
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
