import { firstWhere, medianOf } from '../foundation'
import { decibelsOf } from './levels'
import { type Lag, type Matching, matchStrokes, NO_LAG, offsetOf } from './match'
import type { ExpectedStroke, HeardStroke } from './strokes'

/** A matching, the lag at which it was found, and what it costs: less is likelier. */
export interface Pairing extends Matching {
  readonly lag: Lag
  readonly cost: number
  /** The strokes as they were paired: as written, or with threes read as triplets. */
  readonly read: readonly ExpectedStroke[]
}

/** Within which delays one is looked for, and how finely, in milliseconds. */
const DELAY_RANGE = 250
const DELAY_BIN = 4
/** So many delays are tried, so far apart at the least, each at these tempos, and refined so often. */
const CANDIDATES = 5
const APART_MS = 20
const SLOWER_PERCENTS = [0, -1, 1]
const REFINED = 5
/** In a line no longer than this a percent is too little to lose a stroke by: refining finds it. */
const SHORT_MS = 4000
/** No player falls further behind than this while he still plays the line, in percent. */
const MAX_SLOWER = 6
/** Fewer pairs than this carry no tempo of their own. */
const MIN_PAIRS = 6

/** A hand's own spread, by which offsets are weighed, in milliseconds. */
export const SPREAD_MS = 15
/** What a stroke that is missing and one that is too many cost; soft ones get lost, and soft noise is heard. */
export const MISSED = { loud: 3, soft: 2.3 }
const EXTRA = { loud: 3, soft: 0.7 }
/** Velocities below this are soft. */
const SOFT_BELOW = 48
/** A pair costs this at the most where it is off by no more than that spread. */
const WELL_PAIRED = 0.5
/** How far loudness strays from what is written, in decibels, and what it costs at the most. */
const LOUDNESS_DB = 10
const MAX_LOUDNESS = 2
/** How far a player strays from a delay that was measured, and from one that was not, in milliseconds. */
const STRAY_MEASURED = 60
const STRAY_UNKNOWN = 250
/** How far he strays from the tempo, in percent. */
const STRAY_PERCENT = 1.5
/** What it costs that threes are read as triplets: as much as one stroke that is missing. */
const READ_AS_TRIPLETS = 3

/**
 * Pairs heard strokes with expected ones, whatever lag they have as a whole: several delays are tried, those
 * that most differences of heard and expected strokes agree on, each at the tempo and a percent beside it,
 * refined by weighted least squares, and the likeliest is taken. `knownMs` is the delay that was measured for
 * the source, from which a player strays little; null for none.
 *
 * The lag serves the pairing alone: what is told to a player is held against the measured delay, or his
 * lateness would be taken out. Source: maximum likelihood by alternating between matching and fitting (P. J.
 * Besl and N. D. McKay, 1992, IEEE Trans. PAMI 14, 239-256).
 *
 * @example sixteen strokes 83 ms apart, each 50 ms late, are paired as they were meant; the lag is 50 ms
 */
export function pairStrokes(
  expected: readonly ExpectedStroke[],
  heard: readonly HeardStroke[],
  knownMs: number | null = null,
): Pairing {
  let best = pairedAs(expected, heard, knownMs)
  if (best.missed.length + best.extra.length === 0) return best
  // Before a stroke is given up: the beat's other grid, in all threes, or in those that lie nearer to it.
  for (const isTriplet of [() => true, nearerToTriplets(expected, heard, best.lag)]) {
    const read = expected.map((stroke) =>
      stroke.drawn && isTriplet(stroke.drawn.from)
        ? { ...stroke, ms: stroke.ms + stroke.drawn.pullMs }
        : stroke,
    )
    if (read.every((stroke, i) => stroke === expected[i])) break
    const pairing = pairedAs(read, heard, knownMs)
    const cost = pairing.cost + READ_AS_TRIPLETS
    if (cost < best.cost) best = { ...pairing, cost }
  }
  return best
}

