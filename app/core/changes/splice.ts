import { type Lick, type Line, normalGridChanges } from '../line'
import type { Grid } from '../time'
import type { Phrase, SlotRange } from './phrase'
import { inPlace, spliceMap } from './slot-map'
import { moveSpans } from './swells'

/**
 * A line with the slots of a range replaced by a phrase. Groups outside stay; a group that the
 * range cuts stays one where the phrase does not begin or end it. Slots after the range keep the
 * grid that they stood on. `base` is the grid of slot 0.
 */
export function replaceSlots(line: Line, range: SlotRange, phrase: Phrase, base: Grid): Line {
  const { from, to } = range
  const grown = phrase.slots.length - (to - from)
  const slots = [...line.slots.slice(0, from), ...phrase.slots, ...line.slots.slice(to)]
  return {
    slots,
    groups: joinGroups(line, range, phrase),
    gridChanges: normalGridChanges(moveGridChanges(line, range, grown, base), base, slots.length),
  }
}

function joinGroups(line: Line, { from, to }: SlotRange, phrase: Phrase): number[] {
  const total = line.slots.length - (to - from) + phrase.slots.length
  const starts = new Set<number>()
  for (const start of [...startsOf(line.groups), line.slots.length]) {
    if (start <= from) starts.add(start)
    if (start >= to) starts.add(start - to + from + phrase.slots.length)
  }
  for (const start of startsOf(phrase.groups)) if (start > 0) starts.add(from + start)
  starts.add(0)
  const ordered = [...starts].filter((start) => start < total).sort((a, b) => a - b)
  return ordered.map((start, i) => (ordered[i + 1] ?? total) - start)
}

/**
 * The first slot of each group.
 *
 * @example startsOf([3, 2, 4]) // [0, 3, 5]
 */
export function startsOf(groups: readonly number[]): number[] {
  let start = 0
  return groups.map((size) => {
    const first = start
    start += size
    return first
  })
}

/**
 * The grid that slot `at` stands on.
 *
 * @example gridName(gridAt(lickOf('grid: 1/8\nline: RL @1/16 RLRL').line, 3, findGrid('1/8'))) // '1/16'
 */
export function gridAt(line: Line, at: number, base: Grid): Grid {
  return line.gridChanges.findLast((change) => change.at <= at)?.grid ?? base
}

function moveGridChanges(line: Line, { from, to }: SlotRange, grown: number, base: Grid) {
  const before = line.gridChanges.filter(({ at }) => at < from)
  const inside = line.gridChanges.filter(({ at }) => at >= from && at < to && at < to + grown)
  const after = { at: to + grown, grid: gridAt(line, to, base) }
  const beyond = line.gridChanges
    .filter(({ at }) => at > to)
    .map(({ at, grid }) => ({ at: at + grown, grid }))
  return [...before, ...inside, after, ...beyond]
}

/**
 * A lick with a range of its line replaced by a phrase; its swells go with their slots.
 *
 * @example formatLine(changeLick(lickOf('line: RLLK'), { from: 0, to: 2 }, phrase('KK'), [0, 1]).line) // 'KKLK'
 */
export function changeLick(
  lick: Lick,
  range: SlotRange,
  phrase: Phrase,
  origins: readonly (number | null)[] = inPlace(range.to - range.from, phrase.slots.length),
): Lick {
  const { frame, parts } = lick
  const line = replaceSlots(lick.line, range, phrase, frame.grid)
  if (frame.swells.length + parts.length === 0) return { ...lick, line }
  const map = spliceMap(lick.line.slots.length, range, origins)
  const swells = moveSpans(frame.swells, map)
  return { ...lick, line, frame: { ...frame, swells }, parts: moveSpans(parts, map) }
}

/**
 * A line with its slots in other groups; `groups` sum to the slots.
 *
 * @example regroup(lickOf('line: RLRL').line, [1, 3]).groups // [1, 3]
 */
export function regroup(line: Line, groups: readonly number[]): Line {
  const total = groups.reduce((sum, size) => sum + size, 0)
  if (total !== line.slots.length || groups.some((size) => size < 1)) {
    throw new RangeError(`groups ${groups.join('+')}: must sum to ${line.slots.length}`)
  }
  return { ...line, groups }
}
