import { describe, expect, it } from 'vitest'
import { DEFAULT_KIT } from '~/core/kit'
import { formatLine } from '~/core/notation'
import { PLAIN_VOICING, type VoicingRule, voicingPresets } from '~/core/voicing'
import { findSurfaces } from '~/words/surface-words'
import {
  drawAgain,
  hasWrittenVoice,
  moveRule,
  putOn,
  switchRule,
  withoutRule,
  withPins,
  withRule,
} from '~/workspace/edits/voice-edits'
import { lickOf } from '../../../../tests/support/licks'
import { howManyWords, ruleWords } from './words'

const put = (surface: 't1' | 'f1'): VoicingRule => ({
  hands: 'RH',
  which: { kind: 'every' },
  action: { kind: 'put', surface },
  on: true,
})

describe('sentences', () => {
  it.each<[Partial<VoicingRule>, string]>([
    [
      {
        action: {
          kind: 'path',
          surfaces: ['t1', 't2', 'f1'],
          per: 'group',
          end: 'turn',
          turningStroke: false,
        },
      },
      'Right hand: tom 1, tom 2, floor tom, a group each, and back',
    ],
    [
      { hands: 'hands', which: { kind: 'ghosts' }, action: { kind: 'put', surface: 'sn' } },
      'Both hands, ghosts: on the snare',
    ],
    [
      { hands: 'hands', which: { kind: 'accents' }, action: { kind: 'with-kick', surface: 'c1' } },
      'Both hands, accents: on the crash, with a kick',
    ],
    [
      {
        hands: 'hands',
        which: { kind: 'graced' },
        action: { kind: 'split', main: 'f1', grace: 'sn' },
      },
      'Both hands, flams, drags and ruffs: main stroke on the floor tom, grace on the snare',
    ],
    [
      { hands: 'LH', which: { kind: 'every-nth-group', nth: 3, from: 3 } },
      'Left hand, every 3rd group: on tom 1',
    ],
    [
      { which: { kind: 'every-nth-group', nth: 2, from: 11 } },
      'Right hand, every 2nd group from the 11th on: on tom 1',
    ],
    [{ which: { kind: 'beats', beats: [2, 4] } }, 'Right hand, on beats 2 and 4: on tom 1'],
    [
      { action: { kind: 'with-hand', surface: 't2' } },
      'Right hand: together with the other hand on tom 2',
    ],
    [
      {
        action: {
          kind: 'draw',
          surfaces: ['t1', 'f1'],
          per: 'stroke',
          twice: false,
          seed: 6,
        },
      },
      'Right hand: drawn from tom 1, floor tom, a stroke each, none twice in a row, draw 7',
    ],
  ])('%j', (rule, words) => expect(ruleWords({ ...put('t1'), ...rule })).toBe(words))

  it('are told apart for every preset', () => {
    const all = voicingPresets(DEFAULT_KIT).map(({ rules }) => rules.map(ruleWords).join('; '))
    expect(new Set(all).size).toBe(all.length)
  })
})

describe('how many voicings', () => {
  const rule: VoicingRule = {
    hands: 'RH',
    which: { kind: 'every' },
    action: {
      kind: 'path',
      surfaces: ['t1', 't2', 'f1', 'rd'],
      per: 1,
      end: 'over',
      turningStroke: false,
    },
    on: true,
  }
  const all = { from: 0, to: 10 }

  it('counts what its rule moves, and says which: five rights on four pieces', () => {
    expect(howManyWords(lickOf('RLLRRLLRRL'), all, rule)).toBe(
      'Right hand: 5 strokes on 4 pieces (tom 1, tom 2, floor tom, ride): 1,024 voicings, 324 with no piece twice in a row.',
    )
    // A voice that is written stays where it is.
    expect(howManyWords(lickOf('R:snLLRRLLRRL'), all, rule)).toContain('4 strokes on 4 pieces')
  })

  it('says nothing of one surface, or of nothing', () => {
    expect(howManyWords(lickOf('RLLR'), all, put('t1'))).toBe('')
    expect(howManyWords(lickOf('LLLL'), all, rule)).toBe('')
  })
})

describe('surfaces as they are typed', () => {
  it.each([
    ['t1 t2 f1', ['t1', 't2', 'f1']],
    ['HH, rb', ['hh', 'rb']],
    ['t1 t9', null],
    ['', null],
  ])('%s', (typed, expected) => expect(findSurfaces(typed)).toEqual(expected))
})

describe('edits of a voicing', () => {
  const two = withRule(withRule(PLAIN_VOICING, put('t1')), put('f1'))

  it('add, order, switch and drop rules', () => {
    expect(moveRule(two, 1, -1).rules).toEqual([put('f1'), put('t1')])
    expect(moveRule(two, 1, 1)).toBe(two)
    expect(switchRule(switchRule(two, 0), 0)).toEqual(two)
    expect(withoutRule(two, 0).rules).toEqual([put('f1')])
  })

  it('pin slots, move pins, and let them go', () => {
    const pinned = withPins(two, { from: 4, to: 6 }, 'sn')
    expect(pinned.pins).toEqual([
      { slot: 4, surface: 'sn' },
      { slot: 5, surface: 'sn' },
    ])
    expect(withPins(pinned, { from: 5, to: 6 }, 't1').pins[1]?.surface).toBe('t1')
    expect(withPins(pinned, { from: 0, to: 9 }, null)).toEqual(two)
  })

  it('draw again with the next seed, and touch no other rule', () => {
    const action = { kind: 'draw', surfaces: ['t1'], per: 'group', twice: true } as const
    const last: VoicingRule = { ...put('t1'), on: false, action: { ...action, seed: 2 ** 32 - 1 } }
    const again = drawAgain(withRule(two, last), 2)
    expect(again.rules[2]).toEqual({ ...last, on: true, action: { ...action, seed: 0 } })
    expect(drawAgain(two, 0)).toEqual(two)
  })

  it('leave what is noted at strokes as it is', () => {
    const notes = [{ slot: 3, text: 'low wrist' }]
    const noted = { ...two, notes }
    const edited = [
      withRule(noted, put('t1')),
      withoutRule(noted, 0),
      switchRule(noted, 0),
      moveRule(noted, 0, 1),
      drawAgain(noted, 0),
      withPins(noted, { from: 0, to: 2 }, 'sn'),
      withPins(noted, { from: 0, to: 2 }, null),
    ]
    for (const voicing of edited) expect(voicing.notes).toEqual(notes)
  })

  it('write voices at hands only, and take them away', () => {
    const lick = lickOf('R(LK)-{RL}')
    const all = { from: 0, to: 4 }
    const laid = putOn(lick, all, 't1').lick
    expect(formatLine(laid.line)).toBe('R:t1(L:t1K)-{R:t1L:t1}')
    expect([hasWrittenVoice(lick, all), hasWrittenVoice(laid, all)]).toEqual([false, true])
    expect(putOn(laid, all, null).lick.line).toEqual(lick.line)
  })
})
