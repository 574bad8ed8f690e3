import { describe, expect, it } from 'vitest'
import { toFrame, type WrittenQuestion } from '~/codecs/question'
import { DEFAULT_COUNTING } from '~/core/time'
import { lickOf } from '../../tests/support/licks'
import {
  accentsWords,
  bearsWords,
  cellsWords,
  endsWords,
  finderTroubleWords,
  formsWords,
  foundTitle,
  foundWords,
  kicksWords,
  orderWords,
  pickWords,
  questionFaultWords,
  spaceWords,
  tasteWords,
  wayNumberWords,
  waysWords,
  withoutWords,
} from './finder-words'

const PLAIN: WrittenQuestion = {
  format: 'dime-stack-question',
  version: 1,
  frame: toFrame(lickOf('start: 2&\nbars: 2\nline: R')),
  cells: [],
  inversions: false,
  mirrors: false,
  cut: false,
  conditions: {},
  taste: {},
}
const asking = (conditions: WrittenQuestion['conditions']) => ({ ...PLAIN, conditions })
const cells = (...lines: string[]) => ({ ...PLAIN, cells: lines.map((line) => ({ line })) })

describe('a question in words', () => {
  it('says that nothing is asked', () => {
    expect([
      spaceWords(PLAIN, DEFAULT_COUNTING),
      cellsWords(PLAIN),
      formsWords(PLAIN),
      orderWords(PLAIN),
      endsWords(PLAIN),
      accentsWords(PLAIN, DEFAULT_COUNTING),
      kicksWords(PLAIN),
      bearsWords(PLAIN),
      tasteWords(PLAIN),
    ]).toEqual([
      '2 bars of 4/4 from 2& in sixteenths',
      'no cells yet',
      'as they are',
      'in any order',
      'starts and ends anyhow',
      'accents anywhere',
      'any kicks',
      'it plays at any tempo',
      '',
    ])
  })

  it('says what is asked', () => {
    expect(cellsWords(cells('RLK', 'RL', 'K'))).toBe('RLK, RL and K')
    expect(cellsWords(cells('A', 'B', 'C', 'D', 'E'))).toBe('A, B, C and 2 more')
    const pattern = { put: 'kick', lead: 'R', least: 0, most: 8, apart: true } as const
    const words = (part: object) => cellsWords({ ...PLAIN, pattern: { ...pattern, ...part } })
    expect(words({})).toBe('natural sticking with up to 8 kicks, never side by side')
    expect(words({ put: 'flam', least: 2, most: 4, apart: false })).toBe(
      'natural sticking with 2 to 4 flams',
    )
    const accent = { ...pattern, put: 'accent', least: 1, most: 1, apart: false } as const
    const onLine = { ...PLAIN, frame: 'line: RLLR', pattern: accent }
    expect(cellsWords(onLine)).toBe('the line with 1 accent')
    expect(cellsWords({ ...onLine, frame: 'bars: 1' })).toBe('natural sticking with 1 accent')
    expect(formsWords({ ...PLAIN, inversions: true, mirrors: true, cut: true })).toBe(
      'begun at any stroke, led by either hand, the last one cut to fit',
    )
    expect(endsWords(asking({ starts: ['R'], ends: ['R', 'L'], free: 'K' }))).toBe(
      'starts with the right, ends with RL and leaves the kick free for the landing',
    )
    const places = { must: [6, 2], not: [0] }
    expect(accentsWords(asking({ accents: { ...places, put: true } }), DEFAULT_COUNTING)).toBe(
      'accents on 3 and 4, no accent on 2&',
    )
    expect(accentsWords(asking({ accents: places }), DEFAULT_COUNTING)).toBe(
      'its own accents on 3 and 4, no accent on 2&',
    )
    expect(kicksWords(asking({ kicks: { least: 1, most: 1 }, kicksApart: true }))).toBe(
      '1 kick, never two in a row',
    )
    expect(kicksWords(asking({ kicks: { least: 0, most: 4 } }))).toBe('0 to 4 kicks')
    expect(bearsWords(asking({ speed: 126, runs: 2, linear: 'alone', clear: true }))).toBe(
      'it plays at 126, no limb strikes more than twice in a row, limbs strike one at a time and nothing clashes with what sounds under it',
    )
    expect(
      orderWords(
        asking({ inRow: 2, sizes: 'rising', grouping: { sizes: [5, 3], ordered: false } }),
      ),
    ).toBe('as 5 3 in any order, never getting smaller, no cell more than 2 in a row')
    expect(tasteWords({ ...PLAIN, taste: { kicks: 1, repeats: -2, like: 1 } })).toBe(
      'more kicks, groups that differ and close to the line',
    )
  })

  it('says what it comes to', () => {
    expect([0n, 1n, 41_208n].map(waysWords)).toEqual(['no way', '1 way', '41,208 ways'])
    expect(withoutWords(['accents', 'speed'])).toBe('without the accents and the tempo')
    expect(foundWords({ limit: 136.4, free: 'LH', kicks: 1, unlike: 6 })).toBe(
      '1 kick · up to 136 · left hand free to land · 6 slots unlike the line',
    )
    expect(foundWords({ limit: null, free: 'both', kicks: 0, unlike: null })).toBe(
      'no kick · at any tempo · both hands free to land',
    )
    expect(foundWords({ limit: null, free: 'both', kicks: 2, unlike: 0 })).toContain(
      'the line itself',
    )
    expect(bearsWords({ ...PLAIN, conditions: { fresh: 1 } })).toBe('it is none of your licks')
    expect(bearsWords({ ...PLAIN, conditions: { speed: 120, fresh: 3 } })).toBe(
      'it plays at 120 and it differs from each of your licks in at least 3 slots',
    )
    expect(orderWords({ ...PLAIN, conditions: { sizes: 'mirrored' } })).toBe(
      'the same sizes forwards and back',
    )
    expect(accentsWords({ ...PLAIN, conditions: { backbeat: 'L' } }, DEFAULT_COUNTING)).toBe(
      'accents anywhere and the left on every backbeat',
    )
    expect(pickWords({ seed: 17 })).toBe('drawn with seed 17')
    expect(pickWords({ number: 1234n })).toBe('number 1,234')
    expect(wayNumberWords(null, 55n)).toBe('1 to 55')
    expect(wayNumberWords(17n, 1n << 64n)).toBe('17 of 18,446,744,073,709,551,616')
    expect(foundTitle([5, 5, 3])).toBe('Fill of 5, 5 and 3')
    expect(foundTitle(Array.from({ length: 60 }, () => 5)).length).toBeLessThanOrEqual(80)
  })

  it('says what is wrong, and what to do', () => {
    expect(finderTroubleWords('kicks')).toBe(
      'This question has too many cases to count. Leave out the number of kicks, or take fewer cells or fewer slots.',
    )
    expect(finderTroubleWords('cells')).toBe(
      'This question has too many cases to count. Take fewer or shorter cells.',
    )
    expect(finderTroubleWords('A part of the app could not be loaded.')).toBe(
      'The finder has stopped. Reload the page to ask again.',
    )
    expect(questionFaultWords({ code: 'cell', cell: 'RQ' })).toBe(
      'The cell RQ can’t be read. Type strokes such as RLK.',
    )
    expect(questionFaultWords({ code: 'no-cells' })).toBe('Add a cell to make fills of.')
  })
})
