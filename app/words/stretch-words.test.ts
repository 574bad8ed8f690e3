import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import * as random from '../../tests/support/arbitraries'
import { lickOf } from '../../tests/support/licks'
import { stretchWords } from './stretch-words'

describe('some slots of a line', () => {
  const lick = lickOf('start: 1\nline: RLLRK RLK RL')
  it.each([
    [0, 5, 'the five'],
    [5, 8, 'the three'],
    [0, 8, 'the five and the three'],
    [0, 10, 'the five, the three and the two'],
    [2, 7, '1& to 2&'],
    [8, 10, 'the two'],
  ])('from %i to %i are named by what they are', (from, to, words) =>
    expect(stretchWords(lick, { from, to })).toBe(words),
  )

  it('are numbered where several are of one size, and told by places where they are many', () => {
    const threes = lickOf('start: 1\nline: RLK RLK RLK RLK')
    expect(stretchWords(threes, { from: 3, to: 6 })).toBe('the 2nd three')
    expect(stretchWords(threes, { from: 0, to: 12 })).toBe('1 to 3a')
  })

  it('never are a number of a slot alone, and no two groups have one name (law)', () => {
    fc.assert(
      fc.property(random.lick, (drawn) => {
        let from = 0
        const names = drawn.line.groups.map((size) => {
          const name = stretchWords(drawn, { from, to: from + size })
          from += size
          return name
        })
        expect(new Set(names).size).toBe(names.length)
        for (const name of names) expect(name).toMatch(/^the /)
      }),
    )
  })
})
