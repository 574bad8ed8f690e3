import { modulo } from '../foundation'
import type { Grid } from './grid'
import { barTicks, type Meter } from './meter'
import { TICKS_PER_QUARTER, type Ticks } from './ticks'

/** How the bar leans: the percent of a pair that its first half takes, 50 being straight. */
export interface Swing {
  readonly percent: number
  /** The value whose pairs lean: eighths or sixteenths. */
  readonly pairs: 8 | 16
}

export const STRAIGHT: Swing = { percent: 50, pairs: 8 }

/**
 * Where a notated tick sounds. Pairs are counted from each barline; a last half without a partner
 * stays straight. Strokes inside a half move in proportion. Only what stands on a plain grid
 * swings. Rounded to a whole tick (at most half a tick: 0.15 ms at 20 beats a minute).
 * Example: 60 % of eighths puts 5040 at 6048.
 */
export function swungTick(tick: Ticks, grid: Grid, swing: Swing, meter: Meter): Ticks {
  const found = pairAt(tick, grid, swing, meter)
  if (!found) return tick
  const { pair, inPair, half, first } = found
  const leaning =
    inPair <= half ? (inPair * first) / half : first + ((inPair - half) * (pair - first)) / half
  return tick - inPair + Math.round(leaning)
}

/** A metre and how it swings: what a notated place needs to be heard. */
export interface Feel {
  readonly swing: Swing
  readonly meter: Meter
}

/**
 * The notated place of what sounds at a tick, not rounded: the inverse of `swungTick` for places on a plain grid.
 * Example: at 60 % of eighths 6048 is 5040.
 */
export function straightenedTick(tick: number, grid: Grid, { swing, meter }: Feel): number {
  const found = pairAt(tick, grid, swing, meter)
  if (!found) return tick
  const { pair, inPair, half, first } = found
  const even =
    inPair <= first ? (inPair * half) / first : half + ((inPair - first) * half) / (pair - first)
  return tick - inPair + even
}

/** The pair that a tick lies in, how far in, its half and its first stroke as it sounds; null where nothing swings. */
function pairAt(tick: number, grid: Grid, swing: Swing, meter: Meter) {
  if (swing.percent === 50 || grid.tuplet !== null) return null
  const pair = swing.pairs === 8 ? TICKS_PER_QUARTER : TICKS_PER_QUARTER / 2
  const bar = barTicks(meter)
  const inBar = modulo(tick, bar)
  const inPair = inBar % pair
  if (inBar - inPair + pair > bar) return null
  return { pair, inPair, half: pair / 2, first: (pair * swing.percent) / 100 }
}
