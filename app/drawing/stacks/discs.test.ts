import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { discHeight } from './discs'

describe('the discs of a stack', () => {
  it('are never less than nothing, nor touch each other, however tall the stack is (law)', () => {
    expect([10, 4, 1].map(discHeight)).toEqual([8, 3, 0.5])
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 4096 }), (strokes) => {
        const pitch = 62 / strokes
        const height = discHeight(pitch)
        expect(height).toBeGreaterThan(0)
        expect(height).toBeLessThan(pitch)
      }),
    )
  })
})
