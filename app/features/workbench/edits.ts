import type { LineChange } from '~/codecs/lick-text'
import { formatPhrase } from '~/core/catalogue'
import {
  addSwell,
  type Change,
  changeLick,
  gridAt,
  joinPhrases,
  leaveOut,
  type Phrase,
  phraseOf,
  plainStrokes,
  regroup,
  type SlotRange,
  startsOf,
} from '~/core/changes'
import { continued, continuingOf } from '~/core/fitting'
import { aimOf, frameTicks, type Lick, lickSlots, limbClashes, lineEvents } from '~/core/line'
import { type Letter, type Level, type Limb, REST } from '~/core/sticking'
import { gridTicks, placeName, type Ticks } from '~/core/time'

/** What a change is about: the selected strokes, the groups they lie in, or the whole line. */
export const SCOPES = ['strokes', 'groups', 'line'] as const
export type Scope = (typeof SCOPES)[number]

/** A changed lick on its way to the bench. */
export interface Edit {
  readonly label: string
  readonly lick: Lick
  /** Which slots were typed anew, where only some were. */
  readonly change?: LineChange
  /** What is selected after it. */
  readonly select?: SlotRange
}

/** The slots that a scope means; the whole line where nothing is selected. */
export function scopeRange({ line }: Lick, selection: SlotRange | null, scope: Scope): SlotRange {
  const all = { from: 0, to: line.slots.length }
  if (!selection || scope === 'line') return all
  if (scope === 'strokes') return selection
  let { from, to } = selection
  for (const [i, start] of startsOf(line.groups).entries()) {
    const end = start + (line.groups[i] as number)
    if (start <= selection.from && end > selection.from) from = start
    if (start < selection.to && end >= selection.to) to = end
  }
  return { from, to }
}

/** The edit that puts a phrase in place of a range. */
export function replaceRange(lick: Lick, range: SlotRange, phrase: Phrase, label: string): Edit {
  return {
    label,
    lick: changeLick(lick, range, phrase),
    change: { ...range, typed: formatPhrase(phrase) },
    select: { from: range.from, to: range.from + phrase.slots.length },
  }
}

/** What a named change makes of a range. */
export function changedPhrase(lick: Lick, range: SlotRange, change: Change): Phrase {
  const { beat } = frameTicks(lick.frame)
  const slots = lickSlots(lick)
  return change.apply(phraseOf(lick.line, range), {
    onBeat: (slot) => (slots[range.from + slot]?.tick ?? 1) % beat === 0,
  })
}

/** The edit of a named change. */
export function applyChange(lick: Lick, range: SlotRange, change: Change): Edit {
  return replaceRange(lick, range, changedPhrase(lick, range, change), change.name)
}

/** The edit that lets the plain strokes of a range swell; null where fewer than two would. */
export function swellEdit(lick: Lick, range: SlotRange, start: Level, end: Level): Edit | null {
  if (range.to - range.from < 2 || plainStrokes(lick, range) < 2) return null
  return {
    label: `Swell from ${start} to ${end}`,
    lick: addSwell(lick, range, start, end),
    select: range,
  }
}

/** A phrase put between groups: before the group that the slot lies in, or at the end. */
export function insertPhrase(lick: Lick, slot: number, phrase: Phrase, label: string): Edit {
  const starts = [...startsOf(lick.line.groups), lick.line.slots.length]
  const at = starts.findLast((start) => start <= slot) ?? 0
  return replaceRange(lick, { from: at, to: at }, phrase, label)
}

/** A phrase put before a slot as groups of its own: the group that it falls into is split there. */
export function insertAt(lick: Lick, at: number, phrase: Phrase, label: string): Edit {
  const size = lick.line.slots.length
  const around =
    at < size ? scopeRange(lick, { from: at, to: at + 1 }, 'groups') : { from: size, to: size }
  const before = phraseOf(lick.line, { from: around.from, to: at })
  const after = phraseOf(lick.line, { from: at, to: around.to })
  return {
    ...replaceRange(lick, around, joinPhrases([before, phrase, after]), label),
    select: { from: at, to: at + phrase.slots.length },
  }
}

