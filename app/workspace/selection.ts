import { lineTextOf } from '~/codecs/lick-text'
import { type SlotRange, startsOf } from '~/core/changes'
import type { Line } from '~/core/line'
import type { BenchDocument } from './document'

/** A stretch of the typed line, in characters from its start. */
export interface TextRange {
  readonly from: number
  readonly to: number
}

/**
 * What is marked: exactly these slots, also where that is one; null at the end of the line, or where the
 * line cannot be read. A change is about what is marked, and about the whole line where nothing is.
 */
export interface Selection {
  readonly range: SlotRange | null
  /** Whether it is a bare caret, which means the stroke that it stands before. */
  readonly caret: boolean
  /** The slot from which the selection is extended. */
  readonly anchor: number
  /** The slot that moves when it is. */
  readonly head: number
  /** The same in the typed line; of the later rounds of a repeat, nothing. */
  readonly text: TextRange
}

export const NOTHING_SELECTED: Selection = {
  range: null,
  caret: true,
  anchor: 0,
  head: 0,
  text: { from: 0, to: 0 },
}

type Read = Pick<BenchDocument, 'good' | 'goodText' | 'history'>

/**
 * The selection that the typed line shows. A caret means the stroke that it stands before or in; a stretch
 * means every stroke that it touches. A repeat that it covers, or whose sign it touches, it means in all its
 * rounds; of one that it only touches inside, the first round.
 *
 * @example in `RL RK`, a caret before `K` means slot 3, and one behind it means none
 * @example in `RLK*4`, `RLK` means twelve slots, and `LK` the second and the third
 */
export function selectionAt({ good, goodText, history }: Read, text: TextRange): Selection {
  const { from, to } = text
  const caret = from === to
  const none = { range: null, caret, anchor: good.spans.length, head: good.spans.length, text }
  if (history.text !== goodText) return none
  if (caret) {
    const slot = good.spans.findIndex((span) => span.to > from)
    return slot < 0 ? none : { ...none, ...oneSlot(slot) }
  }
  const first = good.spans.findIndex((span) => touches(text, span))
  if (first < 0) return none
  const range = { from: first, to: endOfStretch(good.spans, text, first) }
  return { ...none, range, anchor: range.from, head: range.to - 1 }
}

function touches(text: TextRange, span: TextRange): boolean {
  return span.from < text.to && span.to > text.from
}

/** Behind the last slot that a stretch of text means, from its first one on. */
function endOfStretch(spans: readonly TextRange[], text: TextRange, first: number): number {
  let last = first
  for (;;) {
    const [now, next] = [spans[last], spans[last + 1]]
    if (!now || !next) return spans.length
    if (next.from > now.from) {
      if (!touches(text, next)) return last + 1
      last += 1
      continue
    }
    // The next round of a repeat stands where the one before does: it goes from its first stroke to this one.
    const covered = text.from < next.to && text.to >= now.to
    if (!(covered || text.to > now.to)) return last + 1
    while (inside(spans[last + 1], { from: next.from, to: now.to })) last += 1
  }
}

function inside(span: TextRange | undefined, { from, to }: TextRange): boolean {
  return span !== undefined && span.from >= from && span.to <= to
}

function oneSlot(slot: number) {
  return { range: { from: slot, to: slot + 1 }, anchor: slot, head: slot }
}

/** The selection from a slot to another, either way round; slots outside the line are its ends. */
export function selectionOf(document: Read, anchor: number, head: number): Selection {
  const last = document.good.spans.length - 1
  if (last < 0) return NOTHING_SELECTED
  const inside = (slot: number) => Math.max(0, Math.min(last, slot))
  const [a, b] = [inside(anchor), inside(head)]
  const range = { from: Math.min(a, b), to: Math.max(a, b) + 1 }
  return { range, caret: false, anchor: a, head: b, text: textOf(document, range) }
}

/** Where slots stand in the typed line; the caret's place before them where they stand in no stretch. */
function textOf({ good: { spans } }: Read, { from, to }: SlotRange): TextRange {
  const [first, last] = [spans[from], spans[to - 1]]
  if (!first || !last) return { from: 0, to: 0 }
  return first.from < last.to
    ? { from: first.from, to: last.to }
    : { from: first.from, to: first.from }
}

/** The selection behind the last stroke, where what is typed next goes. */
export function selectionAtEnd({ good, history }: Read): Selection {
  const end = lineTextOf(history.text).length
  const slot = good.spans.length
  return { range: null, caret: true, anchor: slot, head: slot, text: { from: end, to: end } }
}

/**
 * The groups that a range lies in; the same range where it is whole groups already.
 * Example: in groups of 5 and 3, slots 4 to 6 widen to 0 to 8.
 */
export function groupsAround({ groups }: Pick<Line, 'groups'>, range: SlotRange): SlotRange {
  let { from, to } = range
  for (const [i, start] of startsOf(groups).entries()) {
    const end = start + (groups[i] as number)
    if (start <= range.from && end > range.from) from = start
    if (start < range.to && end >= range.to) to = end
  }
  return { from, to }
}

/** The next wider selection: the groups around it, then the whole line. */
export function widened(line: Line, range: SlotRange | null): SlotRange {
  const all = { from: 0, to: line.slots.length }
  if (!range) return all
  const groups = groupsAround(line, range)
  return groups.from === range.from && groups.to === range.to ? all : groups
}

/** How far a step of a key goes. */
export type StepUnit = 'slot' | 'group' | 'end'

/** The slot that a step from another one comes to; the ends of the line stop it. */
export function steppedSlot(line: Line, from: number, way: 1 | -1, unit: StepUnit): number {
  const last = Math.max(0, line.slots.length - 1)
  if (unit === 'end') return way === 1 ? last : 0
  if (unit === 'slot') return Math.max(0, Math.min(last, from + way))
  const starts = startsOf(line.groups)
  const next =
    way === 1 ? starts.find((start) => start > from) : starts.findLast((start) => start < from)
  return next ?? (way === 1 ? last : 0)
}

/** A selection as a document can have it: slots that are gone are let go, its text is where they are. */
export function settled(document: Read, selection: Selection): Selection {
  const { range, caret, text, anchor, head } = selection
  const size = document.good.spans.length
  const most = lineTextOf(document.history.text).length
  if (!range) {
    if (text.to <= most) return selection
    return size === 0 ? NOTHING_SELECTED : selectionAtEnd(document)
  }
  if (caret)
    return text.to <= most && range.to <= size
      ? selection
      : selectionAt(document, { from: most, to: most })
  if (range.from >= size) return selectionAtEnd(document)
  return selectionOf(document, anchor, Math.min(head, size - 1))
}
