import { orderOf, type SetExercise, type SetOrder } from '~/core/practice'
import { MAX_IN_SET, type PlanContent, type SetRecord, type SharedPlan } from '~/storage'

type Exercise = SetRecord['exercises'][number]

/** A set with some licks more at its end; those that are in it stay where they are. */
export function addLicksTo(set: SetRecord, lickIds: readonly string[]): SetRecord {
  const known = new Set(set.exercises.map(({ lickId }) => lickId))
  const more = [...new Set(lickIds)].filter((id) => !known.has(id))
  if (more.length === 0) return set
  const added = more.map((lickId): Exercise => ({ lickId, minutes: null, plan: null }))
  return { ...set, exercises: [...set.exercises, ...added].slice(0, MAX_IN_SET) }
}

/** A set without a lick. */
export function removeLickFrom(set: SetRecord, lickId: string): SetRecord {
  return { ...set, exercises: set.exercises.filter((one) => one.lickId !== lickId) }
}

/** A set with a lick's exercise in another place, from 0; places beyond the ends are the ends. */
export function moveExercise(set: SetRecord, lickId: string, to: number): SetRecord {
  const from = set.exercises.findIndex((one) => one.lickId === lickId)
  const one = set.exercises[from]
  const place = Math.max(0, Math.min(set.exercises.length - 1, to))
  if (!one || place === from) return set
  return { ...set, exercises: set.exercises.toSpliced(from, 1).toSpliced(place, 0, one) }
}

/** What orders an exercise that nothing is known of: unlimited, without kicks, never practised. */
const NOTHING_KNOWN: SetExercise = { limit: null, kicks: 0, overdue: null }

/**
 * A set in another order, by what is known of its licks. Each fact goes with its lick, so that the set may
 * have changed since they were gathered; a set that is in that order already stays the same object.
 *
 * @example reordered(set, new Map([['parade', { limit: 132, kicks: 4, overdue: 2 }]]), 'easiest')
 */
export function reordered(
  set: SetRecord,
  known: ReadonlyMap<string, SetExercise>,
  order: SetOrder,
  seed = 1,
): SetRecord {
  const facts = set.exercises.map(({ lickId }) => known.get(lickId) ?? NOTHING_KNOWN)
  const numbers = orderOf(facts, order, seed)
  if (numbers.every((number, i) => number === i)) return set
  return { ...set, exercises: numbers.flatMap((i) => set.exercises[i] ?? []) }
}

/** A set whose exercise has minutes of its own; null for those of the set. */
export function setMinutes(set: SetRecord, lickId: string, minutes: number | null): SetRecord {
  const own = minutes === set.minutes ? null : minutes
  if (set.exercises.every((one) => one.lickId !== lickId || one.minutes === own)) return set
  const exercises = set.exercises.map((one) =>
    one.lickId === lickId ? { ...one, minutes: own } : one,
  )
  return { ...set, exercises }
}

/** A set with a plan for all its licks, or, on null, with each lick's own; exceptions stay exceptions. */
export function sharePlan(set: SetRecord, plan: SharedPlan | null): SetRecord {
  return { ...set, plan }
}

/** A set whose exercise is practised by a plan that is an exception; null for the set's own plan. */
export function exceptPlan(set: SetRecord, lickId: string, plan: PlanContent | null): SetRecord {
  const exercises = set.exercises.map((one) => (one.lickId === lickId ? { ...one, plan } : one))
  return { ...set, exercises }
}

/** Minutes on an exercise, and on all of them. */
export function minutesOn({ minutes }: Pick<SetRecord, 'minutes'>, one: Exercise): number {
  return one.minutes ?? minutes
}
export function minutesOfSet(set: SetRecord): number {
  return set.exercises.reduce((sum, one) => sum + minutesOn(set, one), 0)
}

/** The exercise of a set before or after a lick's, round and round; undefined where there is no other. */
export function exerciseFrom(set: SetRecord, lickId: string, way: 1 | -1): string | undefined {
  const count = set.exercises.length
  const at = set.exercises.findIndex((one) => one.lickId === lickId)
  if (count === 0) return undefined
  const next = set.exercises[at < 0 ? 0 : (at + way + count) % count]?.lickId
  return next === lickId ? undefined : next
}
