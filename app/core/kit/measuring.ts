/** Fewer strokes than this say nothing about a limb. */
const FEWEST = 8

/**
 * A limb's single interval from the onsets of even strokes, in milliseconds: the median gap, so that
 * a slip does not count. Null where there are too few.
 *
 * @example singleInterval([0, 150, 300, 450, 600, 750, 900, 1050, 1200]) // 150
 */
export function singleInterval(onsets: readonly number[]): number | null {
  if (onsets.length < FEWEST) return null
  return median(gapsOf(onsets))
}

/**
 * A limb's double interval from the onsets of doubles one after the other: gaps alternate between
 * the rebound and the way to the next double, and the shorter kind is the rebound's. Null where
 * there are too few.
 *
 * @example doubleInterval([0, 80, 400, 480, 800, 880, 1200, 1280, 1600, 1680]) // 80
 */
export function doubleInterval(onsets: readonly number[]): number | null {
  if (onsets.length < FEWEST) return null
  const gaps = gapsOf(onsets)
  const [even, odd] = [0, 1].map((parity) => median(gaps.filter((_, i) => i % 2 === parity)))
  return Math.min(even as number, odd as number)
}

/**
 * A limb's triple interval from the onsets of triples one after the other: gaps come in threes, the
 * longest is the way to the next triple, and the one two after it is the third stroke's. Null where
 * there are too few. Example: gaps of 80, 105 and 200 over and over are 105 ms.
 */
export function tripleInterval(onsets: readonly number[]): number | null {
  if (onsets.length < FEWEST) return null
  const gaps = gapsOf(onsets)
  const kinds = [0, 1, 2].map((third) => median(gaps.filter((_, i) => i % 3 === third)))
  const way = kinds.indexOf(Math.max(...kinds))
  return kinds[(way + 2) % 3] as number
}

/**
 * How many times as long a hand takes from piece to piece as Fitts's law says, from the onsets of going
 * to and fro between two pieces whose way should take so many milliseconds. Null where there are too few.
 *
 * @example travelRatio([0, 300, 600, 900, 1200, 1500, 1800, 2100], 150) // 2
 */
export function travelRatio(onsets: readonly number[], expectedMs: number): number | null {
  if (onsets.length < FEWEST) return null
  return median(gapsOf(onsets)) / expectedMs
}

function gapsOf(onsets: readonly number[]): number[] {
  return onsets.slice(1).map((onset, i) => onset - (onsets[i] as number))
}

function median(values: readonly number[]): number {
  const sorted = [...values].sort((a, b) => a - b)
  const middle = sorted.length >> 1
  const [low, high] = [sorted[middle - 1], sorted[middle]] as [number, number]
  return sorted.length % 2 === 1 ? high : (low + high) / 2
}
