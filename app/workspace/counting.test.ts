import { describe, expect, it } from 'vitest'
import { countSyllable, findGrid, gridTicks, toMeter } from '~/core/time'
import { DEFAULT_SETTINGS } from '~/storage'
import { countingOf } from './counting'

describe('how a player counts', () => {
  it.each([
    ['e-and-a', '1 trip let & trip let'],
    ['digits', '1 2 3 4 5 6'],
    ['ta-ka', 'ta ki ta ta ki ta'],
  ])('goes by the system of the settings: %s', (school, words) => {
    const grid = findGrid('1/16t')
    if (!grid) throw new Error('no such grid')
    const counting = countingOf({ ...DEFAULT_SETTINGS, school })
    const said = Array.from({ length: 6 }, (_, i) =>
      countSyllable(i * gridTicks(grid), grid, toMeter(4, 4), counting),
    )
    expect(said.join(' ')).toBe(words)
  })
})
