import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { formatLickText } from '~/codecs/lick-text'
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
    ['a repeat means its first round', 'line: RL*2 (RK)L', 0, 2, { from: 0, to: 2 }],
    ['a unison is one slot', 'line: RL*2 (RK)L', 6, 8, { from: 4, to: 5 }],
  ])('%s', (_, text, from, to, expected) => expect(at(text, from, to)).toEqual(expected))

  it('is nothing while the line cannot be read', () => {
    const broken = runCommand(open('line: RL'), { kind: 'type-line', typed: 'RL(', caret: 3 })
    expect(selectionAt(broken, { from: 0, to: 1 }).range).toBeNull()
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
