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
  const match = (of: readonly number[], to: readonly number[]) => {
    for (const pair of aligned(of, to, (e, h) => {
      const off = offsetOf(expected[e] as ExpectedStroke, heard[h] as HeardStroke, lag)
      return Math.abs(off) <= (reach[e] as number) ? off * off : null
    })) {
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

/** Ways to go on in the table: a pair, an expected stroke that is missed, a heard one that is extra. */
const PAIR = 1
const MISS = 2
const EXTRA = 3

/**
 * As many pairs as can be, in order, and of those the ones whose costs add up to the least; null is no pair.
 * Cost: the product of both lists.
 */
function aligned(
  expected: readonly number[],
  heard: readonly number[],
  cost: (expected: number, heard: number) => number | null,
): { expected: number; heard: number }[] {
  const width = heard.length + 1
  const size = (expected.length + 1) * width
  const [pairs, squares] = [new Int32Array(size), new Float64Array(size)]
  const step = new Uint8Array(size)
  for (let j = 1; j < width; j += 1) step[j] = EXTRA
  for (let i = 1; i <= expected.length; i += 1) {
    const row = i * width
    step[row] = MISS
    for (let j = 1; j < width; j += 1) {
      const [here, above, before] = [row + j, row + j - width, row + j - 1]
      const misses =
        pairs[above] !== pairs[before]
          ? (pairs[above] as number) > (pairs[before] as number)
          : (squares[above] as number) <= (squares[before] as number)
      const from = misses ? above : before
      pairs[here] = pairs[from] as number
      squares[here] = squares[from] as number
      step[here] = misses ? MISS : EXTRA
      const paired = cost(expected[i - 1] as number, heard[j - 1] as number)
      if (paired === null) continue
      const [count, sum] = [
        (pairs[above - 1] as number) + 1,
        (squares[above - 1] as number) + paired,
      ]
      if (count < (pairs[here] as number)) continue
      if (count === pairs[here] && sum >= (squares[here] as number)) continue
      pairs[here] = count
      squares[here] = sum
      step[here] = PAIR
    }
  }
  const found: { expected: number; heard: number }[] = []
  let [i, j] = [expected.length, heard.length]
  while (i > 0 || j > 0) {
    const taken = step[i * width + j]
    if (taken === PAIR)
      found.push({ expected: expected[--i] as number, heard: heard[--j] as number })
    else if (taken === MISS) i -= 1
    else j -= 1
  }
  return found.reverse()
}

/** The middle of some numbers; 0 of none. */
export function medianOf(values: readonly number[]): number {
  const sorted = [...values].sort((a, b) => a - b)
  const middle = sorted.length >> 1
  if (sorted.length === 0) return 0
  return sorted.length % 2 === 1
    ? (sorted[middle] as number)
    : ((sorted[middle - 1] as number) + (sorted[middle] as number)) / 2
}
