import { describe, expect, it } from 'vitest'
import { CLEAN_LIMITS, type Cleanness, toldOf } from '~/core/timing'
import {
  claimsWords,
  cleanMeans,
  findingWords,
  hitWords,
  lateWords,
  leansFromWords,
  limbWords,
  notCleanWords,
  sessionWords,
} from './heard-words'

describe('what is said of what was heard', () => {
  it('is a sentence for each claim, or that there are too few rounds for one', () => {
    const late = { kind: 'offset', limb: 'LH', meanMs: 9.2, withinMs: 2.6, most: null } as const
    const uneven = { kind: 'uneven', limbs: ['RH', 'RF'], ratio: 1.118 } as const
    const said = (counted: number, ...claims: (typeof late | typeof uneven)[]) =>
      claimsWords({ claims, tooFew: [] }, counted, true)
    expect(said(5, late)).toBe('Left hand 9 ms late, give or take 3.')
    expect(said(5, uneven)).toBe(
      'The step from right hand to kick is 12 % longer than the step back.',
    )
    const claims = [{ ...late, most: 3 }]
    expect(claimsWords({ claims, tooFew: [] }, 5, false, () => '3a')).toBe(
      'Left hand 9 ms late, give or take 3, most on 3a.',
    )
    const rushing = { kind: 'rushing', percent: 2.34, withinPercent: 1 } as const
    const levelled = {
      kind: 'levelled',
      loud: 'accent',
      soft: 'ghost',
      heardDb: 4.6,
      meantDb: 15.8,
    } as const
    expect(claimsWords({ claims: [rushing, levelled], tooFew: [] }, 5, false)).toBe(
      'The line runs 2.3 % faster than the click. Accents are only 5 dB louder than ghosts; 16 dB are written.',
    )
    const leaning = { kind: 'leaning', share: 0.37, withinShare: 0.1 } as const
    const apart = { kind: 'apart', meanMs: 26.3, withinMs: 3 } as const
    expect(claimsWords({ claims: [leaning, apart], tooFew: [] }, 5, false)).toBe(
      'Threes lean to triplets, by a third of the way. What should be struck together is 26 ms apart.',
    )
    expect(leansFromWords(104)).toBe('Threes lean to triplets from 104 bpm up.')
    expect(said(5)).toBe('No audible faults in these rounds.')
    expect(claimsWords({ claims: [], tooFew: [] }, 5, false)).toBe('No one habit shows yet.')
    expect(said(2)).toBe('Not enough yet: 2 of the 3 rounds that carry a sentence.')
  })

  it('says what to work on', () => {
    expect(findingWords({ work: 'moves', easy: 0.96, hard: 0.71 })).toBe(
      'On one surface 96 % on time, round the kit 71 %: the sticking is known, work on the moves.',
    )
    expect(findingWords({ work: 'sticking', hard: 0.7 })).toBe(
      'On one surface 70 % are on time: go back to one surface, slower.',
    )
  })

  it('tells a session by the figures that matter, against the last one', () => {
    const limbs = [
      { limb: 'RH' as const, strokes: 30, meanMs: 0, spreadMs: 8 },
      { limb: 'LH' as const, strokes: 10, meanMs: 4, spreadMs: 16 },
    ]
    const now = { rounds: 5, meant: 40, hit: 40, onTime: 37, extra: 0, limbs }
    expect(sessionWords(now, null)).toBe('5 rounds: 93 % on time, spread 11 ms.')
    expect(sessionWords(now, { ...now, onTime: 30, limbs: [] })).toBe(
      '5 rounds: 93 % on time, spread 11 ms; last time 75 %, 0 ms.',
    )
  })

  it('tells what was hit, and how each limb lay', () => {
    const expected = [0, 150, 300].map((ms, slot) => ({ ms, slot, limb: 'RH' as const }))
    const told = toldOf(expected, [{ ms: -4 }, { ms: 146 }, { ms: 600 }])
    expect(hitWords(told)).toBe('2 of 3 strokes, 1 too many')
    expect(hitWords(toldOf(expected, expected))).toBe('all 3 strokes')
    expect(told.limbs.map(limbWords)).toEqual(['right hand 4 ms early, spread 0 ms'])
    expect([0.4, -0.4, 12.5].map(lateWords)).toEqual(['on time', 'on time', '13 ms late'])
  })
})

describe('what is not clean', () => {
  const clean = { is: true, onTime: 1, even: true, balance: true, together: null }
  const said = (part: Partial<Cleanness>) =>
    notCleanWords({ ...clean, is: false, ...part }, CLEAN_LIMITS)

  it('is named by its parts', () => {
    expect(said({ onTime: 0.849 })).toBe('Not clean: 84 % on time.')
    expect(said({ even: false, balance: false })).toBe(
      'Not clean: uneven and accents or ghosts too near to the plain strokes.',
    )
    expect(said({})).toBe('Not clean: strokes missed or too many.')
    expect(notCleanWords(clean, CLEAN_LIMITS)).toBe('')
    expect(notCleanWords({ ...clean, is: null }, CLEAN_LIMITS)).toBe('')
  })

  it('is held against limits that are told', () =>
    expect(cleanMeans({ withinMs: 20, share: 0.9 })).toMatch(/^Clean is 90 % .* within 20 ms and/))
})
