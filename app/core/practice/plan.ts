import type { Rating } from '../log'
import type { PracticePart } from './build-up'
import { roundSeconds } from './form'

/** One stage of a plan: a part at its tempos, each so many rounds. */
export interface Stage {
  readonly part: PracticePart
  readonly tempos: readonly number[]
  readonly repeats: number
}

/** Seconds at each tempo of a stage. Example: 1 + 1 in 4/4, 8 repeats at 80 96 108: 48.0 40.0 35.6. */
export function stageSeconds({ part, tempos, repeats }: Stage): number[] {
  return tempos.map((tempo) => roundSeconds(part.lick, part.form, tempo) * repeats)
}

/** Seconds of a whole plan. */
export function planSeconds(stages: readonly Stage[]): number {
  return stages.reduce(
    (sum, stage) => sum + stageSeconds(stage).reduce((total, seconds) => total + seconds, 0),
    0,
  )
}

/** Whether a plan goes up all tempos of a step first, or through all steps at a tempo. */
export const PLAN_SEQUENCES = ['step', 'tempo'] as const
export type PlanSequence = (typeof PLAN_SEQUENCES)[number]

/** A cell of a plan: which step, from 0, on which rung of its own ladder. */
export interface PlanCell {
  readonly step: number
  readonly rung: number
}

/** How many rungs each step of a plan has; 0 for a step that is skipped. */
export type RungCounts = readonly number[]

/**
 * Where a plan goes on from a cell: up on clean, the same on rough, down on lost. Going up step by step, the top of
 * a ladder leads to the lowest rung of the next step; tempo by tempo, a step leads to the next one that has so many
 * rungs, and the last of them to the next rung. Null at the end of the plan. Law: with clean alone every cell
 * comes once, in its order.
 *
 * @example nextCell({ step: 0, rung: 2 }, [3, 3], 'step', 'clean') is step 1, rung 0
 */
export function nextCell(
  { step, rung }: PlanCell,
  counts: RungCounts,
  sequence: PlanSequence,
  rating: Rating,
): PlanCell | null {
  if (rating === 'rough') return { step, rung }
  if (rating === 'lost') return { step, rung: Math.max(0, rung - 1) }
  if (sequence === 'step') {
    if (rung + 1 < (counts[step] ?? 0)) return { step, rung: rung + 1 }
    const next = counts.findIndex((count, i) => i > step && count > 0)
    return next < 0 ? null : { step: next, rung: 0 }
  }
  const later = counts.findIndex((count, i) => i > step && count > rung)
  if (later >= 0) return { step: later, rung }
  const first = counts.findIndex((count) => count > rung + 1)
  return first < 0 ? null : { step: first, rung: rung + 1 }
}
