import type { Rating } from '../log'
import {
  claimsOf,
  hasLevels,
  leanShares,
  levelGap,
  levelPairs,
  NOTICEABLE_LEAN,
  NOTICEABLE_MS,
  NOTICEABLE_PERCENT,
  NOTICEABLE_RATIO,
  ONE_AFTER_THE_OTHER_MS,
  pairsOf,
  ratioOf,
  rushOf,
} from './claims'
import { type OnTime, summaryOf } from './summary'
import type { TimingReport } from './told'

/** What counts as clean, as far as the player sets it. */
export interface CleanLimits extends OnTime {
  /** The share of the strokes that has to be on time, 0 to 1; those too many count as missed. */
  readonly share: number
}

/** The app's own: 92 of 100 within 30 ms and a quarter of the shortest gap. */
export const CLEAN_LIMITS: CleanLimits = { withinMs: 30, share: 0.92 }

/** Whether rounds were clean, and by which part not; null is what cannot be told from them. */
export interface Cleanness {
  readonly is: boolean | null
  /** The share of strokes on time; null where none were meant. */
  readonly onTime: number | null
  /** No limb, pair of limbs, tempo or three off by more than is heard. */
  readonly even: boolean | null
  /** Each level at least half as far over the next as it is written. */
  readonly balance: boolean | null
  /** What is struck together is heard as one. */
  readonly together: boolean | null
}

/** No more than this share may be left out, or be too many, whatever the rest is. */
const MAX_MISSED = 0.05
/** Where less than this share was hit at all, it was lost. */
const LOST = 0.8
/** Rounds that carry a proposal. */
export const MIN_RATED_ROUNDS = 3

/**
 * Whether rounds of one line at one tempo were clean: the one place that says so, for the ear's proposal, for
 * climbing by ear and for the command line. What is told as off (`claimsOf`) cannot be clean. Beyond that a
 * measure is off where it is more than what can be heard and its own standard error together: a player without
 * habits who spreads by 6 ms is called clean in 95 of 100 series, and one whose habit can be heard is not.
 *
 * @param rounds each as `toldOfRound` has it
 * @example of 16 strokes, 15 on time and none off: `{ is: true, onTime: 0.94, even: true, … }`
 */
export function cleannessOf(
  rounds: readonly TimingReport[],
  limits: CleanLimits = CLEAN_LIMITS,
): Cleanness {
  const { meant, hit, extra, onTime: timely } = summaryOf(rounds, limits)
  if (meant === 0 || hit === 0) {
    const onTime = meant === 0 ? null : 0
    return { is: meant === 0 ? null : false, onTime, even: null, balance: null, together: null }
  }
  const onTime = timely / (meant + extra)
  const told = new Set(claimsOf(rounds).claims.map(({ kind }) => kind))
  const even =
    evenIn(rounds) &&
    !['offset', 'uneven', 'rushing', 'leaning', 'tripled'].some((kind) =>
      told.has(kind as 'offset'),
    )
  const balance = hasLevels(rounds) ? balancedIn(rounds) && !told.has('levelled') : null
  const apart = meanOf(rounds.flatMap(({ apartMs }) => apartMs ?? []))
  const together = apart === null ? null : apart <= ONE_AFTER_THE_OTHER_MS && !told.has('apart')
  const whole = hit / meant >= 1 - MAX_MISSED && extra / meant <= MAX_MISSED
  const is = whole && onTime >= limits.share && even && balance !== false && together !== false
  return { is, onTime, even, balance, together }
}

/**
 * How it went, as far as it was heard; null for fewer than three rounds. The player's own word stands: this is
 * proposed. Where less than 80 of 100 strokes were hit at all it was lost.
 *
 * @example three rounds of which all is on time and even: clean
 */
export function proposedRating(
  rounds: readonly TimingReport[],
  limits: CleanLimits = CLEAN_LIMITS,
): Rating | null {
  const { meant, hit } = summaryOf(rounds, limits)
  if (rounds.length < MIN_RATED_ROUNDS || meant === 0) return null
  if (hit / meant < LOST) return 'lost'
  return cleannessOf(rounds, limits).is ? 'clean' : 'rough'
}

/** Whether no limb, pair, tempo or three is off by more than is heard, standard errors allowed for. */
function evenIn(rounds: readonly TimingReport[]): boolean {
  const { limbs } = summaryOf(rounds)
  const strokes = limbs.reduce((sum, limb) => sum + limb.strokes, 0)
  const squares = limbs.reduce((sum, limb) => sum + limb.strokes * limb.spreadMs ** 2, 0)
  const spread = Math.sqrt(squares / Math.max(1, strokes))
  const late = limbs.some(
    ({ meanMs, strokes: count }) => Math.abs(meanMs) > NOTICEABLE_MS + spread / Math.sqrt(count),
  )
  const uneven = pairsOf(rounds).some(([from, to]) => {
    const ratio = meanOf(rounds.flatMap((round) => logOf(ratioOf(round, from, to))))
    const [there, back] = [gapsOf(rounds, from, to), gapsOf(rounds, to, from)]
    if (ratio === null || there.count === 0 || back.count === 0) return false
    // A gap has the spread of both its ends, and what makes one longer makes the next one shorter.
    const error = ((2 * spread) / there.meanMs) * Math.sqrt(1 / there.count + 1 / back.count)
    return Math.abs(ratio) > Math.log(NOTICEABLE_RATIO) + error
  })
  const rushes = rounds.flatMap((round) => rushOf(round) ?? [])
  const leans = leanShares(rounds)
  return (
    !late &&
    !uneven &&
    !isOff(rushes, NOTICEABLE_PERCENT) &&
    !(isOff(leans, NOTICEABLE_LEAN) && (meanOf(leans) ?? 0) > 0)
  )
}

/** Whether each level is at least half as far over the next softer one as it is written. */
function balancedIn(rounds: readonly TimingReport[]): boolean {
  return levelPairs(rounds).every(([loud, soft]) => {
    const heard = meanOf(rounds.flatMap((round) => levelGap(round, loud, soft, 'heardDb') ?? []))
    const meant = meanOf(rounds.flatMap((round) => levelGap(round, loud, soft, 'meantDb') ?? []))
    return heard === null || meant === null || heard >= meant / 2
  })
}

/** Whether a mean of rounds is further from nought than what can be heard and its standard error. */
function isOff(values: readonly number[], noticeable: number): boolean {
  const mean = meanOf(values)
  if (mean === null) return false
  const squares = values.reduce((sum, value) => sum + (value - mean) ** 2, 0)
  const error = values.length < 2 ? 0 : Math.sqrt(squares / (values.length - 1) / values.length)
  return Math.abs(mean) > noticeable + error
}

function gapsOf(rounds: readonly TimingReport[], from: string, to: string) {
  const own = rounds.flatMap(({ gaps }) => gaps.filter((gap) => gap.from === from && gap.to === to))
  const count = own.reduce((sum, gap) => sum + gap.count, 0)
  const sum = own.reduce((all, gap) => all + gap.count * gap.meanMs, 0)
  return { count, meanMs: count === 0 ? Number.POSITIVE_INFINITY : sum / count }
}

const logOf = (ratio: number | null) => (ratio === null ? [] : [Math.log(ratio)])

function meanOf(values: readonly number[]): number | null {
  return values.length === 0 ? null : values.reduce((sum, one) => sum + one, 0) / values.length
}
