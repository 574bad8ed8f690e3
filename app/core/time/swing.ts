import { modulo } from '../foundation'
import { type Grid, gridTicks } from './grid'
import { barTicks, type Meter } from './meter'
import { TICKS_PER_WHOLE, type Ticks } from './ticks'

/** How the bar leans: the percent of a pair that its first half takes, 50 being straight. */
export interface Swing {
  readonly percent: number
  /** The value whose pairs lean: eighths or sixteenths. */
  readonly pairs: 8 | 16
  /** The percent of three triplet slots that the first takes, above a third; absent where triplets are even. */
  readonly lean?: number
}

export const STRAIGHT: Swing = { percent: 50, pairs: 8 }

/**
 * Whether nothing is moved by a swing, whatever it stands on.
 *
 * @example isStraight(lickOf('swing: 66\nline: RL').frame.swing) // false
 */
export function isStraight({ percent, lean }: Swing): boolean {
  return percent === 50 && lean === undefined
}

/**
 * Where a notated tick sounds. Pairs, and threes of a triplet grid, are counted from each barline; a last part of
 * a bar that is no whole pair stays as written. Strokes in between move in proportion. Plain grids swing, triplet
 * grids lean, all others stay exact. Rounded to a whole tick (at most half a tick: 0.15 ms at 20 beats a minute).
 *
 * @example 60 % of eighths puts 5040 at 6048; a lean of 50 % puts eighth triplets at 0, 5040 and 7560
 */
export function swungTick(tick: Ticks, grid: Grid, swing: Swing, meter: Meter): Ticks {
  const found = pairAt(tick, grid, swing, meter)
  if (!found) return tick
  const { pair, inPair, half, first } = found
  const leaning =
    inPair <= half
      ? (inPair * first) / half
      : first + ((inPair - half) * (pair - first)) / (pair - half)
  return tick - inPair + Math.round(leaning)
}

/** A metre and how it swings: what a notated place needs to be heard. */
export interface Feel {
  readonly swing: Swing
  readonly meter: Meter
}

/**
 * The notated place of what sounds at a tick, not rounded: the inverse of `swungTick`.
 * Example: at 60 % of eighths 6048 is 5040.
 */
export function straightenedTick(tick: number, grid: Grid, { swing, meter }: Feel): number {
  const found = pairAt(tick, grid, swing, meter)
  if (!found) return tick
  const { pair, inPair, half, first } = found
  const even =
    inPair <= first
      ? (inPair * half) / first
      : half + ((inPair - first) * (pair - half)) / (pair - first)
  return tick - inPair + even
}

/**
 * The pair, or the three of a triplet grid, that a tick lies in, how far in; its first part as it is written and
 * as it sounds. Null where nothing moves.
 */
function pairAt(tick: number, grid: Grid, { percent, pairs, lean }: Swing, meter: Meter) {
  const threes = grid.tuplet === 't'
  const share = threes ? lean : percent
  if (share === undefined || (!threes && (share === 50 || grid.tuplet !== null))) return null
  const pair = threes ? 3 * gridTicks(grid) : (2 * TICKS_PER_WHOLE) / pairs
  const bar = barTicks(meter)
  const inBar = modulo(tick, bar)
  const inPair = inBar % pair
  if (inBar - inPair + pair > bar) return null
  return { pair, inPair, half: pair / (threes ? 3 : 2), first: (pair * share) / 100 }
}
