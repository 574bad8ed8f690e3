import { describe, expect, it } from 'vitest'
import { memoize } from './memoize'

describe('a function that remembers', () => {
  it('gives the same object for the same arguments, and works out the rest', () => {
    let count = 0
    const pair = memoize((a: object, b: number) => {
      count += 1
      return { a, b }
    }, 2)
    const [x, y] = [{}, {}]
    expect(pair(x, 1)).toBe(pair(x, 1))
    expect(pair(x, 2)).not.toBe(pair(x, 1))
    expect([pair(y, 1).a, count]).toEqual([y, 3])
    // Only so many are remembered, the oldest is forgotten first.
    pair(x, 2)
    pair(x, 1)
    expect(count).toBe(4)
  })
})
