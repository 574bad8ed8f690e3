import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import * as random from '../../../tests/support/arbitraries'
import { lickOf } from '../../../tests/support/licks'
import { DEFAULT_SETTING, evidenceOf, speedLimit, withEvidence } from '.'

describe('what clean plays show of a player', () => {
  it('the double of the foot, where RLKK was clean above its 136.4', () => {
    const plays = [
      { lick: lickOf('lead: 0\ngroove: none\nlanding: none\nline: RLKK*4'), tempo: 150 },
    ]
    const evidence = evidenceOf(plays, DEFAULT_SETTING)
    expect(evidence).toHaveLength(1)
    expect(evidence[0]).toMatchObject({ limb: 'RF', kind: 'double', from: 110 })
    expect(evidence[0]?.to).toBeCloseTo(100, 9)
  })

  it('nothing, where the play was within the limit', () => {
    expect(evidenceOf([{ lick: lickOf('RLKK*4'), tempo: 90 }], DEFAULT_SETTING)).toEqual([])
  })

  it('makes every such play possible, and no constant is slower than before (law)', () => {
    fc.assert(
      fc.property(random.lick, fc.double({ min: 1.01, max: 1.5, noNaN: true }), (lick, over) => {
        const limit = speedLimit(lick, 'loop').bpm
        if (limit === null) return
        const tempo = limit * over
        const evidence = evidenceOf([{ lick, tempo }], DEFAULT_SETTING)
        for (const { from, to } of evidence) expect(to).toBeLessThan(from)
        // The lead of graces, and Fitts's least time, are no constants of a player's.
        if (evidence.length === 0) return
        const player = withEvidence(DEFAULT_SETTING.player, evidence)
        const now = speedLimit(lick, 'loop', { ...DEFAULT_SETTING, player }).bpm ?? Infinity
        expect(now).toBeGreaterThan(limit)
      }),
      { numRuns: 60 },
    )
  })
})
