import { describe, expect, it } from 'vitest'
import { parseLickText } from '~/codecs/lick-text'
import { intoWords } from '~/words/frame-words'
import {
  frameFault,
  speedNotice,
  startRows,
  swingMovesNothing,
  withRows,
} from '~/workspace/frame-change'
import { lickOf } from '../../../../tests/support/licks'

const TEXT = 'dime-lick: 1\nmeter: 4/4\ntempo: 80\ngrid: 1/16\nstart: 4&\nline: RL\n'

describe('a change of the frame that cannot be made', () => {
  it('is told at its field: 3/4 for a line that starts on 4&, with a way out', () => {
    const fault = frameFault(TEXT, [['meter', ['3/4']]])
    expect(fault?.message).toBe('A bar of 3/4 has no 4&, where the line starts.')
    expect(fault?.offer?.label).toBe('Start on 1')
    const after = parseLickText(withRows(TEXT, fault?.offer?.rows ?? []))
    expect(after.ok && after.value.lick.frame).toMatchObject({ start: 0, meter: { count: 3 } })
  })

  it.each([
    ['start', '9', 'A bar of 4/4 has no 9.'],
    ['tempo', '900', 'Expected a tempo from 20 to 400'],
    ['landing', 'boom', 'Expected crash, stop, groove, none or last'],
    ['pickup', 'RQ', 'Expected R, L, K, H, J, X or -'],
  ] as const)('%s: %s', (key, value, message) =>
    expect(frameFault(TEXT, [[key, [value]]])?.message).toContain(message),
  )

  it('is none where it can be made, and no older fault is laid to it', () => {
    expect(frameFault(TEXT, [['meter', ['5/4']]])).toBeNull()
    expect(frameFault(TEXT, [['landing', ['(>L:c1K) choke beat']]])).toBeNull()
    const broken = TEXT.replace('RL', 'RQ')
    expect(frameFault(broken, [['tempo', ['90']]])).toBeNull()
    expect(frameFault(broken, [['tempo', ['9']]])?.message).toContain('a tempo')
  })

  it('takes the stop along where the start moves before it', () => {
    const lick = lickOf('start: 4\nstop: 3\nline: R')
    expect(startRows(lick, '2')).toEqual([
      ['start', ['2']],
      ['stop', []],
    ])
    expect(startRows(lick, '4&')).toEqual([['start', ['4&']]])
  })
})

describe('what a change of metre or grid keeps', () => {
  it('is the tempo, with the stroke speed to choose: 4/4 at 80 to 7/8', () => {
    const notice = speedNotice(
      lickOf('tempo: 80\ngoal: 100\nline: R'),
      lickOf('meter: 7/8\ntempo: 80\ngoal: 100\nline: R'),
    )
    expect(notice?.message).toBe('The tempo stays at 80: a slot now takes 375 ms, before 188.')
    expect(notice?.offer).toEqual({
      label: 'Keep the stroke speed: tempo 160',
      rows: [
        ['tempo', ['160']],
        ['goal', ['200']],
      ],
    })
  })

  it('needs no word where a slot takes what it took', () => {
    expect(speedNotice(lickOf('line: R'), lickOf('meter: 5/4\nline: R'))).toBeNull()
  })

  it('offers no tempo that there is not', () => {
    const notice = speedNotice(
      lickOf('tempo: 300\nline: R'),
      lickOf('meter: 7/8\ntempo: 300\nline: R'),
    )
    expect(notice?.offer).toBeNull()
  })
})

it.each([
  ['swing: 60\ngrid: 1/8t\nline: RLRLRL', true],
  ['swing: 60\ngrid: 1/4\nline: RLRL', true],
  ['swing: 60\ngrid: 1/8\nline: RLRL', false],
  ['swing: 60\ngrid: 1/8t\nline: RLRLRL\nunder: @1/8 H', false],
  ['swing: 50\ngrid: 1/8t\nline: RLRLRL', false],
])('a swing that moves nothing is known: %s', (text, nothing) =>
  expect(swingMovesNothing(lickOf(text))).toBe(nothing),
)

it('a landing is named as one says it', () => {
  const label = (text: string) => intoWords(lickOf(text).frame.landing)
  expect([label('landing: last beat'), label('landing: (>L:c1K) choke')]).toEqual([
    'its last stroke on a beat',
    'left hand on the crash and kick',
  ])
})
