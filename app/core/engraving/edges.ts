import { type Lick, lickSlots } from '../line'
import { gridTicks, type Ticks, type Window } from '../time'
import { type Edges, shownPickup } from './atoms'
import { isPlain } from './values'

interface Surroundings {
  /** Where the groove falls silent. */
  readonly stop: Ticks
  readonly start: Ticks
  readonly end: Ticks
  /** Where something else is written again behind the line, or the bar ends. */
  readonly limit: Ticks
  /** The groove's onsets where they are written out. */
  readonly onsets: readonly Ticks[]
  readonly windowAround: (tick: Ticks) => Window
}

/**
 * A line that begins or ends within a tuplet: what is missing of it is written on the line's own
 * grid, under the same bracket, since no plain value lasts that long. Elsewhere, and where the groove
 * or the beat does not lie on that grid, the line is written from its start to its end.
 */
export function edgesOf(lick: Lick, around: Surroundings): Edges {
  const { start, end, stop, limit, onsets, windowAround } = around
  const slots = lickSlots(lick)
  const grid = shownPickup(lick)[0]?.grid ?? slots[0]?.grid ?? lick.frame.grid
  const first = gridTicks(grid)
  const last = gridTicks(slots.at(-1)?.grid ?? lick.frame.grid)
  const { from } = windowAround(start)
  const to = Math.min(limit, windowAround(Math.max(start, end - 1)).to)
  return {
    before: leadFrom(start - plainAfter(start - from, first), first, { start, stop, onsets }),
    after: end + plainAfter(to - end, last),
  }
}

/** How many ticks of slots come before what plain values can say of a distance; 0 where none do. */
function plainAfter(distance: Ticks, slot: Ticks): Ticks {
  for (let ticks = 0; ticks <= distance; ticks += slot) if (isPlain(distance - ticks)) return ticks
  return 0
}

/** Where the grid is written from, if groove and silence lie on it there; else from the silence on. */
function leadFrom(
  from: Ticks,
  slot: Ticks,
  { start, stop, onsets }: Pick<Surroundings, 'start' | 'stop' | 'onsets'>,
): Ticks {
  const reaches = (tick: Ticks) => tick >= from && tick < start && (start - tick) % slot === 0
  const silence = stop <= from || stop === start || reaches(stop)
  if (silence && onsets.every((onset) => onset < from || onset >= stop || reaches(onset)))
    return from
  return reaches(stop) ? stop : start
}
