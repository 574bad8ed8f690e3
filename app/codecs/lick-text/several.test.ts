import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import * as random from '../../../tests/support/arbitraries'
import { formatLickText, joinLickTexts, splitLickTexts } from '.'

describe('several licks in a text', () => {
  it('come apart as they were joined (law)', () => {
    fc.assert(
      fc.property(fc.array(random.lick, { minLength: 1, maxLength: 4 }), (licks) => {
        const texts = licks.map(formatLickText)
        expect(splitLickTexts(joinLickTexts(texts))).toEqual(texts)
      }),
      { numRuns: 30 },
    )
  })

  it('are told by their head rows; a text without one stays whole, and gets one where it is joined', () => {
    expect(splitLickTexts('RLRL\n\nRLK')).toEqual(['RLRL\n\nRLK'])
    expect(joinLickTexts(['RLRL', 'line: RLK'])).toBe(
      'dime-lick: 1\nRLRL\n\ndime-lick: 1\nline: RLK\n',
    )
  })
})
