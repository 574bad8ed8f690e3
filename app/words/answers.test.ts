import { describe, expect, it } from 'vitest'
import { parseLickText } from '~/codecs/lick-text'
import { formatVoicing, parseVoicing } from '~/codecs/voicing'
import { DEFAULT_SETTING } from '~/core/playability'
import { DEFAULT_COUNTING } from '~/core/time'
import { DEMO_LICKS } from '~/demo/licks'
import { lickOf } from '../../tests/support/licks'
import { toAnswers } from './answers'
import { toFit } from './fit'
import { placeIn } from './places'
import { landingVerdict, speedVerdict } from './verdict'

describe('answers', () => {
  const answers = (text: string, tempo = 80) => toAnswers(lickOf(text), tempo)
  const held = (text: string) => toFit(lickOf(text), DEFAULT_COUNTING)

  it('say what is left, what is over, and where', () => {
    expect(held('start: 2&\nline: RLRLRLRLRL')).toMatchObject({
      verdict: 'fits',
      used: '10',
      available: '10',
      difference: '',
    })
    expect(held('meter: 5/4\nline: RLRRLLK RLRLKK RLRLKK')).toMatchObject({
      verdict: 'short',
      difference: '1 left',
      place: 'Empty from 5a',
      betterStart: { written: '1e', said: '1e' },
    })
    expect(held('meter: 3/4\nline: RLLRK RLK RLRLK')).toMatchObject({
      verdict: 'over',
      difference: '1 over',
      place: 'The first too many, slot 13, K, would fall on the next 1',
    })
    expect(held('')).toMatchObject({ verdict: 'empty', betterStart: null })
  })

  it('say how it lands, and what the foot needs (C16)', () => {
    const said = answers('start: 3\nline: RLRLLRLK', 126)
    expect(said.lands).toEqual([
      'Ends with the kick on the bass drum, on 4a: 119 ms before the landing',
      'Free for the crash: both hands',
      // The right hand has been free for longest, and the crash on its side is nearer.
      'Right hand reaches crash 2 in time, up to 275 bpm',
    ])
    expect(said.foot?.text).toBe(
      'The kick lands again 119 ms later, as the second of a double: it needs 110, enough',
    )
    expect(answers('start: 3\nline: RLLRLRKK', 112).foot?.text).toBe(
      'The kick lands again 134 ms later, as the third in a row: it needs 140, too little',
    )
  })

  it('say how fast it really is, and where limbs meet', () => {
    expect(answers('grid: 1/16t\nline: RLR', 90).speed).toBe('540 slots a minute, 111 ms each')
    expect(answers('(RK)LL(>R:c1K)').together).toEqual([
      'The line is not linear: limbs together on 1, 1a',
    ])
    expect(answers('(R:t1L:t1)RLR').together).toEqual([
      'The line is not linear: limbs together on 1; both hands on one surface on 1',
    ])
    expect(answers('fRLR').together).toEqual(['The line is not linear: 1 stroke with graces'])
    expect(answers('lead: 0\nline: JRLK*2\nunder: @1/4 H').clashes).toEqual([
      'Second foot wanted twice on 1',
      'Second foot wanted twice on 2',
    ])
    // Places before the fill as people name them.
    expect(answers('line: RLRK*4\nunder: @1/4 K').clashes).toEqual([])
    expect(placeIn(lickOf('RL'), -10080)).toBe('4 of the bar before')
    expect(placeIn(lickOf('RL'), -50400)).toBe('4 of the bar 2 before')
  })

  it('say what is true of the line and of the whole, over an ostinato', () => {
    const said = answers('line: RLRL*4\nunder: @1/4 K')
    expect(said.together).toEqual([
      'The line is linear',
      'It meets the kick ostinato on 1, 2, 3, 4, always on the same side',
    ])
    expect(said.limbs).toBe('R 8, L 8')
  })

  it('say what a groove needs that the lick lands back in', () => {
    const said = answers('landing: groove\nstart: 3\nline: RLLRLRLK', 100)
    expect(said.foot?.text).toContain('The kick lands again 150 ms later')
    expect(said.lands[1]).toBe('Right hand to the hi-hat: has 450 ms, needs 154, enough')
  })

  it('tell a free hand that played a grace just before', () => {
    expect(answers('start: 4\nline: RLRfR').lands[1]).toBe(
      'Free for the crash: left hand, after its grace 30 ms before the last stroke',
    )
  })

  it('set a clean play above the model', () => {
    const lick = lickOf('RLKK*4')
    const [first, second] = toAnswers(lick, 80, DEFAULT_SETTING, 150).limits
    expect(first).toBe('Played clean at 150')
    expect(second).toMatch(/^By your limb speeds: playable up to 136 bpm/)
    expect(toAnswers(lick, 80, DEFAULT_SETTING, 90).limits[0]).toMatch(/^Playable up to 136 bpm/)
  })
})

describe('the demo', () => {
  it('can all be read, under titles and ids of its own', () => {
    for (const { text, rules = [] } of DEMO_LICKS) {
      expect(parseLickText(text).ok).toBe(true)
      expect(parseVoicing(formatVoicing({ rules, pins: [] }))).toEqual({
        ok: true,
        value: { rules, pins: [] },
      })
    }
    expect(new Set(DEMO_LICKS.map(({ id }) => id)).size).toBe(DEMO_LICKS.length)
    expect(new Set(DEMO_LICKS.map(({ text }) => lickOf(text).title)).size).toBe(DEMO_LICKS.length)
  })
})

describe('the verdict in short', () => {
  it.each([
    ['line: >RllRl >RlK >LK', { first: 'both hands free', rest: 'Kick last' }],
    ['line: RLRL', { first: 'right hand free', rest: 'Left hand last' }],
    ['line: RL(RL)', { first: 'no hand free', rest: 'Right hand and left hand last' }],
    ['landing: groove\nline: RLRL', { first: '', rest: 'Left hand last' }],
    ['line: RLX', { first: 'last hand not decided', rest: 'A hand last' }],
    ['line: --', { first: 'No strokes yet', rest: '' }],
  ])('%s lands so: %o', (text, said) => expect(landingVerdict(lickOf(text))).toEqual(said))

  it('says the lowest of the speeds and what sets it, and what was played clean where that is more', () => {
    const lick = lickOf('tempo: 72\nstart: 2&\nline: >R:t1llRl >R:f1lK >LK')
    const answers = toAnswers(lick, 72)
    const lowest = answers.lowest?.bpm ?? 0
    expect(answers.limits.at(-1)).toContain(`up to ${Math.floor(lowest)} bpm`)
    expect(speedVerdict(answers).rest).toMatch(/^(with the landing|looped with the groove|)$/)
    const played = toAnswers(lick, 72, DEFAULT_SETTING, 300)
    expect(speedVerdict(played).first).toBe('300')
    expect(speedVerdict(toAnswers(lickOf('line: XX'), 72)).rest).toMatch(/not known/)
  })
})
