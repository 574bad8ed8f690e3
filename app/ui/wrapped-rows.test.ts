import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { wrappedRows } from './wrapped-rows'

describe('the rows of a wrapped text', () => {
  it.each([
    ['', 10, 1],
    ['RLLK', 10, 1],
    ['RLLK RLLK', 9, 1],
    ['RLLK RLLK', 8, 2],
    ['RLLK RLLK ', 9, 1],
    ['RLLK RLLK R', 9, 2],
    ['RLLKRLLKRLLK', 5, 3],
    ['RL RLLKRLLKRLLK', 5, 4],
    ['RL\nRL', 10, 2],
    ['RL\n', 10, 2],
  ])('of %j in %i columns are %i', (text, columns, rows) => {
    expect(wrappedRows(text, columns)).toBe(rows)
  })

  it('are never fewer in a narrower field, nor fewer than its letters fill (law)', () => {
    const words = fc.array(fc.integer({ min: 1, max: 12 }), { maxLength: 30 })
    fc.assert(
      fc.property(words, fc.integer({ min: 1, max: 40 }), (lengths, columns) => {
        const text = lengths.map((length) => 'R'.repeat(length)).join(' ')
        const rows = wrappedRows(text, columns)
        expect(wrappedRows(text, columns + 1)).toBeLessThanOrEqual(rows)
        const letters = lengths.reduce((sum, length) => sum + length, 0)
        expect(rows).toBeGreaterThanOrEqual(Math.max(1, Math.ceil(letters / columns)))
      }),
    )
  })
})
