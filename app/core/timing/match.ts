import { firstWhere } from '../foundation'
import type { ExpectedStroke, HeardStroke } from './strokes'

/** Which heard stroke belongs to which expected one, by their numbers. */
export interface Matching {
  readonly pairs: readonly { readonly expected: number; readonly heard: number }[]
  readonly missed: readonly number[]
  readonly extra: readonly number[]
}

/** No match is further apart, in milliseconds, nor further than half of the gap to a neighbour. */
const FURTHEST_MS = 120

/** How what was heard lies against what is meant, as a whole. */
export interface Lag {
  /** How late it begins, in milliseconds. */
  readonly delayMs: number
  /** By how many percent it falls behind from there on; ahead where negative. */
  readonly slowerPercent: number
}
export const NO_LAG: Lag = { delayMs: 0, slowerPercent: 0 }

/**
 * How far a heard stroke is from an expected one, in milliseconds, once the lag is taken out; above 0 is late.
 *
 * @example offsetOf({ ms: 1000 … }, { ms: 1050 }, { delayMs: 20, slowerPercent: 2 }) is 10
 */
export function offsetOf(
  expected: ExpectedStroke,
  heard: HeardStroke,
  { delayMs, slowerPercent }: Lag,
): number {
  return heard.ms - delayMs - expected.ms * (1 + slowerPercent / 100)
}

/**
 * Matches heard strokes to expected ones, each once, in order: as many as can be, and of those the ones with
 * the least sum of squared offsets. A heard stroke whose limb is known belongs to a stroke of that limb; one
 * whose limb is not, to any that is left. The lag is taken out of what was heard first. Both lists in order of
 * time. Law: a missed or an extra stroke changes nothing in strokes that are further away than a match reaches.
 * Source: dynamic programming over both lists (S. B. Needleman and C. D. Wunsch, 1970, J. Mol. Biol. 48,
 * 443-453).
 *
 * @example of expected 0 150 and heard 2 149 the pairs are 0-0 and 1-1
 */
export function matchStrokes(
  expected: readonly ExpectedStroke[],
  heard: readonly HeardStroke[],
  lag: Lag = NO_LAG,
): Matching {
  const reach = reachesOf(expected)
  const taken = new Set<number>()
  const used = new Set<number>()
  const pairs: { expected: number; heard: number }[] = []
  const near: Nearness = {
    offset: (e, h) => offsetOf(expected[e] as ExpectedStroke, heard[h] as HeardStroke, lag),
    reach: (e) => reach[e] as number,
  }
  const match = (of: readonly number[], to: readonly number[]) => {
    for (const pair of aligned(of, to, near)) {
      taken.add(pair.expected)
      used.add(pair.heard)
      pairs.push(pair)
    }
  }
  // Each limb by itself: what two limbs strike together is heard in any order.
  for (const limb of new Set(heard.flatMap((stroke) => stroke.limb ?? []))) {
    match(
      indexes(expected, (stroke) => stroke.limb === limb),
      indexes(heard, (stroke) => stroke.limb === limb),
    )
  }
  match(
    indexes(expected, (_, i) => !taken.has(i)),
    indexes(heard, (stroke) => stroke.limb === undefined),
  )
  return {
    pairs: pairs.sort((a, b) => a.expected - b.expected),
    missed: indexes(expected, (_, i) => !taken.has(i)),
    extra: indexes(heard, (_, i) => !used.has(i)),
  }
}

function indexes<T>(list: readonly T[], wanted: (one: T, index: number) => boolean): number[] {
  return list.flatMap((one, i) => (wanted(one, i) ? [i] : []))
}

/** How far a match of each expected stroke reaches, in milliseconds. */
function reachesOf(expected: readonly ExpectedStroke[]): number[] {
  const reaches = expected.map(() => FURTHEST_MS)
  const narrow = (i: number, gap: number) => {
    reaches[i] = Math.min(reaches[i] as number, gap / 2)
  }
  // Forwards and backwards: the last onset that is another one.
  for (const way of [1, -1] as const) {
    const order = expected.map((_, i) => (way === 1 ? i : expected.length - 1 - i))
    let [now, before] = [Number.NaN, Number.NaN]
    for (const i of order) {
      const { ms } = expected[i] as ExpectedStroke
      if (ms !== now) [before, now] = [now, ms]
      if (!Number.isNaN(before)) narrow(i, Math.abs(ms - before))
    }
  }
  return reaches
}

/** A chain of pairs, the last first. */
interface Chain {
  readonly pairs: number
  readonly squares: number
  readonly expected: number
  readonly heard: number
  readonly before: Chain | null
}

/**
 * As many pairs as can be, in order, and of those the ones whose squared offsets add up to the least. Row by row of
 * the table only the cells within reach are looked at: `chains[j]` is the best chain of heard strokes before
 * the j-th. Cost: strokes times those within reach of one, and not the product of both lists.
 */
function aligned(
  expected: readonly number[],
  heard: readonly number[],
  { offset, reach }: Nearness,
): { expected: number; heard: number }[] {
  const chains: (Chain | null)[] = new Array(heard.length + 1).fill(null)
  let top = 0
  for (const e of expected) {
    const within = reach(e)
    const [from, to] = [
      firstWhere(heard, (h) => offset(e, h) >= -within),
      firstWhere(heard, (h) => offset(e, h) > within),
    ]
    for (; top < to; top += 1) chains[top + 1] = chains[top] as Chain | null
    // Downwards, so that no expected stroke is paired twice.
    for (let j = to - 1; j >= from; j -= 1) {
      const before = chains[j] as Chain | null
      const h = heard[j] as number
      const off = offset(e, h)
      const chain: Chain = {
        pairs: (before?.pairs ?? 0) + 1,
        squares: (before?.squares ?? 0) + off * off,
        expected: e,
        heard: h,
        before,
      }
      if (isBetter(chain, chains[j + 1] as Chain | null)) chains[j + 1] = chain
    }
    for (let j = from; j < top; j += 1) {
      const chain = chains[j] as Chain | null
      if (chain && isBetter(chain, chains[j + 1] as Chain | null)) chains[j + 1] = chain
      else if (j >= to) break
    }
  }
  const found: { expected: number; heard: number }[] = []
  for (let chain = chains[top] as Chain | null; chain; chain = chain.before)
    found.push({ expected: chain.expected, heard: chain.heard })
  return found.reverse()
}

/** How far apart strokes are, and how far apart a pair may be; by their numbers. */
interface Nearness {
  readonly offset: (expected: number, heard: number) => number
  readonly reach: (expected: number) => number
}

function isBetter(chain: Chain, than: Chain | null): boolean {
  if (!than || chain.pairs !== than.pairs) return chain.pairs > (than?.pairs ?? 0)
  return chain.squares < than.squares
}
