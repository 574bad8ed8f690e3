import { describe, expect, it } from 'vitest'
import { lickOf } from '../../../tests/support/licks'
import { DEFAULT_KIT } from '../kit'
import { characterOf, feetUnderHands, loadOf, ostinatoMeetings } from '.'

describe('what every limb is asked for', () => {
  it('at a tempo: strokes a second, the shortest gap, the longest run (C47)', () => {
    const [rh, lh, rf] = loadOf(lickOf('RLKK*4'), 104)
    expect([rh?.limb, lh?.limb, rf?.limb]).toEqual(['RH', 'LH', 'RF'])
    expect(rf?.perSecond).toBeCloseTo(3.467, 3)
    expect(rf?.shortestMs).toBeCloseTo(144.23, 2)
    expect(rf?.longestRun).toBe(2)
  })

  it('counts the ostinatos with the line', () => {
    const kicks = (text: string) => loadOf(lickOf(text), 100).find(({ limb }) => limb === 'RF')
    expect(kicks('line: RLRL*4')).toBeUndefined()
    expect(kicks('line: RLRL*4\nunder: @1/4 K')?.strokes).toBe(4)
    const lf = loadOf(lickOf('line: RLRL*4\nunder fill: @1/4 H'), 100).find(
      (one) => one.limb === 'LF',
    )
    expect(lf?.strokes).toBe(4)
  })

  it('knows no run of hands that are not decided', () => {
    expect(loadOf(lickOf('XXXX'), 100)).toMatchObject([{ limb: 'XH', longestRun: null }])
    const character = characterOf(lickOf('XXXX'), DEFAULT_KIT, 100)
    expect(character).toMatchObject({ doubles: 0, longestRun: null, undecided: 4 })
    expect(characterOf(lickOf('RRXLL'), DEFAULT_KIT, 100)).toMatchObject({
      doubles: 2,
      undecided: 1,
    })
  })
})

describe('a line over an ostinato', () => {
  it('is linear by itself and meets the kick on every quarter', () => {
    const lick = lickOf('line: RLRL*4\nunder: @1/4 K')
    expect(characterOf(lick, DEFAULT_KIT, 100).linear).toBe(true)
    const [meeting, ...more] = ostinatoMeetings(lick)
    expect(more).toEqual([])
    expect(meeting?.limbs).toEqual(['RF'])
    expect(meeting?.ticks).toEqual([0, 10080, 20160, 30240])
    expect(meeting?.sameSide).toEqual([0, 10080, 20160, 30240])
    expect(feetUnderHands(lick)).toHaveLength(4)
  })

  it('counts kicks on a second bass drum', () => {
    const kicks = (line: string) => characterOf(lickOf(line), DEFAULT_KIT, 100).kicks
    expect([kicks('RLKJ'), kicks('RLKH'), kicks('RLKK')]).toEqual([2, 1, 2])
  })
})

describe('backbeats kept', () => {
  const backbeats = (text: string) => characterOf(lickOf(text), DEFAULT_KIT, 100).backbeats

  it('are where the groove has them: 2 and 4, in half time 3', () => {
    expect(backbeats('line: RLRL LRLR RLRL LRLR')).toEqual({ kept: 2, all: 2 })
    expect(backbeats('groove: half-time\nline: RLRL LRLR RLRL LRLR')).toEqual({ kept: 1, all: 1 })
  })

  it('a cross-stick counts, a ghost does not, a tom does not', () => {
    expect(backbeats('line: RLRL L:xsRLR RLRL LRLR').kept).toBe(2)
    expect(backbeats('line: RLRL lRLR RLRL LRLR').kept).toBe(1)
    expect(backbeats('line: RLRL L:t1RLR RLRL LRLR').kept).toBe(1)
  })
})
