import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { NOTATION_CODES } from '~/core/notation'
import * as random from '../../../tests/support/arbitraries'
import { lickOf } from '../../../tests/support/licks'
import {
  formatLickText,
  HEADER_CODES,
  MAX_TEXT_BYTES,
  normalTitle,
  parseLickText,
  valuesOf,
} from '.'

function codesOf(text: string): string[] {
  const read = parseLickText(text)
  return read.ok ? [] : read.error.map(({ code }) => code)
}

describe('reading and writing', () => {
  it('brings every lick back equal, and its text the same (law: parse after format)', () => {
    fc.assert(
      fc.property(random.lick, (lick) => {
        const text = formatLickText(lick)
        expect(lickOf(text)).toEqual(lick)
        expect(formatLickText(lickOf(text))).toBe(text)
      }),
      { numRuns: 400 },
    )
  })

  it('never throws, whatever it is given', () => {
    const piece = fc.constantFrom(
      'R',
      'l',
      '(',
      ')',
      '{',
      '}',
      '[',
      ']*2',
      '@1/16t',
      '|',
      ':t1',
      ' ',
      '\n',
      'line: ',
      'start: 9',
      '*',
      '👀',
      '\u202e',
    )
    fc.assert(
      fc.property(
        fc.array(fc.oneof(piece, fc.string({ maxLength: 3 })), { maxLength: 40 }),
        (parts) => {
          const read = parseLickText(parts.join(''))
          if (read.ok) return
          expect(read.error.length).toBeGreaterThan(0)
          for (const { line, column } of read.error)
            expect(Math.min(line, column)).toBeGreaterThan(0)
        },
      ),
      { numRuns: 1000 },
    )
  })

  it('reads a bare line, comments, a byte order mark, and rows ended any way', () => {
    expect(lickOf('RLLRK RLK').line.groups).toEqual([5, 3])
    expect(lickOf('R:t1LK').line.slots.length).toBe(3)
    expect(
      lickOf('\uFEFFtitle: A # note\r\n# all comment\rline: RL # two\nline: K').line.groups,
    ).toEqual([2, 1])
  })

  it('keeps unknown keys and writes them back', () => {
    const lick = lickOf('colour: brass\nline: RL\nmood: calm')
    expect(lick.unknown).toEqual([
      ['colour', 'brass'],
      ['mood', 'calm'],
    ])
    expect(formatLickText(lick)).toContain('colour: brass\nmood: calm')
  })

  it('carries any title that a person types, once normalised', () => {
    fc.assert(
      fc.property(fc.string(), (raw) => {
        const title = normalTitle(raw)
        expect(normalTitle(title)).toBe(title)
        expect(lickOf(formatLickText({ ...lickOf('RL'), title })).title).toBe(title)
      }),
    )
    expect(normalTitle('Fill #2')).toBe('Fill\u00A0#2')
  })

  it('closes a plain grid before a ruff inside a group, where its t would read as triplets', () => {
    const lick = lickOf('grid: 1/8\nline: RL@1/16;tRL')
    expect(lick.line.gridChanges).toEqual([{ at: 2, grid: { value: 16, tuplet: null } }])
    expect(lickOf(formatLickText(lick))).toEqual(lick)
  })

  it('writes repeats short, so that what was read can be read again', () => {
    const lick = lickOf('bars: 64\ngrid: 1/64\nline: [(>R:t1>L:t2^K:bd>H:hf) {RLRLRLRL}RK]*1024')
    const text = formatLickText(lick)
    expect(text.length).toBeLessThan(200)
    expect(lickOf(text)).toEqual(lick)
  })
})