/** A phrase after the last group. */
export function appendPhrase(lick: Lick, phrase: Phrase, label: string): Edit {
  return insertPhrase(lick, lick.line.slots.length, phrase, label)
}

/**
 * The slots of a range in groups of these sizes. Where the sizes ask for more slots than there are,
 * rests are added, to be filled; what they leave over is a last group.
 */
export function groupAs(lick: Lick, range: SlotRange, sizes: readonly number[]): Edit {
  const { slots } = phraseOf(lick.line, range)
  const asked = sizes.reduce((sum, size) => sum + size, 0)
  const rests = Array.from({ length: Math.max(0, asked - slots.length) }, () => REST)
  const over = Math.max(0, slots.length - asked)
  const groups = over > 0 ? [...sizes, over] : sizes
  return replaceRange(lick, range, { slots: [...slots, ...rests], groups }, 'Group')
}

/** A group cut in two before a slot; null where a group begins there already. */
export function splitAt(lick: Lick, slot: number): Edit | null {
  const groups: number[] = []
  let start = 0
  for (const size of lick.line.groups) {
    const inside = slot > start && slot < start + size
    groups.push(...(inside ? [slot - start, start + size - slot] : [size]))
    start += size
  }
  if (groups.length === lick.line.groups.length) return null
  return { label: 'Split', lick: { ...lick, line: regroup(lick.line, groups) } }
}

/** The groups of a range made one, or where it is one already, joined with the next; null at the end. */
export function joinGroups(lick: Lick, range: SlotRange): Edit | null {
  const { groups } = lick.line
  const starts = startsOf(groups)
  const first = starts.findLastIndex((start) => start <= range.from)
  let last = starts.findLastIndex((start) => start < range.to)
  if (first === last) last += 1
  if (first < 0 || last >= groups.length) return null
  const size = groups.slice(first, last + 1).reduce((sum, one) => sum + one, 0)
  const joined = [...groups.slice(0, first), size, ...groups.slice(last + 1)]
  return { label: 'Join', lick: { ...lick, line: regroup(lick.line, joined) } }
}

/** The groups of a range moved over their neighbour; null at the edge of the line. */
export function moveGroups(lick: Lick, range: SlotRange, way: 'earlier' | 'later'): Edit | null {
  const group = scopeRange(lick, range, 'groups')
  if (way === 'earlier') {
    if (group.from === 0) return null
    const before = scopeRange(lick, { from: group.from - 1, to: group.from }, 'groups')
    return moveRangeTo(lick, group, before.from)
  }
  if (group.to >= lick.line.slots.length) return null
  const after = scopeRange(lick, { from: group.to, to: group.to + 1 }, 'groups')
  return moveRangeTo(lick, group, after.to)
}

/**
 * The group at a slot moved to stand before the group that begins at another, or at the end; null
 * where it would stay where it is.
 */
export function moveGroupTo(lick: Lick, from: number, to: number): Edit | null {
  return moveRangeTo(lick, scopeRange(lick, { from, to: from + 1 }, 'groups'), to)
}

function moveRangeTo(lick: Lick, group: SlotRange, to: number): Edit | null {
  const { line } = lick
  if (to >= group.from && to <= group.to) return null
  const size = group.to - group.from
  const whole = { from: Math.min(group.from, to), to: Math.max(group.to, to) }
  const moved = phraseOf(line, group)
  const rest = phraseOf(
    line,
    to < group.from ? { from: to, to: group.from } : { from: group.to, to },
  )
  const [first, second] = to < group.from ? [moved, rest] : [rest, moved]
  const both = joinPhrases([first, second])
  const at = to < group.from ? to : to - size
  return {
    ...replaceRange(lick, whole, both, 'Move the group'),
    select: { from: at, to: at + size },
  }
}

