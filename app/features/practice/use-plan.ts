import { useCallback, useMemo, useState } from 'react'
import { onGrid } from '~/core/fitting'
import type { Lick } from '~/core/line'
import type { LickLog } from '~/core/log'
import { type Setting, speedLimit } from '~/core/playing'
import {
  addedPart,
  buildUp,
  type GridRung,
  ladderOf,
  ladderSpan,
  layPattern,
  type PlannedStep,
  planSteps,
  toChoices,
} from '~/core/practice'
import { findGrid, type Grid, gridName, sameGrid } from '~/core/time'
import type { PlanContent, PlanRecord, SharedPlan } from '~/storage'
import { toSteps } from './step-view'
import type { SavedVersion } from './use-saved-versions'

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
  return ladderOf(ladder, from, to).map((one) => ({ tempo: one, grid }))
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
  { school, ladder, repeats, climbs, steps: pattern }: SharedPlan,
  lick: Lick,
  setting: Setting,
): PlanContent {
  const steps = pattern.length === 0 ? [] : layPattern(buildUp(lick, school, setting), pattern)
  return { school, ladder, repeats, climbs, rungs: null, rungGrids: null, steps }
}

/** A plan without what the store knows it by. */
function contentOf({
  school,
  ladder,
  rungs,
  rungGrids,
  repeats,
  climbs,
  steps,
}: PlanRecord): PlanContent {
  return { school, ladder, rungs, rungGrids, repeats, climbs, steps }
}

/** The plan that a set has for one of its exercises. */
export interface SetPlan {
  readonly shared: SharedPlan
  /** What was changed of it for this exercise; null for nothing. */
  readonly exception: PlanContent | null
  /** Keeps a plan as this exercise's exception; null for the set's plan again. */
  readonly onExcept: (plan: PlanContent | null) => void
}

interface Planned {
  readonly lick: Lick
  /** The grid that is played on now: of the rung that the ladder stands on. */
  readonly grid: Grid
  readonly setting: Setting
  readonly log: LickLog | undefined
  /** As it is stored, or usual where nothing was chosen yet. */
  readonly plan: PlanRecord
  /** The plan of the set that it is practised in; null for none. It goes before the lick's own. */
  readonly setPlan: SetPlan | null
  readonly versions: readonly SavedVersion[]
  readonly onSave: (change: () => PlanRecord) => void
}

/** The plan of a lick: its steps on the grid that is played on, and its ladder, saved as they change. */
export function usePlan(props: Planned) {
  const { lick, grid, setting, log, plan: stored, setPlan, versions } = props
  const shared = setPlan?.shared
  const exception = setPlan?.exception
  const played = useMemo(
    () => (sameGrid(grid, lick.frame.grid) ? lick : onGrid(lick, grid)),
    [lick, grid],
  )
  const plan = useMemo(() => {
    if (exception) return { ...stored, ...exception }
    return shared ? { ...stored, ...laidPlan(shared, played, setting) } : stored
  }, [exception, shared, stored, played, setting])
  const { onExcept } = setPlan ?? {}
  const { onSave: save } = props
  const onSave = useCallback(
    (next: PlanRecord) => (onExcept ? onExcept(contentOf(next)) : save(() => next)),
    [onExcept, save],
  )
  // What is proposed does not move under the player: it is taken from the log as it was at first.
  const [first] = useState(log)
  const parts = useMemo(() => buildUp(played, plan.school, setting), [played, plan.school, setting])
  const planned = useMemo(
    () => planSteps(parts, plan.steps, (key) => addedPart(played, key, versions)),
    [parts, plan.steps, played, versions],
  )
  const steps = useMemo(() => toSteps(planned, played), [planned, played])
  const rungs = useMemo(
    () => rungsOf(plan, lick, speedLimit(lick, 'line', setting).bpm, first),
    [plan, lick, setting, first],
  )
  const change = useCallback(
    (changed: Partial<PlanRecord>) => onSave({ ...plan, ...changed }),
    [plan, onSave],
  )
  const setRungs = useCallback(
    (next: readonly GridRung[]) => change(toPlanRungs(next, lick)),
    [change, lick],
  )
  const arrange = useCallback(
    (next: readonly PlannedStep[]) => change({ steps: toChoices(next) }),
    [change],
  )
  const add = useCallback(
    (key: string) =>
      change({ steps: [...toChoices(planned), { part: key, skipped: false, form: null }] }),
    [change, planned],
  )
  const layTemplate = useCallback(
    (template: SharedPlan) => change(laidPlan(template, played, setting)),
    [change, played, setting],
  )
  return { plan, played, planned, steps, rungs, change, setRungs, arrange, add, layTemplate }
}
