import {
  changeLick,
  formatPhrase,
  gridAt,
  inPlace,
  joinPhrases,
  type Phrase,
  phraseOf,
  regroup,
  type SlotRange,
  startsOf,
} from '~/core/changes'
import { frameTicks, type Lick, normalGridChanges } from '~/core/line'
import { type Grid, gridName, gridTicks, sameGrid, type Ticks } from '~/core/time'
import type { Voicing } from '~/core/voicing'
import { placeOn } from '~/words/places'
import type { SlotChange } from '../document'
import { groupsAround } from '../selection'

/** A changed lick on its way to the bench. */
export interface Edit {
  readonly label: string
  readonly lick: Lick
  /** Which slots were typed anew, where only some were. */
  readonly change?: SlotChange
  /** The voicing, where that changes too. */
  readonly voicing?: Voicing
  /** What is selected after it. */
  readonly select?: SlotRange | undefined
}

/** The edit that puts a phrase in place of a range; marks go with their slots, by their origins. */
export function replaceRange(
  lick: Lick,
  range: SlotRange,
  phrase: Phrase,
  label: string,
  origins: readonly (number | null)[] = inPlace(range.to - range.from, phrase.slots.length),
): Edit {
  return {
    label,
    lick: changeLick(lick, range, phrase, origins),
    change: { ...range, typed: formatPhrase(phrase), origins },
    select: { from: range.from, to: range.from + phrase.slots.length },
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
    at < size ? groupsAround(lick.line, { from: at, to: at + 1 }) : { from: size, to: size }
  const before = phraseOf(lick.line, { from: around.from, to: at })
  const after = phraseOf(lick.line, { from: at, to: around.to })
  return {
    ...replaceRange(lick, around, joinPhrases([before, phrase, after]), label, [
      ...count(0, before.slots.length),
      ...phrase.slots.map(() => null),
      ...count(before.slots.length, after.slots.length),
    ]),
    select: { from: at, to: at + phrase.slots.length },
  }
}

/** A phrase after the last group. */
export function appendPhrase(lick: Lick, phrase: Phrase, label: string): Edit {
  return insertPhrase(lick, lick.line.slots.length, phrase, label)
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
  const group = groupsAround(lick.line, range)
  if (way === 'earlier') {
    if (group.from === 0) return null
    const before = groupsAround(lick.line, { from: group.from - 1, to: group.from })
    return moveRangeTo(lick, group, before.from)
  }
  if (group.to >= lick.line.slots.length) return null
  const after = groupsAround(lick.line, { from: group.to, to: group.to + 1 })
  return moveRangeTo(lick, group, after.to)
}

/**
 * The group at a slot moved to stand before the group that begins at another, or at the end; null
 * where it would stay where it is, and for slots that are gone by then.
 */
export function moveGroupTo(lick: Lick, from: number, to: number): Edit | null {
  const size = lick.line.slots.length
  if (from >= size || to > size) return null
  return moveRangeTo(lick, groupsAround(lick.line, { from, to: from + 1 }), to)
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
  const [own, others] = [
    count(group.from - whole.from, size),
    count(to < group.from ? 0 : size, rest.slots.length),
  ]
  const origins = to < group.from ? [...own, ...others] : [...others, ...own]
  return {
    ...replaceRange(lick, whole, both, 'Move the group', origins),
    select: { from: at, to: at + size },
  }
}

/** The line begun elsewhere in the bar; a groove that stopped before it still does. */
export function withStart(lick: Lick, start: Ticks): Edit {
  const { frame } = lick
  const stop = frame.stop === null ? null : Math.min(frame.stop, start)
  const place = placeOn(lick, start, frame.grid)
  return { label: `Start on ${place}`, lick: { ...lick, frame: { ...frame, start, stop } } }
}

/** The line begun one slot of its grid earlier or later; null at the edge of the bar. */
export function stepStart(lick: Lick, way: 1 | -1): Edit | null {
  const start = lick.frame.start + way * gridTicks(lick.frame.grid)
  return start >= 0 && start < frameTicks(lick.frame).bar ? withStart(lick, start) : null
}

/** Another grid from a slot on, up to where the line changes it next; null where it has it already. */
export function gridFrom(lick: Lick, slot: number, grid: Grid): Edit | null {
  const { line, frame } = lick
  if (sameGrid(gridAt(line, slot, frame.grid), grid)) return null
  const others = line.gridChanges.filter(({ at }) => at !== slot)
  const changes = [...others, { at: slot, grid }].sort((a, b) => a.at - b.at)
  const gridChanges = normalGridChanges(changes, frame.grid, line.slots.length)
  return {
    label: `On ${gridName(grid)} from slot ${slot + 1}`,
    lick: { ...lick, line: { ...line, gridChanges } },
  }
}

/** So many numbers on from one: `count(3, 2)` is 3, 4. */
function count(from: number, size: number): number[] {
  return Array.from({ length: size }, (_, i) => from + i)
}
