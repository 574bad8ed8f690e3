import { describe, expect, it } from 'vitest'
import { lineTextOf, parseLickText } from '~/codecs/lick-text'
import { formatVoicing, parseVoicing } from '~/codecs/voicing'
import { DEFAULT_SETTING } from '~/core/playing'
import { DEFAULT_COUNTING } from '~/core/time'
import { DEMO_LICKS } from '~/demo/licks'
import { toAnswers } from '~/words/answers'
import { toFit } from '~/words/fit'
import { placeIn } from '~/words/places'
import {
  type BenchDocument,
  caretAfter,
  openDocument,
  runCommand,
  selectedSlots,
  textsOf,
} from '~/workspace/document'
import { lickOf } from '../../../tests/support/licks'

const TEXT = 'dime-lick: 1\ntitle: Ring\nline: RLLRK RLK\n'
const type = (document: BenchDocument, typed: string) =>
  runCommand(document, { kind: 'type-line', typed, caret: typed.length })

const texts = (text: string) => ({ text, draft: null, voicing: '' })

describe('the document on the bench', () => {
  it('keeps showing the last line that could be read while another is typed', () => {
    const open = openDocument(texts(TEXT))
    const broken = type(open, 'RLLRK (RL')
    expect([broken.issues[0]?.code, broken.good.lick.line.groups]).toEqual(['not-closed', [5, 3]])
    expect(textsOf(broken)).toEqual({
      text: TEXT,
      draft: TEXT.replace('RLK', '(RL'),
      voicing: '',
    })
    const fixed = type(broken, 'RLLRK (RL)')
    expect([fixed.issues, fixed.good.lick.line.groups]).toEqual([[], [5, 1]])
    expect(textsOf(fixed).draft).toBeNull()
  })

  it('opens a draft as it was left', () => {
    const { text, draft } = textsOf(type(openDocument(texts(TEXT)), 'RLLRK (RL'))
    const again = openDocument({ text, draft, voicing: '' })
    expect([lineTextOf(again.history.text), again.good.lick.line.groups]).toEqual([
      'RLLRK (RL',
      [5, 3],
    ])
  })

  it('keeps blanks and comments as they are typed', () => {
    const spaced = type(openDocument(texts(TEXT)), 'RL  RK ')
    expect(lineTextOf(spaced.history.text)).toBe('RL  RK ')
    expect(lineTextOf(type(spaced, 'RL RK # mine').history.text)).toBe('RL RK # mine')
  })

  it('undoes and redoes, with the caret where the change was', () => {
    const typed = type(openDocument(texts(TEXT)), 'RLLRKK RLK')
    const undone = runCommand(typed, { kind: 'undo' })
    expect([lineTextOf(undone.history.text), caretAfter(typed, undone)]).toEqual(['RLLRK RLK', 5])
    const redone = runCommand(undone, { kind: 'redo' })
    expect([redone.history.text, caretAfter(undone, redone)]).toEqual([typed.history.text, 6])
    expect(runCommand(redone, { kind: 'redo' })).toBe(redone)
  })

  it('knows the slots that the caret or a selection touches, repeats too', () => {
    const open = openDocument(texts('line: RL*2 (RK)L'))
    expect(selectedSlots(open, 1, 1)).toEqual({ from: 0, to: 1 })
    expect(selectedSlots(open, 5, 9)).toEqual({ from: 4, to: 5 })
    expect(selectedSlots(type(open, 'RL*2 (RK'), 1, 1)).toBeNull()
  })
})

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
      place: 'Free from 5a',
      betterStart: '1e',
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
      'Ends with the kick on the bass drum, on 4a: 119.0 ms before the landing',
      'Free for the crash: both hands',
      // The right hand has been free for longest, and the crash on its side is nearer.
      'In reach: right hand on crash 2, up to 275.7',
    ])
    expect(said.foot?.text).toBe(
      'The kick lands again 119.0 ms later, as the second of a double: it needs 110, enough',
    )
    expect(answers('start: 3\nline: RLLRLRKK', 112).foot?.text).toBe(
      'The kick lands again 133.9 ms later, as the third in a row: it needs 140, too little',
    )
  })

  it('say how fast it really is, and where limbs meet', () => {
    expect(answers('grid: 1/16t\nline: RLR', 90).speed).toBe('540 slots a minute, 111.1 ms each')
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
    expect(said.foot?.text).toContain('The kick lands again 150.0 ms later')
    expect(said.lands[1]).toBe('Right hand to the hi-hat: has 450.0 ms, needs 154, enough')
  })

  it('tell a free hand that played a grace just before', () => {
    expect(answers('start: 4\nline: RLRfR').lands[1]).toBe(
      'Free for the crash: left hand, after its grace 30 ms before the last stroke',
    )
  })

  it('set a clean play above the model', () => {
    const lick = lickOf('RLKK*4')
    const [first, second] = toAnswers(lick, 80, DEFAULT_SETTING, 150).limits
    expect(first).toBe('Played clean at 150.0')
    expect(second).toMatch(/^By your limb speeds: playable up to 136.4/)
    expect(toAnswers(lick, 80, DEFAULT_SETTING, 90).limits[0]).toMatch(/^Playable up to 136.4/)
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