/** The line begun elsewhere in the bar; a groove that stopped before it still does. */
export function withStart(lick: Lick, start: Ticks): Edit {
  const { frame } = lick
  const stop = frame.stop === null ? null : Math.min(frame.stop, start)
  const place = placeName(start, frame.meter)
  return { label: `Start on ${place}`, lick: { ...lick, frame: { ...frame, start, stop } } }
}

/** The line begun one slot of its grid earlier or later; null at the edge of the bar. */
export function stepStart(lick: Lick, way: 1 | -1): Edit | null {
  const start = lick.frame.start + way * gridTicks(lick.frame.grid)
  return start >= 0 && start < frameTicks(lick.frame).bar ? withStart(lick, start) : null
}

/**
 * What is selected, else the line's pattern, else the whole line, repeated until the space is full;
 * null where nothing is free. Example: `RLLK RRK` goes on with both of its groups.
 */
export function repeatUntilFull(lick: Lick, selection: SlotRange | null = null): Edit | null {
  const { length } = lick.line.slots
  const free = Math.floor(aimOf(lick).left / gridTicks(gridAt(lick.line, length, lick.frame.grid)))
  const added = free > 0 ? continued(continuingOf(lick, selection), free) : null
  if (!added || added.slots.length === 0) return null
  return replaceRange(lick, { from: length, to: length }, added, 'Repeat until full')
}

/** What can be done with the groups of a range, by name; null where there is nothing to do. */
export function groupingEdits(
  lick: Lick,
  selection: SlotRange | null,
  range: SlotRange,
): readonly { readonly label: string; readonly edit: Edit | null }[] {
  const one = selection !== null && selection.to === selection.from + 1
  const several = selection !== null && selection.to - selection.from > 1
  const split = selection ? splitAt(lick, one ? selection.from : selection.to) : null
  return [
    { label: 'Split here', edit: split },
    { label: 'Join', edit: joinGroups(lick, range) },
    { label: 'Move earlier', edit: moveGroups(lick, range, 'earlier') },
    { label: 'Move later', edit: moveGroups(lick, range, 'later') },
    { label: 'Repeat until full', edit: repeatUntilFull(lick, several ? range : null) },
  ]
}

/** Sizes as they are typed: `5 4 7`, `5+4+7`, `5, 4, 7`; undefined where they are none. */
export function findSizes(typed: string): number[] | undefined {
  const words = typed
    .trim()
    .split(/[\s+,]+/)
    .filter(Boolean)
  const sizes = words.map(Number)
  const fine = sizes.every((size) => Number.isInteger(size) && size >= 1 && size <= 256)
  return fine && sizes.length > 0 && sizes.length <= 512 ? sizes : undefined
}

const LETTERS_OF: Readonly<Record<Limb, readonly Letter[]>> = {
  RH: ['R'],
  LH: ['L'],
  XH: ['X'],
  RF: ['K'],
  LF: ['H', 'J'],
}

/** The line without a limb's strokes in the slots where an ostinato wants that limb too. */
export function leaveOutClashing(lick: Lick, limb: Limb): Edit {
  const ticks = new Set(
    limbClashes(lick)
      .filter((clash) => clash.limb === limb)
      .map(({ tick }) => tick),
  )
  const clashing = new Set(
    lineEvents(lick)
      .filter((event) => event.limb === limb && ticks.has(event.tick))
      .map(({ slot }) => slot),
  )
  const slots = lick.line.slots.map((content, slot) =>
    clashing.has(slot)
      ? LETTERS_OF[limb].reduce(
          (left, letter) => leaveOut({ slots: [left], groups: [1] }, letter).slots[0] ?? left,
          content,
        )
      : content,
  )
  const all = { from: 0, to: slots.length }
  return replaceRange(
    lick,
    all,
    { slots, groups: lick.line.groups },
    'Turn clashing strokes into rests',
  )
}
