import { type GridChange, type Line, MAX_SLOTS } from '../line'
import { MAX_SQUEEZE, REST, type Rest, type SlotContent, type Struck } from '../sticking'
import { gridTicks, TICKS_PER_QUARTER } from '../time'
import { bySlot, earlyIn, type GridStretch, partsOf, type Tolerance } from './grids'
import { type Onset, tickOn } from './onsets'

/** The slots of a line, and how far each stroke was from its place, in ticks. */
export function layOn(
  onsets: readonly Onset[],
  stretches: readonly GridStretch[],
  begin: number,
  tolerance: Tolerance,
  leftOut: string[],
): { slots: SlotContent[]; offsets: number[] } {
  const slots: SlotContent[] = []
  const offsets: number[] = []
  let taken = 0
  let crowded = 0
  for (const { from, to, grid } of stretches) {
    const slot = gridTicks(grid)
    const mine: Onset[] = []
    const isLast = to === stretches.at(-1)?.to
    while (taken < onsets.length) {
      const onset = onsets[taken] as Onset
      if (
        !isLast &&
        (tickOn(onset, grid) - begin - from) / slot + earlyIn(tolerance) >= (to - from) / slot
      )
        break
      mine.push(onset)
      taken += 1
    }
    const count = Math.round((to - from) / slot)
    const by = bySlot(
      mine.map((onset) => Math.min(to - 1, Math.max(from, tickOn(onset, grid) - begin))),
      from,
      slot,
      tolerance,
    )
    let next = 0
    for (let i = 0; i < count; i += 1) {
      const within = by.get(i) ?? []
      const struck = mine.slice(next, next + within.length)
      next += within.length
      const made = contentOf(struck, within, from + i * slot, slot, tolerance)
      offsets.push(
        ...made.places.map((place, at) => tickOn(struck[at] as Onset, grid) - begin - place),
      )
      slots.push(made.content)
      crowded += made.crowded
    }
  }
  if (crowded > 0) leftOut.push(`${crowded} strokes that do not find a place on this grid.`)
  return { slots, offsets }
}

/** What strikes in a slot, and where in the line each of its strokes lies now, in ticks. */
function contentOf(
  struck: readonly Onset[],
  within: readonly number[],
  at: number,
  slot: number,
  tolerance: Tolerance,
): { content: SlotContent; places: number[]; crowded: number } {
  if (struck.length === 0) return { content: REST, places: [], crowded: 0 }
  const as = ({ strokes }: Onset): Struck => ({ kind: 'struck', strokes })
  const [only] = struck
  const alone = tolerance.spread !== undefined && struck.length === 1
  const parts = alone ? undefined : partsOf(within, at, slot, tolerance)
  if (only && struck.length === 1 && (!parts || parts.count === 1))
    return { content: as(only), places: [at], crowded: 0 }
  // Where no division explains them, they share the slot in their order.
  const kept = struck.slice(0, MAX_SQUEEZE)
  const count = parts?.count ?? Math.max(2, kept.length)
  const places = parts?.places ?? kept.map((_, i) => i)
  const pieces: (Rest | Struck)[] = Array.from({ length: count }, () => REST)
  for (const [i, onset] of kept.entries()) pieces[places[i] as number] = as(onset)
  return {
    content: { kind: 'squeeze', parts: pieces },
    places: kept.map((_, i) => at + Math.floor(((places[i] as number) * slot) / count)),
    crowded: struck.length - kept.length,
  }
}

/** Slots in groups of a quarter each, with the changes of grid; cut at `end` where the line lands there. */
export function toLine(
  slots: readonly SlotContent[],
  stretches: readonly GridStretch[],
  end: number | undefined,
): Line {
  const gridChanges: GridChange[] = []
  const groups: number[] = []
  const kept: SlotContent[] = []
  let at = 0
  for (const [i, { from, to, grid }] of stretches.entries()) {
    const slot = gridTicks(grid)
    const stop = Math.min(to, end ?? to)
    const count = Math.max(0, Math.round((stop - from) / slot))
    if (i > 0 && count > 0) gridChanges.push({ at: kept.length, grid })
    const room = Math.min(count, MAX_SLOTS - kept.length)
    kept.push(...slots.slice(at, at + room))
    at += Math.round((to - from) / slot)
    const group = Math.max(1, Math.round(TICKS_PER_QUARTER / slot))
    for (let left = room; left > 0; left -= group) groups.push(Math.min(group, left))
  }
  const length = end === undefined ? trimmedLength(kept) : kept.length
  return trimmed({ slots: kept, groups, gridChanges }, length)
}

/** A line that lands on nothing ends with its last stroke. */
function trimmedLength(slots: readonly SlotContent[]): number {
  return slots.findLastIndex(({ kind }) => kind !== 'rest') + 1
}

function trimmed({ slots, groups, gridChanges }: Line, length: number): Line {
  const kept: number[] = []
  let left = length
  for (const group of groups) {
    if (left > 0) kept.push(Math.min(group, left))
    left -= group
  }
  return {
    slots: slots.slice(0, length),
    groups: kept,
    gridChanges: gridChanges.filter((change) => change.at < length),
  }
}
