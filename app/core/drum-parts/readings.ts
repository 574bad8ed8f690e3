import {
  type Feel,
  type Grid,
  gridTicks,
  type Meter,
  STRAIGHT,
  type Swing,
  straightenedTick,
  TICKS_PER_QUARTER,
} from '../time'
import { bySlot, earlyIn, type FoundGrids, partsOf, rarity } from './grids'
import type { FoundLanding } from './landing'
import { type Onset, tickOn } from './onsets'

/** Where a line begins, what it lands on, and the grids it stands on. */
export interface Plan extends FoundGrids {
  readonly begin: number
  readonly body: readonly Onset[]
  readonly landing: FoundLanding | null
  /** How the music swings under it. */
  readonly swing: Swing
}

/** A way to read a part: what it would be, and whether it was written there or played near it. */
export interface Reading {
  readonly plan: Plan
  readonly exact: boolean
}

/** Swing that is heard as such begins here, and goes to the dotted pair, in percent. */
const MIN_SWING = 53
const MAX_SWING = 75

/**
 * How a part may swing: the whole percent at which it lies nearest to sixteenths, for pairs of eighths and of
 * sixteenths; none where that is straight.
 *
 * @example eighths whose second ones lie at 6048 of 10080 ticks may swing by 60 %
 */
export function swingsIn(onsets: readonly Onset[], meter: Meter): Swing[] {
  const percents = Array.from({ length: MAX_SWING - MIN_SWING + 1 }, (_, i) => MIN_SWING + i)
  return ([8, 16] as const).flatMap((pairs): Swing[] => {
    const distanceAt = (percent: number) =>
      onsets.reduce((sum, { tick }) => {
        const straight = straightenedTick(tick, PLAIN, { swing: { percent, pairs }, meter })
        const off = straight - Math.round(straight / SIXTEENTH) * SIXTEENTH
        return sum + Math.min(1, (off / NEAR) ** 2)
      }, 0)
    const [best] = percents
      .map((percent) => ({ percent, distance: distanceAt(percent) }))
      .sort((a, b) => a.distance - b.distance)
    return best && best.distance < distanceAt(50) ? [{ percent: best.percent, pairs }] : []
  })
}
const SIXTEENTH = TICKS_PER_QUARTER / 4
/** What is further off than this, in ticks, is on another grid. */
const NEAR = SIXTEENTH / 4

/** Onsets with where they would lie if the music did not swing. */
export function straightened(onsets: readonly Onset[], feel: Feel): Onset[] {
  return onsets.map((onset) => ({
    ...onset,
    straight: straightenedTick(onset.tick, PLAIN, feel),
  }))
}

/** Whatever stands on a grid without a tuplet swings. */
const PLAIN: Grid = { value: 8, tuplet: null }

/** How many beats have one change of grid, how many parts a slot may have, and how many swings there are. */
const CHANGES = Math.log(20)
const SQUEEZES = Math.log(8)
const SWINGS = Math.log(10)
/** What no division of its slot explains is as unlikely as this. */
const UNEXPLAINED = -25
/** How far players spread about their slots, in milliseconds: those that are tried. */
export const SPREADS_MS = [3, 6, 10, 16]
const SPREADS = Math.log(SPREADS_MS.length)

/**
 * The likeliest of some readings: each stroke by how many places there are for it in a beat, and how well it lies on
 * its own, to the step of a file that was written, or as a hand spreads about it; less what is chosen freely, each
 * grid, each squeeze and the swing, by how many there are to choose from. A fine grid explains everything, and so
 * it explains little. The first of equals. Throws RangeError for none. Source: H. Jeffreys, Theory of Probability,
 * 3rd ed. 1961, ch. 5 (the likelihoods of hypotheses that were chosen after the data).
 */
export function likeliest(readings: readonly Reading[]): Reading {
  const [first, ...others] = readings.map((reading) => ({
    reading,
    score: scoreOf(reading),
  }))
  if (!first) throw new RangeError('no readings')
  return others.reduce((best, one) => (one.score > best.score ? one : best), first).reading
}

/** The logarithm of how likely a part is by a reading. */
function scoreOf({ plan, exact }: Reading): number {
  const { stretches, body, begin, tolerance, swing } = plan
  let score = -CHANGES * stretches.length - (swing === STRAIGHT ? 0 : SWINGS)
  const offs: number[] = []
  for (const [i, { from, to, grid }] of stretches.entries()) {
    const slot = gridTicks(grid)
    score -= rarity(grid) * Math.max(1, (to - from) / TICKS_PER_QUARTER)
    const early = slot * earlyIn(tolerance)
    const inside = body
      .map((onset) => tickOn(onset, grid) - begin)
      .filter(
        (tick) =>
          (i === 0 || tick >= from - early) && (i === stretches.length - 1 || tick < to - early),
      )
    for (const [index, within] of bySlot(inside, from, slot, tolerance)) {
      const at = from + index * slot
      const alone = tolerance.spread !== undefined && within.length === 1
      const parts = alone ? { count: 1, places: [0] } : partsOf(within, at, slot, tolerance)
      if (!parts) {
        score += UNEXPLAINED * within.length
        continue
      }
      const part = slot / parts.count
      if (parts.count > 1) score -= SQUEEZES
      for (const [j, tick] of within.entries()) {
        score += Math.log(Math.min(1, part / TICKS_PER_QUARTER))
        offs.push(tick - at - (parts.places[j] as number) * part)
      }
    }
  }
  // What it lands on is a stroke like others: on a slot of the last grid, and as far off as it came.
  const last = stretches.at(-1)
  if (plan.landing && last) {
    score += Math.log(Math.min(1, gridTicks(last.grid) / TICKS_PER_QUARTER))
    offs.push(plan.landing.off)
  }
  const { spread } = tolerance
  if (exact || spread === undefined)
    return score - offs.length * Math.log(Math.max(1, 2 * tolerance.ticks))
  const squares = offs.reduce((sum, off) => sum + off * off, 0)
  return (
    score -
    SPREADS -
    offs.length * Math.log(spread * Math.sqrt(2 * Math.PI)) -
    squares / (2 * spread * spread)
  )
}
