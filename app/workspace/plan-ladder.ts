import type { Lick } from '~/core/line'
import type { LickLog } from '~/core/log'
import type { PlayContext } from '~/core/playability'
import {
  addedPart,
  buildUp,
  type GridRung,
  ladderOf,
  ladderSpan,
  layPattern,
  type PlannedStep,
  type PlanSequence,
  planSteps,
  withRung,
} from '~/core/practice'
import { findGrid, gridName, sameGrid } from '~/core/time'
import type { PlanContent, PlanRecord, SharedPlan } from '~/storage'

/** The plan that a set has for one of its exercises. */
export interface SetPlan {
  readonly shared: SharedPlan
  /** What was changed of it for this exercise; null for nothing. */
  readonly exception: PlanContent | null
}

/**
 * The rungs of a plan: those the player set, each on its grid, or those proposed from limit and history,
 * on the lick's own.
 */
export function rungsOf(
  { ladder, rungs, rungGrids }: Pick<PlanRecord, 'ladder' | 'rungs' | 'rungGrids'>,
  { frame: { tempo, goal, grid } }: Lick,
  limit: number | null,
  log: LickLog | undefined,
): readonly GridRung[] {
  if (rungs) {
    return rungs.map((one, i) => ({ tempo: one, grid: findGrid(rungGrids?.[i] ?? '') ?? grid }))
  }
  const { from, to } = ladderSpan({
    tempo,
    goal,
    limit,
    bestClean: log?.bestClean == null ? null : Math.round(log.bestClean),
    tense: log?.tense == null ? null : Math.round(log.tense),
  })
  const tempos = ladderOf(ladder, from, to)
  // What was clean is played again first.
  const again = log?.bestClean == null ? tempos : withRung(tempos, Math.round(log.bestClean))
  return again.map((one) => ({ tempo: one, grid }))
}

/** A ladder as the player set it, to be saved in the plan. */
export function toPlanRungs(
  rungs: readonly GridRung[],
  { frame }: Lick,
): Pick<PlanRecord, 'rungs' | 'rungGrids'> {
  const own = rungs.every(({ grid }) => sameGrid(grid, frame.grid))
  return {
    rungs: rungs.map(({ tempo }) => tempo),
    rungGrids: own ? null : rungs.map(({ grid }) => gridName(grid)),
  }
}

/** A plan that can be laid on any lick, as the plan of one. */
export function laidPlan(
  { school, ladder, sequence, repeats, climbs, steps: pattern }: SharedPlan,
  lick: Lick,
  setting: PlayContext,
): PlanContent {
  const steps = pattern.length === 0 ? [] : layPattern(buildUp(lick, school, setting), pattern)
  return { school, ladder, sequence, repeats, climbs, rungs: null, rungGrids: null, steps }
}

/** In which order a plan goes through its steps and tempos. */
export function sequenceOf({ sequence }: Pick<PlanRecord, 'sequence'>): PlanSequence {
  return sequence ?? 'step'
}

/** The steps of a plan on a lick, in their order, with those that the player added. */
export function stepsOfPlan(
  lick: Lick,
  { school, steps }: Pick<PlanRecord, 'school' | 'steps'>,
  setting: PlayContext,
  versions: Parameters<typeof addedPart>[2] = [],
): PlannedStep[] {
  return planSteps(buildUp(lick, school, setting), steps, (key) => addedPart(lick, key, versions))
}
