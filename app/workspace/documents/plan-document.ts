import type { Lick } from '~/core/line'
import { usualOrder } from '~/core/practice'
import {
  contentOf,
  type Kept,
  MAX_RUNGS,
  openSaver,
  type PlanRecord,
  planRecordSchema,
  saveSparePlan,
} from '~/storage'
import { type Keeping, StoredDocument } from './stored-document'

/** What a plan is before the player changes it. */
export function newPlan(lickId: string, lick: Lick, now: number): PlanRecord {
  return {
    id: lickId,
    version: 3,
    createdAt: now,
    school: usualOrder(lick),
    ladder: 'three',
    sequence: 'step',
    rungs: null,
    rungGrids: null,
    repeats: 8,
    climbs: false,
    steps: [],
  }
}

/** How practice plans are kept: of a lick's two plans in conflict, one is the spare. */
export const PLAN_KEEPING: Keeping<'plans', PlanRecord> = {
  toRecord: (plan) => plan,
  fromRecord: contentOf,
  setAside: (plan) => saveSparePlan(plan.id, plan),
  faultOf: planFault,
}

export type PlanDocument = StoredDocument<'plans', PlanRecord>

/** A lick's plan as it is worked on, from its record, or from what is usual where nothing was chosen yet. */
export function planDocument(opened: Kept<PlanRecord> | null, usual: PlanRecord): PlanDocument {
  const saver = openSaver('plans', usual.id, opened?.revision ?? null, opened ?? undefined)
  return new StoredDocument(saver, opened ? contentOf(opened) : usual, null, PLAN_KEEPING)
}

/** Why a plan cannot be saved, in words; empty where it can. */
export function planFault(plan: PlanRecord): string {
  if (planRecordSchema.safeParse(plan).success) return ''
  const { rungs } = plan
  return rungs && rungs.length > MAX_RUNGS
    ? `A ladder has at most ${MAX_RUNGS} tempos, so nothing was changed.`
    : 'The plan can’t be saved like that, so nothing was changed.'
}
