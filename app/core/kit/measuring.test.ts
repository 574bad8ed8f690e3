import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { doubleInterval, singleInterval, travelRatio, tripleInterval } from '.'

/** Onsets with gaps that go round and round. */
const onsets = (count: number, ...gaps: number[]) => {
  let at = 0
  return Array.from({ length: count }, (_, i) => {
    const now = at
    at += gaps[i % gaps.length] as number
    return now
  })
}

describe('measured limbs', () => {
  it('are as fast as their usual gap, slips aside', () => {
    const even = onsets(40, 150)
    expect(singleInterval(even)).toBe(150)
    expect(singleInterval([...even, 9000, 9010])).toBe(150)
  })

  it('rebound in the shorter of the two gaps of doubles, whichever comes first', () => {
    expect(doubleInterval(onsets(30, 80, 170))).toBe(80)
    expect(doubleInterval(onsets(30, 170, 80))).toBe(80)
  })

  it.each([[[80, 105, 200]], [[105, 200, 80]], [[200, 80, 105]]])(
    'have the third stroke of triples, whichever comes first: %j',
    (gaps) => {
      expect(tripleInterval(onsets(40, ...gaps))).toBe(105)
    },
  )

  it('travel by the median way, as a share of what is expected', () => {
    expect(travelRatio([...onsets(30, 180), 9000], 200)).toBe(0.9)
    expect(travelRatio(onsets(5, 180), 200)).toBeNull()
  })

  it('are not known from a few strokes', () => {
    expect(singleInterval(onsets(7, 100))).toBeNull()
    expect(doubleInterval([])).toBeNull()
  })

  it('are what was played, however long (law)', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 8, max: 80 }),
        fc.integer({ min: 40, max: 400 }),
        fc.integer({ min: 1, max: 300 }),
        (count, short, more) => {
          expect(singleInterval(onsets(count, short))).toBe(short)
          expect(doubleInterval(onsets(count, short, short + more))).toBe(short)
        },
      ),
    )
  })
})
