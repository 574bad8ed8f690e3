import { type LickReading, lineTextOf, type SpanMarks } from '~/codecs/lick-text'
import { moveSpans, type SlotMap } from '~/core/changes'
import { type ChangedSpan, changedSpan, joinSpans } from '~/core/editing'
import { hasMarks, moveMarks, type Voicing } from '~/core/voicing'

/** A line as it was when it could be read, and the one place where it has been typed at since. */
interface TypedFrom {
  readonly line: string
  readonly spans: LickReading['spans']
  /** The place in the line as it is typed now. */
  readonly at: ChangedSpan
}

/**
 * Typing at one place of the line: how it was before, and where it has been typed at so far. Notes, swells and
 * named parts are moved from there, not from key to key: of a group that is typed over, each stroke keeps its own,
 * though for a moment most of it was gone. A voice that was struck by hand is its stroke's, and goes with it: it is
 * moved from the last line that could be read.
 */
export interface Typing extends TypedFrom {
  readonly voicing: Voicing
  readonly spanMarks: SpanMarks
  /** Since the last line that could be read. */
  readonly read: TypedFrom
}

interface Typed {
  /** The document's text before the key, and the last that could be read. */
  readonly text: string
  readonly goodText: string
  readonly good: LickReading
  readonly voicing: Voicing
  readonly typing: Typing | null
}

/** The typing that a key goes on with or begins; null where nothing hangs on single slots. */
export function typingAfter(before: Typed, typed: string, caret: number): Typing | null {
  const { text, goodText, good, voicing, typing } = before
  const { frame, parts } = good.lick
  const spanMarks = { swells: frame.swells, parts }
  const hangs = hasMarks(voicing) || frame.swells.length > 0 || parts.length > 0
  if (!typing && !hangs) return null
  const key = changedSpan(lineTextOf(text), typed, caret)
  const at = typing && joinSpans(typing.at, key)
  const line = lineTextOf(goodText)
  const now = { line, spans: good.spans, at: changedSpan(line, typed, caret) }
  const since = typing && text !== goodText ? joinSpans(typing.read.at, key) : null
  const read = typing && since ? { ...typing.read, at: since } : now
  if (typing && at) return { ...typing, at, read }
  return hangs ? { ...now, voicing, spanMarks, read } : null
}

/**
 * Pins, notes, swells and named parts where their strokes are, once the typed line can be read; `before` is the
 * voicing as it was before the last key.
 */
export function typedMarks(
  typing: Typing,
  now: LickReading,
  before: Voicing,
): { readonly voicing: Voicing; readonly spanMarks: SpanMarks } {
  const map = typedMap(typing, now)
  const { swells, parts } = typing.spanMarks
  const { pins } = moveMarks(before, strokeMap(typing.read, now))
  return {
    voicing: { ...moveMarks(typing.voicing, map), pins },
    spanMarks: { swells: moveSpans(swells, map), parts: moveSpans(parts, map) },
  }
}

/**
 * What typing did to the strokes: one that was typed over by another is that one, rounds that a sign adds are
 * copies, and what is gone is gone.
 */
function strokeMap(from: TypedFrom, now: LickReading): SlotMap {
  const to = slotsAfter(from, now, false)
  const origins: (number | null)[] = now.spans.map(() => null)
  for (let slot = 0; slot < from.spans.length; slot += 1) {
    const went = to(slot)
    if (went !== null && (origins[went] ?? null) === null) origins[went] = slot
  }
  const first = new Map<number, number>()
  for (const [slot, { from: place }] of now.spans.entries()) {
    const origin = origins[slot] ?? null
    const known = first.get(place)
    if (origin !== null && known === undefined) first.set(place, origin)
    else if (origin === null && known !== undefined) origins[slot] = known
  }
  return { before: from.spans.length, origins }
}

/** What typing at one place did to the slots: the map of it. */
export function typedMap(typing: Typing, now: LickReading): SlotMap {
  const to = slotsAfter(typing, now, true)
  const before = typing.spans.length
  const origins: (number | null)[] = now.spans.map(() => null)
  for (let slot = 0; slot < before; slot += 1) {
    const went = to(slot)
    if (went === null || (origins[went] ?? null) !== null) continue
    // Behind the last stroke marks wait for the strokes to come back.
    while (origins.length <= went) origins.push(null)
    origins[went] = slot
  }
  return { before, origins }
}

/**
 * Where each slot went; null for one whose stroke is gone. With `waits`, strokes that are typed over keep their
 * order whatever their number, and those behind the last one wait to come back.
 */
function slotsAfter(
  { line, spans, at }: TypedFrom,
  now: LickReading,
  waits: boolean,
): (slot: number) => number | null {
  const grown = at.afterTo - at.beforeTo
  const [old, next] = [byPlace(spans), byPlace(now.spans)]
  const changed = { from: at.from, to: at.beforeTo }
  const oldMiddle = startsIn(spans, changed)
  const newMiddle = startsIn(now.spans, { from: at.from, to: at.afterTo })
  const atEnd = waits && at.beforeTo >= line.trimEnd().length
  const inOrder = waits || oldMiddle.length === newMiddle.length
  return (slot) => {
    const span = spans[slot]
    // A mark beyond the end of the line waits there for strokes to come.
    if (!span) return slot
    const round = old.from.get(span.from)?.indexOf(slot) ?? 0
    // Signs are typed before a stroke as well as behind it: each side is known by its far end.
    if (span.to <= changed.from) return next.from.get(span.from)?.[round] ?? null
    if (span.from >= changed.to) return next.to.get(span.to + grown)?.[round] ?? null
    const place = inOrder ? newMiddle[oldMiddle.indexOf(span.from)] : undefined
    if (place === undefined) return atEnd ? slot : null
    return next.from.get(place)?.[round] ?? null
  }
}

/** The slots that begin and end at each offset: of a repeated group one a round. */
function byPlace(spans: LickReading['spans']) {
  const places = { from: new Map<number, number[]>(), to: new Map<number, number[]>() }
  for (const [slot, span] of spans.entries()) {
    for (const edge of ['from', 'to'] as const) {
      const slots = places[edge].get(span[edge])
      if (slots) slots.push(slot)
      else places[edge].set(span[edge], [slot])
    }
  }
  return places
}

/** Where the strokes begin that touch a stretch of the line, each place once. */
function startsIn(
  spans: LickReading['spans'],
  { from, to }: { readonly from: number; readonly to: number },
): number[] {
  const touching = spans.filter((span) => span.to > from && span.from < to)
  return [...new Set(touching.map((span) => span.from))].sort((a, b) => a - b)
}
