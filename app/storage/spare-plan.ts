import { ok, type Result } from '~/core/foundation'
import { purge, saveRecord } from './change'
import { withStore } from './database'
import type { StoreIssue } from './issue'
import { type PlanRecord, planRecordSchema } from './records'
import { type Kept, readKept, sparePlanId } from './tables'

/**
 * The practice plan that was put aside when two tabs had changed a lick's plan; null for none. There is
 * one at most: a newer one takes its place.
 */
export function loadSparePlan(
  lickId: string,
): Promise<Result<Kept<PlanRecord> | null, StoreIssue>> {
  return withStore(async ({ plans }) => {
    const row = await plans.get(sparePlanId(lickId))
    if (!planRecordSchema.safeParse(row).success) return ok(null)
    const read = readKept('plans', row)
    return ok(read.ok && read.value.deletedAt === null ? read.value : null)
  })
}

/** Puts a plan of a lick aside, in place of what was put aside before. */
export async function saveSparePlan(
  lickId: string,
  plan: PlanRecord,
): Promise<Result<number, StoreIssue>> {
  const known = await loadSparePlan(lickId)
  if (!known.ok) return known
  const record = { ...plan, id: sparePlanId(lickId) }
  return saveRecord('plans', record, known.value?.revision ?? null)
}

/** Removes the plan that was put aside. */
export function removeSparePlan(lickId: string): Promise<Result<number, StoreIssue>> {
  return purge([{ table: 'plans', id: sparePlanId(lickId) }])
}
