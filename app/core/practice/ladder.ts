import { DEFAULT_TEMPO, type Frame, TEMPO_RANGE } from '../line'
import type { Rating } from '../log'

/** How a ladder's tempos are chosen. */
export const LADDER_KINDS = ['three', 'bpm-5', 'bpm', 'bpm-20', 'percent'] as const
export type LadderKind = (typeof LADDER_KINDS)[number]

/** No step of a ladder is larger than this, unless the player sets another cap. */
export const DEFAULT_CAP = 0.12
const DEFAULT_STEP = 8

/**
 * Tempos of equal ratio from one to another, both included, each at most `cap` (a share) over the
 * last. Exact, unrounded. Example: 72 to 126 with 0.12 are five steps of 11.84 %.
 */
export function equalRatios(from: number, to: number, cap: number): number[] {
  assertRising(from, to, cap)
  if (from === to) return [from]
  const steps = Math.ceil(Math.log(to / from) / Math.log(1 + cap) - 1e-9)
  const ratio = (to / from) ** (1 / steps)
  return Array.from({ length: steps + 1 }, (_, i) => (i === steps ? to : from * ratio ** i))
}

/**
 * The same in whole tempos: each the largest that the cap allows. 72 80 89 99 110 123 126.
 *
 * @example wholeRatios(60, 120, 1.25) // [60, 120]
 */
export function wholeRatios(from: number, to: number, cap: number): number[] {
  assertRising(from, to, cap)
  const rungs = [from]
  let last = from
  while (last < to) {
    // A cap that allows no whole step still climbs.
    last = Math.min(to, Math.max(Math.floor(last * (1 + cap) + 1e-9), Math.floor(last) + 1))
    rungs.push(last)
  }
  return rungs
}

/**
 * The tempos from a lick's own to its goal, none a larger step than the usual cap; empty where it has no
 * goal above it. Example: 72 to 118 are 72 80 89 99 110 118.
 */
export function goalLadder({ tempo, goal }: Pick<Frame, 'tempo' | 'goal'>): number[] {
  return goal !== null && goal > tempo ? wholeRatios(tempo, goal, DEFAULT_CAP) : []
}

/**
 * Tempos by an equal amount; the last step may be shorter. By 18: 72 90 108 126.
 *
 * @example equalSteps(60, 100, 20) // [60, 80, 100]
 */
export function equalSteps(from: number, to: number, by: number): number[] {
  assertRising(from, to, by)
  const rungs: number[] = []
  for (let i = 0; from + i * by < to; i += 1) rungs.push(from + i * by)
  return [...rungs, to]
}

/**
 * The learning tempo, the goal, and the whole tempo at equal ratio between them.
 *
 * @example threeRungs(60, 120) // [60, 85, 120]
 */
export function threeRungs(from: number, to: number): number[] {
  assertRising(from, to, 1)
  return [...new Set([from, Math.round(Math.sqrt(from * to)), to])]
}

/** What a ladder is proposed from. */
export interface LadderWish {
  /** The learning tempo and the goal that the lick is written with. */
  readonly tempo: number
  readonly goal: number | null
  /** The fastest tempo that the model gives its hands and feet; null where nothing moves. */
  readonly limit: number | null
  /** The best clean tempo so far, and the slowest that was tense since; null for none. */
  readonly bestClean: number | null
  readonly tense: number | null
}

/** Where no goal is set, a ladder ends half as fast again as it begins. */
const REACH = 1.5

/** Of a limit, or of what was clean, so much is slow enough to learn at. */
const LEARNING_SHARE = 0.6

/**
 * Where a ladder begins and ends. It begins at the learning tempo; where that is past the limit, slow enough to
 * learn: at 0.6 of the limit, or of the best clean tempo where that is lower. It ends at the goal; where that is
 * reached, at the next tempo between clean and tense; without a goal within the limit.
 *
 * @example a lick at 120 with a limit of 100 begins at 60; one at 72 with the goal 126 goes from 72 to 126
 */
export function ladderSpan({ tempo, goal, limit, bestClean, tense }: LadderWish): {
  readonly from: number
  readonly to: number
} {
  const most = Math.min(TEMPO_RANGE.most, limit ?? TEMPO_RANGE.most)
  const learnt = Math.floor(LEARNING_SHARE * Math.min(most, bestClean ?? most))
  const from = Math.max(TEMPO_RANGE.least, tempo > most ? Math.min(tempo, learnt) : tempo)
  const reached = Math.max(from, bestClean ?? from)
  if (goal !== null && goal > reached) return { from, to: goal }
  const next = bestClean === null ? Math.round(from * REACH) : nextTempos(bestClean, tense)[1]
  return { from, to: Math.max(reached, Math.min(next, Math.floor(most))) }
}

/**
 * A ladder with a tempo as one of its rungs, where it lies between its ends and is not near one already.
 *
 * @example withRung([60, 100], 80) // [60, 80, 100]
 */
