import { useCallback, useMemo, useState } from 'react'
import type { Lick } from '~/core/line'
import type { LickLog } from '~/core/log'
import { type Setting, speedLimit } from '~/core/playing'
import {
  buildUp,
  ladderOf,
  ladderSpan,
  type PlannedStep,
  planSteps,
  toChoices,
} from '~/core/practice'
import type { PlanRecord } from '~/storage'
import { toSteps } from './step-view'

/** What a plan is before the player changes it. */
export function newPlan(lickId: string, now: number): PlanRecord {
  return {
    id: lickId,
    version: 2,
    createdAt: now,
    school: 'parts',
    ladder: 'three',
    rungs: null,
    repeats: 8,
    climbs: false,
    steps: [],
  }
}

/** The rungs of a plan: those the player set, or those proposed from limit and history. */
export function rungsOf(
  { ladder, rungs }: Pick<PlanRecord, 'ladder' | 'rungs'>,
  { frame: { tempo, goal } }: Lick,
  limit: number | null,
  log: LickLog | undefined,
): readonly number[] {
  if (rungs) return rungs
  const { from, to } = ladderSpan({
    tempo,
    goal,
    limit,
    bestClean: log?.bestClean == null ? null : Math.round(log.bestClean),
    tense: log?.tense == null ? null : Math.round(log.tense),
  })
  return ladderOf(ladder, from, to)
}

interface Planned {
  readonly lickId: string
  readonly lick: Lick
  readonly setting: Setting
  readonly log: LickLog | undefined
  readonly kept: PlanRecord | null
  readonly onSave: (plan: PlanRecord) => void
}

/** The plan of a lick: its steps and its ladder, kept as they are changed. */
export function usePlan({ lickId, lick, setting, log, kept, onSave }: Planned) {
  const [plan, setPlan] = useState(() => kept ?? newPlan(lickId, Date.now()))
  // What is proposed does not move under the player: it is taken from the log as it was at first.
  const [first] = useState(log)
  const parts = useMemo(() => buildUp(lick, plan.school, setting), [lick, plan.school, setting])
  const planned = useMemo(() => planSteps(parts, plan.steps), [parts, plan.steps])
  const steps = useMemo(() => toSteps(planned, lick), [planned, lick])
  const rungs = useMemo(
    () => rungsOf(plan, lick, speedLimit(lick, 'line', setting).bpm, first),
    [plan, lick, setting, first],
  )
  const change = useCallback(
    (changed: Partial<PlanRecord>) => {
      const next = { ...plan, ...changed }
      setPlan(next)
      onSave(next)
    },
    [plan, onSave],
  )
  const arrange = useCallback(
    (next: readonly PlannedStep[]) => change({ steps: toChoices(next) }),
    [change],
  )
  return { plan, planned, steps, rungs, change, arrange }
}