/** Which threes, told by their first slots, were heard nearer to triplets than as written, at a lag. */
function nearerToTriplets(
  expected: readonly ExpectedStroke[],
  heard: readonly HeardStroke[],
  lag: Lag,
): (from: number) => boolean {
  const nearer = new Map<number, number>()
  const costAt = (stroke: ExpectedStroke, ms: number) =>
    heard
      .filter(({ limb }) => limb === undefined || limb === stroke.limb)
      .reduce((least, one) => {
        const off = offsetOf({ ...stroke, ms }, one, lag)
        return Math.min(least, (off / SPREAD_MS) ** 2 / 2)
      }, MISSED.loud)
  for (const stroke of expected) {
    const { drawn, ms } = stroke
    if (!drawn) continue
    const by = costAt(stroke, ms) - costAt(stroke, ms + drawn.pullMs)
    nearer.set(drawn.from, (nearer.get(drawn.from) ?? 0) + by)
  }
  return (from) => (nearer.get(from) ?? 0) > 0
}

/** The likeliest pairing of strokes that are meant where they stand. */
function pairedAs(
  expected: readonly ExpectedStroke[],
  heard: readonly HeardStroke[],
  knownMs: number | null,
): Pairing {
  const span = (expected.at(-1)?.ms ?? 0) - (expected[0]?.ms ?? 0)
  const short = span < SHORT_MS
  const spare = heard.length - expected.length
  const inevitable = spare > 0 ? spare * EXTRA.soft : -spare * MISSED.soft
  let best: Pairing | null = null
  for (const delayMs of candidateDelays(expected, heard, knownMs)) {
    for (const slowerPercent of short ? [0] : SLOWER_PERCENTS) {
      const pairing = refined(expected, heard, { delayMs, slowerPercent }, knownMs)
      if (!best || pairing.cost < best.cost) best = pairing
      // Where every stroke has its own, no other tempo is asked for.
      if (pairing.missed.length + pairing.extra.length === 0) break
    }
    // A long line that is paired as well as a hand's own spread allows fits nowhere else.
    if (!short && best && best.cost - inevitable <= WELL_PAIRED * best.pairs.length) break
  }
  // There is always the known delay, or none, to try.
  return best as unknown as Pairing
}

/**
 * A constant delay of what was heard, in milliseconds: the middle of the offsets at the likeliest pairing; 0
 * where nothing was heard.
 *
 * @example of expected 0 150 300 and heard 41 190 342 it is 41
 */
export function findDelay(
  expected: readonly ExpectedStroke[],
  heard: readonly HeardStroke[],
): number {
  const { read, pairs } = pairStrokes(expected, heard)
  return delayOfPairs(read, heard, pairs)
}

/** The middle of how late the heard strokes of some pairs are, in milliseconds; 0 of none. */
export function delayOfPairs(
  expected: readonly ExpectedStroke[],
  heard: readonly HeardStroke[],
  pairs: Matching['pairs'],
): number {
  return medianOf(offsetsOf(expected, heard, pairs, NO_LAG))
}

function refined(
  expected: readonly ExpectedStroke[],
  heard: readonly HeardStroke[],
  from: Lag,
  knownMs: number | null,
): Pairing {
  let lag = from
  let best: Pairing | null = null
  for (let turn = 0; turn < REFINED; turn += 1) {
    const matching = matchStrokes(expected, heard, lag)
    const cost = costOf(expected, heard, matching, lag, knownMs)
    const pairing = { ...matching, lag, cost, read: expected }
    // What refining does not make likelier has been refined enough.
    if (best && pairing.cost >= best.cost) break
    best = pairing
    lag = fitted(expected, heard, matching.pairs, lag)
  }
  return best as Pairing
}

/** The known delay, and those that most differences agree on, the one nearest to 0 first where as many do. */
function candidateDelays(
  expected: readonly ExpectedStroke[],
  heard: readonly HeardStroke[],
  knownMs: number | null,
): number[] {
  const votes = new Map<number, number>()
  for (const { ms, limb } of heard) {
    const from = firstWhere(expected, (stroke) => stroke.ms >= ms - DELAY_RANGE)
    for (let i = from; i < expected.length; i += 1) {
      const stroke = expected[i] as ExpectedStroke
      const off = ms - stroke.ms
      if (off < -DELAY_RANGE) break
      if (limb !== undefined && limb !== stroke.limb) continue
      const bin = Math.round(off / DELAY_BIN)
      votes.set(bin, (votes.get(bin) ?? 0) + 1)
    }
  }
  const near = (bin: number) =>
    (votes.get(bin - 1) ?? 0) + (votes.get(bin) ?? 0) + (votes.get(bin + 1) ?? 0)
  const delays = [knownMs ?? 0]
  for (const bin of [...votes.keys()].sort(
    (a, b) => near(b) - near(a) || Math.abs(a) - Math.abs(b),
  )) {
    if (delays.length > CANDIDATES) break
    const delay = bin * DELAY_BIN
    if (delays.every((one) => Math.abs(one - delay) >= APART_MS)) delays.push(delay)
  }
  return delays
}

