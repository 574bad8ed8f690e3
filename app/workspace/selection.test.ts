import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { formatLickText, lineTextOf } from '~/codecs/lick-text'
import * as random from '../../tests/support/arbitraries'
import { openDocument, runCommand } from './document'
import { groupsAround, selectionAt, selectionOf, steppedSlot, widened } from './selection'

const open = (text: string) => openDocument({ text, draft: null, voicing: '' })
const at = (text: string, from: number, to = from) => selectionAt(open(text), { from, to }).range

describe('what the typed line marks', () => {
  it.each([
    ['a caret before a stroke means it', 'line: RL RK', 0, 0, { from: 0, to: 1 }],
    ['a caret between strokes means the next', 'line: RL RK', 1, 1, { from: 1, to: 2 }],
    ['a caret on the space means the next group’s first', 'line: RL RK', 2, 2, { from: 2, to: 3 }],
    ['a caret inside a stroke’s signs means it', 'line: >R:t1l', 2, 2, { from: 0, to: 1 }],
    ['a caret at the end means none', 'line: RL RK', 5, 5, null],
    ['one stroke is one stroke', 'line: RLLRK RLK', 2, 3, { from: 2, to: 3 }],
    ['a repeat means all its rounds', 'line: RL*2 (RK)L', 0, 2, { from: 0, to: 4 }],
    ['all means all', 'line: RLK RLK*4 R', 0, 11, { from: 0, to: 16 }],
    ['to the end means all that is left', 'line: RLK RLK*4', 5, 9, { from: 4, to: 15 }],
    ['a sign means its repeat', 'line: RLK*4 R', 2, 5, { from: 2, to: 12 }],
    ['inside a repeat is its first round', 'line: RLK*4 R', 1, 2, { from: 1, to: 2 }],
    ['its end without its sign is in the first round', 'line: RLK*4 R', 1, 3, { from: 1, to: 3 }],
    ['into a repeat is up to there', 'line: RR RLK*4 R', 0, 5, { from: 0, to: 4 }],
    ['of repeats within repeats all', 'line: [RL K*2]*3 R', 1, 8, { from: 0, to: 12 }],
    ['one within another is of its first round', 'line: [RL K*2]*3 R', 4, 5, { from: 2, to: 4 }],
    ['a unison is one slot', 'line: RL*2 (RK)L', 6, 8, { from: 4, to: 5 }],
  ])('%s', (_, text, from, to, expected) => expect(at(text, from, to)).toEqual(expected))

  it('is nothing while the line cannot be read', () => {
    const broken = runCommand(open('line: RL'), { kind: 'type-line', typed: 'RL(', caret: 3 })
    expect(selectionAt(broken, { from: 0, to: 1 }).range).toBeNull()
  })

  it('means all of the line by all of its text, and by its beginning and its end what stands there (law)', () => {
    fc.assert(
      fc.property(random.lick, fc.nat(), (lick, a) => {
        const text = formatLickText(lick)
        const { spans } = open(text).good
        fc.pre(spans.length > 0)
        const typed = lineTextOf(text)
        expect(at(text, 0, typed.length)).toEqual({ from: 0, to: spans.length })
        const place = spans[a % spans.length]?.from as number
        const first = spans.findIndex(({ from }) => from === place)
        expect(at(text, place, typed.length)).toEqual({ from: first, to: spans.length })
        if (place > 0 && first > 0) expect(at(text, 0, place)).toEqual({ from: 0, to: first })
      }),
      { numRuns: 300 },
    )
  })

  it('finds again in the text every stretch of slots that it marks there', () => {
    fc.assert(
      fc.property(random.lick, fc.nat(), fc.nat(), (lick, a, b) => {
        const document = open(formatLickText(lick))
        const size = document.good.spans.length
        fc.pre(size > 0)
        const marked = selectionOf(document, a % size, b % size)
        expect(marked.range).toEqual({
          from: Math.min(a % size, b % size),
          to: Math.max(a % size, b % size) + 1,
        })
        const { spans } = document.good
        const repeats = spans.some(({ from }, i) => i > 0 && from <= (spans[i - 1]?.from ?? -1))
        if (repeats) return
        expect(selectionAt(document, marked.text).range).toEqual(marked.range)
      }),
      { numRuns: 200 },
    )
  })
})

describe('a wider selection', () => {
  const line = open('line: RLLRK RLK RL').good.lick.line

  it.each([
    [
      { from: 3, to: 6 },
      { from: 0, to: 8 },
    ],
    [
      { from: 5, to: 8 },
      { from: 5, to: 8 },
    ],
    [
      { from: 9, to: 10 },
      { from: 8, to: 10 },
    ],
  ])('is the groups around %o', (range, expected) =>
    expect(groupsAround(line, range)).toEqual(expected),
  )

  it('is the group, then the line, and stays that', () => {
    const group = widened(line, { from: 6, to: 7 })
    expect([group, widened(line, group), widened(line, widened(line, group))]).toEqual([
      { from: 5, to: 8 },
      { from: 0, to: 10 },
      { from: 0, to: 10 },
    ])
  })

  it('is stepped by slots, groups and ends, and never leaves the line', () => {
    expect([
      steppedSlot(line, 0, -1, 'slot'),
      steppedSlot(line, 4, 1, 'slot'),
      steppedSlot(line, 1, 1, 'group'),
      steppedSlot(line, 7, -1, 'group'),
      steppedSlot(line, 8, 1, 'group'),
      steppedSlot(line, 3, 1, 'end'),
    ]).toEqual([0, 5, 5, 5, 9, 9])
  })
})