describe('places of faults', () => {
  it('count characters, not code units, from 1', () => {
    const read = parseLickText('title: 👀\n  line: RL Q')
    expect(!read.ok && read.error).toMatchObject([
      { line: 2, column: 12, found: 'Q', code: 'no-such-stroke', inLine: { at: 3, length: 1 } },
    ])
  })

  it('are told all at once', () => {
    const text = 'meter: 4/5\ntempo: 10\nline: RL Q\nline: (RR)\nunder: @1/9 H'
    expect(codesOf(text)).toEqual([
      'meter',
      'tempo',
      'no-such-stroke',
      'limb-twice',
      'no-such-grid',
    ])
  })
})

/** A text for every way in which a text can be refused. */
const REFUSED: Readonly<Record<string, string>> = {
  'too-long': `title: ${'a'.repeat(MAX_TEXT_BYTES)}`,
  version: 'dime-lick: 2',
  'duplicate-key': 'tempo: 80\ntempo: 90',
  meter: 'meter: 7/8 2+2+2',
  tempo: 'tempo: 401',
  goal: 'goal: 19',
  grid: 'grid: 1/12',
  start: 'start: 5',
  stop: 'start: 2\nstop: 2&',
  lead: 'lead: 9',
  groove: 'groove: two words',
  bars: 'bars: 65',
  landing: 'landing: crash bar',
  swing: 'swing: 76',
  'groove swing': 'groove swing: 50 lean 67',
  swell: 'swell: 4..0 ghost>accent',
  part: 'part: 4..0 first',
  kit: 'kit:',
  pickup: 'pickup: RL@1/8RL',
  'empty-layer': 'under: @1/4',
  'too-many-layers': 'under: H\n'.repeat(17),
  'no-such-stroke': 'RLé',
  'level-on-ghost': '>r',
  'level-without-stroke': 'RL>',
  'grace-without-stroke': 'fQ',
  'grace-before-level': 'f>R',
  'grace-on-foot': 'dK',
  'grace-voice-without-grace': 'fR/sn',
  'voice-length': 'R:t12',
  'no-such-voice': 'R:t9',
  'no-such-grid': 'RL@1/12',
  'not-closed': '{RL (RK)',
  'not-opened': 'RL]*2',
  'together-needs-two': '(K)',
  'rest-in-unison': '(R-K)',
  nested: '(R{LL})',
  'limb-twice': '(R:t1R)',
  'no-hand-left': '(XRL)',
  'grace-hand-busy': '(RdL)',
  'too-many-together': '(RLKHJ)',
  'squeeze-needs-two': '{-}',
  'squeeze-over-eight': '{RLRLRLRL-}',
  'repeat-of-nothing': '[@1/8]*2',
  'repeat-count': 'RL*',
  'repeat-not-at-end': 'RL*2K',
  'brackets-need-space': 'RL[RL]*2',
  'too-many-slots': 'grid: 1/64\nline: RLRL*1025',
  'too-many-bars': 'grid: 1/4\nline: RLRL*65',
  'too-deep': '[[[[[[[[[RL]]]]]]]]]',
  'bar-check': 'RLRL | RL',
}

describe('faults', () => {
  it.each([...HEADER_CODES, ...NOTATION_CODES])('%s is told', (code) => {
    expect(codesOf(REFUSED[code] ?? '')).toContain(code)
  })
})

describe('rows of a hostile text', () => {
  /** What the format says of a row, by a pattern that may be slow: the same on short texts. */
  const slowly = (row: string) =>
    row
      .replace(/(?:^|[ \t])#[\s\S]*$/, '')
      .slice('title:'.length)
      .replace(/^[ \t]+|[ \t]+$/g, '')

  it('are read as the format says, whatever blanks and signs stand where (law)', () => {
    const sign = fc.constantFrom(' ', '\t', '#', 'a', 'R', '\u2028', '\u00A0', ':', '-')
    fc.assert(
      fc.property(fc.string({ unit: sign, maxLength: 14 }), (typed) => {
        const [value] = valuesOf(`title:${typed}\nline: R`, 'title')
        expect(value ?? '').toBe(slowly(`title:${typed}`))
      }),
    )
  })
})
