import type { Limb } from '../sticking'

/** A stroke that is meant, in milliseconds from the line's first slot. */
export interface ExpectedStroke {
  readonly ms: number
  readonly limb: Limb
  /** Its slot in the line. */
  readonly slot: number
  /** How loud it is meant, 1 to 127, where that matters. */
  readonly velocity?: number
}

/** A stroke that was heard; its limb and velocity (1 to 127) where they are known. */
export interface HeardStroke {
  readonly ms: number
  readonly limb?: Limb
  readonly velocity?: number
}

/** Which heard stroke belongs to which expected one, by their numbers. */
export interface Matching {
  readonly pairs: readonly { readonly expected: number; readonly heard: number }[]
  readonly missed: readonly number[]
  readonly extra: readonly number[]
}

/** No match is further apart, in milliseconds, nor further than half of the gap to a neighbour. */
const FURTHEST_MS = 120

/**
 * Matches heard strokes to expected ones, each once, in order: as many as can be, and of those the ones with
 * the least sum of squared offsets. A heard stroke whose limb is known belongs to a stroke of that limb; one
 * whose limb is not, to any that is left. `delayMs` is taken off what was heard first. Both lists in order of
 * time. Law: a missed or an extra stroke changes nothing in strokes that are further away than a match reaches.
 * Source: dynamic programming over both lists (S. B. Needleman and C. D. Wunsch, 1970, J. Mol. Biol. 48,
 * 443-453).
 *
 * @example of expected 0 150 and heard 2 149 the pairs are 0-0 and 1-1
 */
export function matchStrokes(
  expected: readonly ExpectedStroke[],
  heard: readonly HeardStroke[],
  delayMs = 0,
): Matching {
  const reach = reachesOf(expected)
  const taken = new Set<number>()
  const used = new Set<number>()
  const pairs: { expected: number; heard: number }[] = []
  const match = (of: readonly number[], to: readonly number[]) => {
    for (const pair of aligned(of, to, (e, h) => {
      const off = (heard[h] as HeardStroke).ms - delayMs - (expected[e] as ExpectedStroke).ms
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

/** How well a part of both lists is matched: more pairs are better, then a smaller sum of squares. */
interface Score {
  readonly pairs: number
  readonly squares: number
  readonly step: 'pair' | 'miss' | 'extra' | null
}

function aligned(
  expected: readonly number[],
  heard: readonly number[],
  cost: (expected: number, heard: number) => number | null,
): { expected: number; heard: number }[] {
  const width = heard.length + 1
  const table: Score[] = [{ pairs: 0, squares: 0, step: null }]
  const better = (a: Score, b: Score) =>
    a.pairs > b.pairs || (a.pairs === b.pairs && a.squares < b.squares)
  for (let i = 0; i <= expected.length; i += 1) {
    for (let j = 0; j <= heard.length; j += 1) {
      if (i === 0 && j === 0) continue
      let best: Score | null = null
      const offer = (from: Score, score: Score) => {
        if (from && (!best || better(score, best))) best = score
      }
      const above = table[(i - 1) * width + j]
      const before = table[i * width + j - 1]
      if (i > 0 && above) offer(above, { ...above, step: 'miss' })
      if (j > 0 && before) offer(before, { ...before, step: 'extra' })
      const diagonal = table[(i - 1) * width + j - 1]
      if (i > 0 && j > 0 && diagonal) {
        const squares = cost(expected[i - 1] as number, heard[j - 1] as number)
        if (squares !== null)
          offer(diagonal, {
            pairs: diagonal.pairs + 1,
            squares: diagonal.squares + squares,
            step: 'pair',
          })
      }
      table[i * width + j] = best as unknown as Score
    }
  }
  const found: { expected: number; heard: number }[] = []
  let [i, j] = [expected.length, heard.length]
  while (i > 0 || j > 0) {
    const { step } = table[i * width + j] as Score
    if (step === 'pair')
      found.push({ expected: expected[--i] as number, heard: heard[--j] as number })
    else if (step === 'miss') i -= 1
    else j -= 1
  }
  return found.reverse()
}

/** Between what delays one is looked for, and how finely, in milliseconds. */
const DELAY_RANGE = 250
const DELAY_BIN = 4

/**
 * A constant delay of what was heard, in milliseconds: the one that most differences of heard and expected
 * strokes agree on, refined by the median of its matches. 0 where nothing was heard.
 */
export function findDelay(
  expected: readonly ExpectedStroke[],
  heard: readonly HeardStroke[],
): number {
  const votes = new Map<number, number>()
  for (const { ms, limb } of heard) {
    for (const stroke of expected) {
      const off = ms - stroke.ms
      if (Math.abs(off) > DELAY_RANGE || (limb !== undefined && limb !== stroke.limb)) continue
      const bin = Math.round(off / DELAY_BIN)
      votes.set(bin, (votes.get(bin) ?? 0) + 1)
    }
  }
  const near = (bin: number) =>
    (votes.get(bin - 1) ?? 0) + (votes.get(bin) ?? 0) + (votes.get(bin + 1) ?? 0)
  const candidates = [...votes.keys()]
    .sort((a, b) => near(b) - near(a) || Math.abs(a) - Math.abs(b))
    .slice(0, CANDIDATES)
  let best = { delay: 0, pairs: -1, squares: Number.POSITIVE_INFINITY }
  for (const bin of candidates) {
    const offsets = offsetsAt(expected, heard, bin * DELAY_BIN)
    const delay = medianOf(offsets)
    const squares = offsets.reduce((sum, off) => sum + (off - delay) ** 2, 0)
    if (offsets.length > best.pairs || (offsets.length === best.pairs && squares < best.squares))
      best = { delay, pairs: offsets.length, squares }
  }
  return best.delay
}
const CANDIDATES = 5

function offsetsAt(
  expected: readonly ExpectedStroke[],
  heard: readonly HeardStroke[],
  delayMs: number,
): number[] {
  return matchStrokes(expected, heard, delayMs).pairs.map(
    (pair) =>
      (heard[pair.heard] as HeardStroke).ms - (expected[pair.expected] as ExpectedStroke).ms,
  )
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
