import fc from 'fast-check'
import { expect, it, test } from 'vitest'
import { shiftInto } from './keep-in-view'

const WINDOW = { left: 0, right: 1024 }

test.each([
  [{ left: 900, right: 1120 }, -100],
  [{ left: -30, right: 90 }, 34],
  [{ left: 100, right: 300 }, 0],
  [{ left: 700, right: 1900 }, -696],
])('%j moves by %d', (span, by) => {
  expect(shiftInto(span, WINDOW)).toBe(by)
})

it('moves what fits to where it is seen whole, and no further (law)', () => {
  const edge = fc.integer({ min: -500, max: 1500 })
  fc.assert(
    fc.property(edge, fc.integer({ min: 1, max: 1016 }), (left, width) => {
      const by = shiftInto({ left, right: left + width }, WINDOW)
      expect(left + by).toBeGreaterThanOrEqual(4)
      expect(left + by + width).toBeLessThanOrEqual(1020)
      if (by !== 0) expect([4, 1020 - width]).toContain(left + by)
    }),
  )
})
