import { describe, expect, it } from 'vitest'
import { turnTexts } from '~/workspace/turned'
import { lickOf } from '../../../tests/support/licks'
import { foundTexts, toFoundLick } from './found-texts'

const FRAME = lickOf('start: 3\nbars: 1\nline:')
const WAY = {
  line: '>RLK RLLRL',
  score: 0,
  limit: 120,
  free: 'RH',
  kicks: 1,
  unlike: null,
} as const

describe('a found fill', () => {
  it('is a lick in its frame, named by its groups', () => {
    const lick = toFoundLick(FRAME, WAY)
    expect([lick?.title, lick?.frame.start]).toEqual(['Fill of 3 and 5', 20_160])
    expect(foundTexts(FRAME, WAY, false)?.text).toContain('line: >RLK RLLRL')
  })

  it('is stored for who reads the letters turned so that it is shown as it was found', () => {
    const stored = foundTexts(FRAME, WAY, true)
    expect(stored?.text).toContain('line: >LRK LRRLR')
    expect(stored && turnTexts(stored, true).text).toBe(foundTexts(FRAME, WAY, false)?.text)
  })

  it('is nothing where its line cannot be read', () => {
    expect(foundTexts(FRAME, { ...WAY, line: 'RQ' }, false)).toBeNull()
    expect(toFoundLick(FRAME, undefined)).toBeNull()
  })
})
