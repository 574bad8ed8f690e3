import { describe, expect, it } from 'vitest'
import { rowsNear } from './use-near-rows'

describe('the rows near what can be seen', () => {
  it.each([
    // Rows of 100 from the top of a band of 200: two are in it, and a little more than one below is near.
    [0, { top: 0, bottom: 200 }, { from: 0, to: 4 }],
    [-250, { top: 0, bottom: 200 }, { from: 1, to: 6 }],
    // A frame further down the window.
    [300, { top: 300, bottom: 500 }, { from: 0, to: 4 }],
    // Nothing of the frame can be seen: at least one row stays, where it is.
    [900, { top: 0, bottom: 0 }, { from: 0, to: 1 }],
  ])('of rows from %i, in %o, are %o', (start, band, range) =>
    expect(rowsNear(start, band, 100)).toEqual(range),
  )

  it('are all rows that any part of the band shows (law)', () => {
    for (let start = -1000; start <= 300; start += 7) {
      const { from, to } = rowsNear(start, { top: 40, bottom: 440 }, 90)
      for (let row = 0; row < 20; row += 1) {
        const top = start + row * 90
        if (top < 440 && top + 90 > 40) expect([row, from <= row && row < to]).toEqual([row, true])
      }
    }
  })
})