export function withRung(rungs: readonly number[], tempo: number): number[] {
  const [lowest = tempo, highest = tempo] = [rungs[0], rungs.at(-1)]
  const near = rungs.some((rung) => Math.abs(rung - tempo) < NEAR_SHARE * rung)
  return near || tempo < lowest || tempo > highest
    ? [...rungs]
    : [...rungs, tempo].sort((a, b) => a - b)
}
/** Two tempos that differ by less are one rung. */
const NEAR_SHARE = 0.03

/**
 * A rung at another tempo, kept between its neighbours and within what can be played.
 *
 * @example moveRung([60, 80, 100], 1, 90) // [60, 90, 100]
 */
export function moveRung(rungs: readonly number[], index: number, tempo: number): number[] {
  const least = index === 0 ? TEMPO_RANGE.least : (rungs[index - 1] as number) + 1
  const most = index === rungs.length - 1 ? TEMPO_RANGE.most : (rungs[index + 1] as number) - 1
  const moved = Math.min(most, Math.max(least, Math.round(tempo)))
  // Neighbours that are less than two apart leave no room.
  return least > most ? [...rungs] : rungs.map((rung, i) => (i === index ? moved : rung))
}

/**
 * A rung more, in the widest gap; above the last where no gap has room.
 *
 * @example addRung([60, 80]) // [60, 70, 80]
 */
export function addRung(rungs: readonly number[]): number[] {
  const gaps = rungs.slice(1).map((rung, i) => rung - (rungs[i] as number))
  const widest = Math.max(0, ...gaps)
  const at = gaps.indexOf(widest)
  const [below, above] = [rungs[at] as number, rungs[at + 1] as number]
  if (widest >= 2) return rungs.toSpliced(at + 1, 0, Math.round((below + above) / 2))
  const last = rungs.at(-1) ?? DEFAULT_TEMPO
  const next = Math.min(TEMPO_RANGE.most, last + DEFAULT_STEP)
  return next > last ? [...rungs, next] : [...rungs]
}

/**
 * A rung fewer; the last one stays.
 *
 * @example removeRung([60, 80, 100], 1) // [60, 100]
 */
export function removeRung(rungs: readonly number[], index: number): number[] {
  return rungs.length < 2 ? [...rungs] : rungs.toSpliced(index, 1)
}

/**
 * A ladder with a rung below its lowest, slower by the cap: for a part that was lost there. The same
 * where no tempo is as slow. Example: below 60 at a cap of 12 % comes 53.
 */
export function slowerRung(rungs: readonly number[], cap = DEFAULT_CAP): number[] {
  const lowest = rungs[0] ?? DEFAULT_TEMPO
  const below = Math.max(TEMPO_RANGE.least, Math.floor(lowest / (1 + cap)))
  return below < lowest ? [below, ...rungs] : [...rungs]
}

/**
 * The jumps of a ladder from rung to rung, as shares: 0.12 is 12 % faster.
 *
 * @example jumpsOf([60, 90]) // [0.5]
 */
export function jumpsOf(rungs: readonly number[]): number[] {
  return rungs.slice(1).map((rung, i) => rung / (rungs[i] as number) - 1)
}

/**
 * A ladder of a kind, at the usual cap and step.
 *
 * @example ladderOf('three', 60, 120) // [60, 85, 120]
 */
export function ladderOf(kind: LadderKind, from: number, to: number): number[] {
  switch (kind) {
    case 'three':
      return threeRungs(from, to)
    case 'bpm-5':
      return equalSteps(from, to, 5)
    case 'bpm':
      return equalSteps(from, to, DEFAULT_STEP)
    case 'bpm-20':
      return equalSteps(from, to, 20)
    case 'percent':
      return wholeRatios(from, to, DEFAULT_CAP)
  }
}

function assertRising(from: number, to: number, step: number): void {
  if (!(from > 0 && to >= from && step > 0)) {
    throw new RangeError(`a ladder from ${from} to ${to} by ${step}: must rise from above 0`)
  }
}

/**
 * The rung after a rated one: up on clean, the same on rough, back on lost; never off the ladder.
 *
 * @example [nextRung(1, 3, 'clean'), nextRung(1, 3, 'rough'), nextRung(1, 3, 'lost')] // [2, 1, 0]
 */
export function nextRung(rung: number, rungs: number, rating: Rating): number {
  const moved = rung + { clean: 1, rough: 0, lost: -1 }[rating]
  return Math.max(0, Math.min(rungs - 1, moved))
}

/**
 * What to play next, from the best clean tempo and the slowest tense one: the clean one again, then
 * halfway to where it gets tense. Example: clean 101, tense at 113 are 101, then 107.
 */
export function nextTempos(bestClean: number, tense: number | null): [number, number] {
  if (tense === null || tense <= bestClean) {
    return [bestClean, Math.round(bestClean * (1 + DEFAULT_CAP / 2))]
  }
  return [bestClean, Math.round((bestClean + tense) / 2)]
}
