/** How a ladder's tempos are chosen. */
export const LADDER_SCHOOLS = ['three', 'bpm', 'percent'] as const
export type LadderSchool = (typeof LADDER_SCHOOLS)[number]

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

/** The same in whole tempos: each the largest that the cap allows. 72 80 89 99 110 123 126. */
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

/** Tempos by an equal amount; the last step may be shorter. By 18: 72 90 108 126. */
export function equalSteps(from: number, to: number, by: number): number[] {
  assertRising(from, to, by)
  const rungs: number[] = []
  for (let i = 0; from + i * by < to; i += 1) rungs.push(from + i * by)
  return [...rungs, to]
}

/** The learning tempo, the goal, and the whole tempo at equal ratio between them. */
export function threeRungs(from: number, to: number): number[] {
  assertRising(from, to, 1)
  return [...new Set([from, Math.round(Math.sqrt(from * to)), to])]
}

/** A ladder by its school, at the usual cap and step. */
export function ladderOf(school: LadderSchool, from: number, to: number): number[] {
  switch (school) {
    case 'three':
      return threeRungs(from, to)
    case 'bpm':
      return equalSteps(from, to, DEFAULT_STEP)
    case 'percent':
      return wholeRatios(from, to, DEFAULT_CAP)
  }
}

function assertRising(from: number, to: number, step: number): void {
  if (!(from > 0 && to >= from && step > 0)) {
    throw new RangeError(`a ladder from ${from} to ${to} by ${step}: must rise from above 0`)
  }
}

/** How a repeat went. */
export const RATINGS = ['clean', 'rough', 'lost'] as const
export type Rating = (typeof RATINGS)[number]

/** The rung after a rated one: up on clean, the same on rough, back on lost; never off the ladder. */
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
