import type { Limb } from '../sticking'
import { intervalOf } from './statistics'
import type { PlayedStroke } from './strokes'
import type { TimingReport } from './told'

/** What is kept of rounds that were heard at one tempo. */
export interface HeardSummary {
  readonly rounds: number
  /** Strokes that were meant, that were hit, that were hit on time, and that were too many. */
  readonly meant: number
  readonly hit: number
  readonly onTime: number
  readonly extra: number
  readonly limbs: readonly LimbSummary[]
  /**
   * How far threes lay towards triplets, 0 as written and 1 as triplets, and half of the interval that holds
   * it 95 times in 100; null where too few rounds had any.
   */
  readonly lean?: { readonly share: number; readonly within: number } | null | undefined
}

export interface LimbSummary {
  readonly limb: Limb
  readonly strokes: number
  /** The mean of its offsets, in milliseconds; above 0 is late. */
  readonly meanMs: number
  /** How far its strokes spread about their mean within a round: the pooled standard deviation. */
  readonly spreadMs: number
}

/** When a stroke is on time, as far as the player sets it. */
export interface OnTime {
  /** Milliseconds from its place at the most, whatever the gap. */
  readonly withinMs: number
}

/** Strokes that lie within so much of the shortest gap are in their own slot, whatever the tempo. */
const SHARE_OF_GAP = 1 / 4
export const ON_TIME: OnTime = { withinMs: 30 }

/**
 * How far from its place a stroke is still on time, in milliseconds, in a line whose onsets are that far apart
 * at the least: a quarter of the gap, and 30 ms at the most. The rule is the app's own.
 *
 * @example 83 ms apart it is 20.75 ms, 150 ms apart 30 ms
 */
export function toleranceOf(gapMs: number, { withinMs }: OnTime = ON_TIME): number {
  return Math.min(withinMs, gapMs * SHARE_OF_GAP)
}

/**
 * The shortest time between two onsets that were meant, in milliseconds; infinite below two.
 *
 * @example shortestGap({ strokes: [], missed: [{ ms: 0 }, { ms: 150 }, { ms: 250 }] }) // 100
 */
export function shortestGap({ strokes, missed }: Pick<TimingReport, 'strokes' | 'missed'>): number {
  const onsets = [...strokes.map(({ expectedMs }) => expectedMs), ...missed.map(({ ms }) => ms)]
  const sorted = [...new Set(onsets)].sort((a, b) => a - b)
  return sorted
    .slice(1)
    .reduce((least, ms, i) => Math.min(least, ms - (sorted[i] as number)), Number.POSITIVE_INFINITY)
}

/**
 * Adds rounds up. Spreads are pooled over rounds, so that a player who wanders from round to round is not
 * taken for one who is uneven within them. Law: rounds in another order give the same.
 */
export function summaryOf(rounds: readonly TimingReport[], limits: OnTime = ON_TIME): HeardSummary {
  const limbs = new Map<Limb, { strokes: number; sum: number; squares: number; freedom: number }>()
  let [meant, hit, onTime, extra] = [0, 0, 0, 0]
  for (const told of rounds) {
    const within = toleranceOf(Math.min(shortestGap(told), 1000), limits)
    meant += told.strokes.length + told.missed.length
    hit += told.strokes.length
    onTime += told.strokes.filter((one: PlayedStroke) => Math.abs(one.offsetMs) <= within).length
    extra += told.extra.length
    for (const { limb, strokes, meanMs, sdMs } of told.limbs) {
      const known = limbs.get(limb) ?? { strokes: 0, sum: 0, squares: 0, freedom: 0 }
      known.strokes += strokes
      known.sum += meanMs * strokes
      known.squares += sdMs * sdMs * (strokes - 1)
      known.freedom += strokes - 1
      limbs.set(limb, known)
    }
  }
  return {
    rounds: rounds.length,
    meant,
    hit,
    onTime,
    extra,
    limbs: [...limbs].map(([limb, { strokes, sum, squares, freedom }]) => ({
      limb,
      strokes,
      meanMs: sum / strokes,
      spreadMs: freedom > 0 ? Math.sqrt(squares / freedom) : 0,
    })),
    lean: leanAcross(rounds),
  }
}

/** How far threes lay towards triplets, over some rounds; null where too few had any. */
function leanAcross(rounds: readonly TimingReport[]): HeardSummary['lean'] {
  const told = intervalOf(
    rounds.flatMap(({ lean }) => lean?.share ?? []),
    0.05,
  )
  return told && { share: told.mean, within: told.within }
}

/** The share of strokes on time, those too many counted as misses; 0 to 1. Null where none were meant. */
export function scoreOf({ meant, onTime, extra }: HeardSummary): number | null {
  return meant + extra === 0 ? null : onTime / (meant + extra)
}
