import { roundHalfUp } from '../foundation'
import { gridTicks, type Ticks } from '../time'
import { frameTicks, type Lick } from './lick'
import { lineTicks } from './line'

/** Where a line begins and ends, the downbeat that it aims at, and the space until then, in ticks. */
export interface Aim {
  readonly start: Ticks
  /** The tick after the last slot. */
  readonly end: Ticks
  /** The barline aimed at, or with a beat landing the beat. */
  readonly target: Ticks
  /** The bar, from 1, that the target ends or lies in. */
  readonly bars: number
  /** The space of the line: up to the target, and where its own last slot lands, that slot too. */
  readonly available: Ticks
  /** What is left of the space; negative where the line is over. */
  readonly left: Ticks
}

/**
 * The downbeat a line aims at: its `bars`, else the barline nearest to its end, halves going up,
 * at least one bar on; with a beat landing the nearest beat, at least one after the start's own.
 * Where the line's last slot is the landing, that slot is what is meant to fall there, not the end.
 * Example: nine thirty-seconds from 3 with `last beat` have 9 slots, the ninth at tick 30240.
 */
export function aimOf(lick: Lick): Aim {
  const { frame, line } = lick
  const { bar, beat } = frameTicks(frame)
  const { start } = frame
  const end = start + lineTicks(line, frame.grid)
  const landing = frame.landing.kind === 'last' ? lastSlotTicks(lick) : 0
  const arrives = line.slots.length === 0 ? start : end - landing
  const target =
    frame.landing.at === 'beat'
      ? Math.max(Math.floor(start / beat) + 1, roundHalfUp(arrives / beat)) * beat
      : (frame.bars ?? Math.max(1, roundHalfUp(arrives / bar))) * bar
  const available = target - start + landing
  const left = available - (end - start)
  return { start, end, target, bars: Math.ceil(target / bar), available, left }
}

/**
 * Where in the bar a line would have to begin to end, or by its own last slot to land, on a barline.
 * Example: five sixteenths in 3/4 begin on 2a, tick 17640.
 */
export function fittingStart(lick: Lick): Ticks {
  const { bar } = frameTicks(lick.frame)
  const landing = lick.frame.landing.kind === 'last' ? lastSlotTicks(lick) : 0
  const arrives = lineTicks(lick.line, lick.frame.grid) - landing
  return (bar - (arrives % bar)) % bar
}

/** How long the line's last slot is; of an empty line, a slot of its grid. */
function lastSlotTicks({ line, frame }: Lick): Ticks {
  return gridTicks(line.gridChanges.at(-1)?.grid ?? frame.grid)
}

/**
 * Ticks as slots of the text's own grid; a fraction where the line left that grid.
 *
 * @example toSlots(10080, lickOf('grid: 1/16\nline: R')) // 4
 */
export function toSlots(ticks: Ticks, lick: Lick): number {
  return ticks / gridTicks(lick.frame.grid)
}