function offsetsOf(
  expected: readonly ExpectedStroke[],
  heard: readonly HeardStroke[],
  pairs: Matching['pairs'],
  lag: Lag,
): number[] {
  return pairs.map((pair) =>
    offsetOf(expected[pair.expected] as ExpectedStroke, heard[pair.heard] as HeardStroke, lag),
  )
}

/**
 * The lag of some pairs, by least squares, each pair weighed the less the further it is off (S. Geman and D. E.
 * McClure, 1987, Bull. Int. Stat. Inst. 52, 5-21). Few pairs have a delay alone.
 */
function fitted(
  expected: readonly ExpectedStroke[],
  heard: readonly HeardStroke[],
  pairs: Matching['pairs'],
  lag: Lag,
): Lag {
  if (pairs.length === 0) return lag
  const points = pairs.map((pair) => {
    const [meant, played] = [
      expected[pair.expected] as ExpectedStroke,
      heard[pair.heard] as HeardStroke,
    ]
    const off = offsetOf(meant, played, lag)
    return { at: meant.ms, off: played.ms - meant.ms, weight: 1 / (1 + (off / SPREAD_MS) ** 2) }
  })
  const sum = (of: (point: (typeof points)[number]) => number) =>
    points.reduce((total, point) => total + point.weight * of(point), 0)
  const all = sum(() => 1)
  const [at, off] = [sum((point) => point.at) / all, sum((point) => point.off) / all]
  const across = sum((point) => (point.at - at) * (point.off - off))
  const along = sum((point) => (point.at - at) ** 2)
  if (pairs.length < MIN_PAIRS || along === 0) return { delayMs: off, slowerPercent: 0 }
  const slope = Math.max(-MAX_SLOWER, Math.min(MAX_SLOWER, (100 * across) / along))
  return { delayMs: off - (slope / 100) * at, slowerPercent: slope }
}

function costOf(
  expected: readonly ExpectedStroke[],
  heard: readonly HeardStroke[],
  { pairs, missed, extra }: Matching,
  lag: Lag,
  knownMs: number | null,
): number {
  const offsets = offsetsOf(expected, heard, pairs, lag)
  const isSoft = (stroke: { readonly velocity?: number } | undefined) =>
    stroke?.velocity !== undefined && stroke.velocity < SOFT_BELOW
  const weigh = (list: readonly number[], from: readonly HeardStroke[], of: typeof MISSED) =>
    list.reduce((sum, i) => sum + (isSoft(from[i]) ? of.soft : of.loud), 0)
  const stray = (lag.delayMs - (knownMs ?? 0)) / (knownMs === null ? STRAY_UNKNOWN : STRAY_MEASURED)
  return (
    offsets.reduce((sum, off) => sum + (off / SPREAD_MS) ** 2 / 2, 0) +
    loudnessCost(expected, heard, pairs) +
    weigh(missed, expected, MISSED) +
    weigh(extra, heard, EXTRA) +
    (stray ** 2 + (lag.slowerPercent / STRAY_PERCENT) ** 2) / 2
  )
}

/** How badly loudness agrees, the level of the whole taken out: what keeps even lines from slipping a slot. */
function loudnessCost(
  expected: readonly ExpectedStroke[],
  heard: readonly HeardStroke[],
  pairs: Matching['pairs'],
): number {
  const apart = pairs.flatMap((pair) => {
    const [meant, played] = [expected[pair.expected]?.velocity, heard[pair.heard]?.velocity]
    return meant === undefined || played === undefined
      ? []
      : [decibelsOf(played) - decibelsOf(meant)]
  })
  const middle = medianOf(apart)
  return apart.reduce(
    (sum, db) => sum + Math.min(MAX_LOUDNESS, ((db - middle) / LOUDNESS_DB) ** 2 / 2),
    0,
  )
}
