import { type RandomStream, toRandomStream } from '../foundation'

/** What orders an exercise among those of its set. */
export interface SetExercise {
  /** Up to which tempo it can be played, in beats a minute; null where nothing limits it. */
  readonly limit: number | null
  readonly kicks: number
  /** Whole days since it was due, negative before; null for one that was never practised. */
  readonly overdue: number | null
}

export const SET_ORDERS = ['easiest', 'due', 'shuffled'] as const
export type SetOrder = (typeof SET_ORDERS)[number]

/**
 * Exercises of a set in another order, as their numbers in the order that they have now. Easiest first: those
 * without kicks, then by speed limit, the highest first, then the fewest kicks, then as they stand. What is due
 * first: what was never practised, then the longest overdue. Shuffled: by a seed, each order as likely as any other
 * (R. A. Fisher and F. Yates, 1938, Statistical Tables).
 */
export function orderOf(exercises: readonly SetExercise[], order: SetOrder, seed = 1): number[] {
  const numbers = exercises.map((_, i) => i)
  if (order === 'shuffled') return shuffled(numbers, toRandomStream(seed))
  const at = (i: number) => exercises[i] as SetExercise
  const high = (value: number | null) => value ?? Number.POSITIVE_INFINITY
  return numbers.sort((a, b) =>
    order === 'easiest'
      ? Math.sign(at(a).kicks) - Math.sign(at(b).kicks) ||
        compare(high(at(b).limit), high(at(a).limit)) ||
        at(a).kicks - at(b).kicks ||
        a - b
      : compare(high(at(b).overdue), high(at(a).overdue)) || a - b,
  )
}

function compare(a: number, b: number): number {
  return a === b ? 0 : a < b ? -1 : 1
}

function shuffled(numbers: readonly number[], random: RandomStream): number[] {
  const left = [...numbers]
  for (let i = left.length - 1; i > 0; i -= 1) {
    const j = Math.floor(random() * (i + 1))
    const [a, b] = [left[i] as number, left[j] as number]
    left[i] = b
    left[j] = a
  }
  return left
}
