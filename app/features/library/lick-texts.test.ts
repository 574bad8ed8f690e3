import { describe, expect, it } from 'vitest'
import { freeName } from './lick-texts'

describe('lick texts of a selection', () => {
  it('have file names of their own, without signs that file systems refuse', () => {
    const taken: Record<string, number> = {}
    const names = ['Net/drop', 'Net drop', '..\\..\\x', '', 'x'.repeat(300)].map((name) => {
      const free = freeName(name, taken)
      taken[free] = 1
      return free
    })
    expect(names.slice(0, 4)).toEqual([
      'Net drop.lick',
      'Net drop 2.lick',
      '.. .. x.lick',
      'lick.lick',
    ])
    expect(names[4]?.length).toBe(85)
  })
})
