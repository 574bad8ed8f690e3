import { type Lick, lineEvents } from '../line'
import { soundsAt } from '../performance'
import { TICKS_PER_QUARTER } from '../time'
import { MISSED, SPREAD_MS } from './pairing'
import type { ExpectedStroke, HeardStroke } from './strokes'

/** Fewer strokes in a row than this may be anything. */
const MIN_RUN = 6
const SIXTEENTH = TICKS_PER_QUARTER / 4
/** A triplet's stroke lasts so many times as long as a sixteenth. */
const TRIPLET_RATIO = 4 / 3
/** How far the gap between two strokes strays, each with a hand's own spread, in milliseconds. */
const STRAY_MS = SPREAD_MS * Math.SQRT2
/** A gap costs no more than that: a stroke was left out there. */
const MAX_COST = MISSED.loud
/** By so much triplets have to explain the gaps better; and no gap costs more than that on average by them. */
const MIN_BETTER = 4
const MAX_MEAN_COST = 1
/** Strokes nearer to each other than this are one onset, in milliseconds. */
const TOGETHER_MS = 20

/**
 * The slots of running sixteenths: six onsets or more, each a sixteenth after the one before as it sounds. By slot,
 * the number of its run, from 0.
 *
 * @example [...runsOf(lickOf('line: RLKRLK R--')).keys()] // [0, 1, 2, 3, 4, 5, 6]
 */
export function runsOf(lick: Lick): ReadonlyMap<number, number> {
  const onsets: { readonly slots: Set<number>; readonly at: number }[] = []
  for (const { tick, slot, grid } of lineEvents(lick)) {
    const at = soundsAt(lick, tick, grid)
    const last = onsets.at(-1)
    if (last?.at === at) last.slots.add(slot)
    else onsets.push({ slots: new Set([slot]), at })
  }
  const runs = new Map<number, number>()
  let [from, number] = [0, 0]
  for (let i = 1; i <= onsets.length; i += 1) {
    const [before, here] = [onsets[i - 1], onsets[i]]
    if (before && here && here.at - before.at === SIXTEENTH) continue
    if (i - from >= MIN_RUN) {
      for (const { slots } of onsets.slice(from, i))
        for (const slot of slots) runs.set(slot, number)
      number += 1
    }
    from = i
  }
  return runs
}

/**
 * Whether running sixteenths came out as triplets, three strokes to a beat and not four: which of the two readings
 * explains the gaps between the strokes that were heard better, as likelihoods of normal errors, each gap's cost
 * bounded. It asks for gaps alone, so that who plays nine strokes of twelve is not told of three that he left out.
 * Null of a line without a run, or where too little of one was heard.
 *
 * @example of `line: RLKRLKRLKRLK` at 100, strokes 200 ms apart are triplets, and 155 ms apart are not
 */
export function isTripled(
  expected: readonly ExpectedStroke[],
  heard: readonly HeardStroke[],
  delayMs: number,
): boolean | null {
  let [better, gaps, cost] = [0, 0, 0]
  for (const run of new Set(expected.flatMap((stroke) => stroke.run ?? []))) {
    const onsets = [...new Set(expected.flatMap((one) => (one.run === run ? one.ms : [])))]
    const [first, last] = [Math.min(...onsets), Math.max(...onsets)]
    const gap = (last - first) / (onsets.length - 1)
    const played = onsetsIn(heard, first + delayMs - gap / 2, last + delayMs + gap / 2)
    for (let i = 1; i < played.length; i += 1) {
      const between = (played[i] as number) - (played[i - 1] as number)
      const asTriplet = costOf(between - gap * TRIPLET_RATIO)
      better += costOf(between - gap) - asTriplet
      cost += asTriplet
      gaps += 1
    }
  }
  if (gaps < MIN_RUN - 2) return null
  return better >= MIN_BETTER && cost <= gaps * MAX_MEAN_COST
}

function costOf(offMs: number): number {
  return Math.min(MAX_COST, (offMs / STRAY_MS) ** 2 / 2)
}

/** When something was heard within some time, what was struck together once. */
function onsetsIn(heard: readonly HeardStroke[], from: number, to: number): number[] {
  const onsets: number[] = []
  for (const ms of heard.map((one) => one.ms).sort((a, b) => a - b)) {
    if (ms < from || ms > to || ms - (onsets.at(-1) ?? Number.NEGATIVE_INFINITY) < TOGETHER_MS)
      continue
    onsets.push(ms)
  }
  return onsets
}
