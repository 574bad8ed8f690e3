import { isOneHand, type Limb } from '../sticking'
import type { Told } from './told'

/** What a series of rounds of one line is worth saying, each with how sure it is. */
export type Claim =
  /** A limb comes later than the line, or earlier where negative, by so many milliseconds. */
  | {
      readonly kind: 'offset'
      readonly limb: Limb
      readonly meanMs: number
      /** Half of the interval that holds the mean 95 times in 100, for all limbs together. */
      readonly withinMs: number
    }
  /** Two limbs' gaps differ: the first limb's gaps are so many times as long as the second's. */
  | { readonly kind: 'uneven'; readonly limbs: readonly [Limb, Limb]; readonly ratio: number }

export interface Claims {
  readonly claims: readonly Claim[]
  /** Limbs of which too few rounds were heard to say anything. */
  readonly tooFew: readonly Limb[]
}

/** Less than this nobody hears: about 6 ms below gaps of 240 ms (Friberg and Sundberg, 1995, JASA 98, 2524). */
const NOTICEABLE_MS = 6
const NOTICEABLE_RATIO = 1.05
/** Fewer rounds than this carry no statement. */
const LEAST_ROUNDS = 3
/** The chance of a false claim about a player without habits, over all that is said of a series. */
const FALSE_CLAIMS = 0.04

/**
 * What may be said after some rounds: the mean of each limb's round means, tested on rounds and not on single
 * strokes, since strokes of one round wander together; corrected for the number of limbs and pairs that are
 * looked at (C. E. Bonferroni, 1936). Nothing is claimed that is too small to be heard.
 */
export function claimsOf(rounds: readonly Told[]): Claims {
  const limbs = [...new Set(rounds.flatMap((round) => round.limbs.map(({ limb }) => limb)))]
  const pairs = pairsOf(rounds)
  const each = FALSE_CLAIMS / Math.max(1, limbs.length + pairs.length)
  const claims: Claim[] = []
  const tooFew: Limb[] = []
  for (const limb of limbs) {
    const means = rounds.flatMap((round) => {
      const found = round.limbs.find((one) => one.limb === limb)
      return found ? [found.meanMs] : []
    })
    const told = intervalOf(means, each)
    if (!told) tooFew.push(limb)
    else if (Math.abs(told.mean) - told.within > 0 && Math.abs(told.mean) >= NOTICEABLE_MS)
      claims.push({ kind: 'offset', limb, meanMs: told.mean, withinMs: told.within })
  }
  for (const [from, to] of pairs) {
    // Ratios add up as logarithms: twice as long is as far from even as half as long.
    const ratios = rounds.flatMap((round) => {
      const ratio = ratioOf(round, from, to)
      return ratio === null ? [] : [Math.log(ratio)]
    })
    const told = intervalOf(ratios, each)
    if (!told) continue
    const ratio = Math.exp(Math.abs(told.mean))
    if (Math.abs(told.mean) - told.within <= 0 || ratio < NOTICEABLE_RATIO) continue
    claims.push({ kind: 'uneven', limbs: told.mean > 0 ? [from, to] : [to, from], ratio })
  }
  return { claims, tooFew }
}

/** Pairs of limbs whose gaps both ways were heard, hands before feet. */
function pairsOf(rounds: readonly Told[]): (readonly [Limb, Limb])[] {
  const found = new Map<string, readonly [Limb, Limb]>()
  for (const { gaps } of rounds) {
    for (const { from, to } of gaps) {
      const [a, b] = [from, to].sort(
        (x, y) => Number(isOneHand(y)) - Number(isOneHand(x)) || (x < y ? -1 : 1),
      )
      if (a && b) found.set(`${a} ${b}`, [a, b])
    }
  }
  return [...found.values()]
}

function ratioOf({ gaps }: Told, a: Limb, b: Limb): number | null {
  const there = gaps.find(({ from, to }) => from === a && to === b)
  const back = gaps.find(({ from, to }) => from === b && to === a)
  return there && back && there.ratio > 0 && back.ratio > 0 ? there.ratio / back.ratio : null
}

/** The mean of some values and half of its interval, where so many values carry one; null where they do not. */
function intervalOf(values: readonly number[], chance: number) {
  const count = values.length
  if (count < LEAST_ROUNDS) return null
  const mean = values.reduce((sum, value) => sum + value, 0) / count
  const squares = values.reduce((sum, value) => sum + (value - mean) ** 2, 0)
  const error = Math.sqrt(squares / (count - 1) / count)
  return { mean, within: error * studentQuantile(1 - chance / 2, count - 1) }
}

/**
 * The quantile of Student's distribution, by halving its integral (a midpoint rule over the density). Good to
 * a thousandth for the degrees of freedom in use. Source: Student, 1908, Biometrika 6, 1-25.
 *
 * @example studentQuantile(0.975, 4) is 2.776
 */
export function studentQuantile(share: number, freedom: number): number {
  const density = (t: number) => (1 + (t * t) / freedom) ** (-(freedom + 1) / 2)
  // With t = tan u the tail is a finite stretch; half of all lies on either side of 0.
  const steps = 4000
  const width = Math.PI / 2 / steps
  const parts = Array.from({ length: steps }, (_, i) => {
    const u = (i + 0.5) * width
    return density(Math.tan(u)) / Math.cos(u) ** 2
  })
  const half = parts.reduce((sum, part) => sum + part, 0)
  const wanted = (share - 0.5) * 2 * half
  let sum = 0
  for (const [i, part] of parts.entries()) {
    if (sum + part >= wanted) return Math.tan((i + (wanted - sum) / part) * width)
    sum += part
  }
  return Number.POSITIVE_INFINITY
}
