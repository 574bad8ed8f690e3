import type { LickSummary, SetRecord, StoredLog } from '~/storage'
import { daysBetween } from '~/words/calendar'

/** How far an exercise of a set is. */
export interface ExerciseProgress {
  readonly lickId: string
  /** Undefined for a lick that is no longer in the library. */
  readonly summary: LickSummary | undefined
  readonly log: StoredLog | undefined
  /** What it is held against: its goal, or its learning tempo where it has none. */
  readonly goal: number
  /** The fastest clean tempo; null for none. */
  readonly clean: number | null
  /** Clean tempo of goal, 0 to 1. */
  readonly share: number
  /** Days of the calendar since it was due, negative before; null for one that was never practised. */
  readonly overdue: number | null
}

/** The progress of every exercise of a set, in order. */
export function progressOf(
  { exercises }: Pick<SetRecord, 'exercises'>,
  summaries: ReadonlyMap<string, LickSummary>,
  logs: ReadonlyMap<string, StoredLog>,
  now: number,
): ExerciseProgress[] {
  return exercises.map(({ lickId }) => {
    const [summary, log] = [summaries.get(lickId), logs.get(lickId)]
    const goal = summary?.goal ?? summary?.tempo ?? 0
    const clean = log?.bestClean ?? null
    return {
      lickId,
      summary,
      log,
      goal,
      clean,
      share: goal > 0 && clean !== null ? Math.min(1, clean / goal) : 0,
      overdue: log ? daysBetween(log.dueAt, now) : null,
    }
  })
}

/** Exercises that were clean at their goal. */
export function countAtGoal(progress: readonly ExerciseProgress[]): number {
  return progress.filter(({ clean, goal }) => clean !== null && goal > 0 && clean >= goal - 0.5)
    .length
}
