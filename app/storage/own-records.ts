import type * as z from 'zod'
import { ok, type Result } from '~/core/foundation'
import { type DimeDatabase, type StoredRow, withStore } from './database'
import {
  type CellRecord,
  cellRecordSchema,
  type GrooveRecord,
  grooveRecordSchema,
  type KitRecord,
  kitRecordSchema,
  type PlanRecord,
  type PracticeSessionRecord,
  planRecordSchema,
  practiceSessionRecordSchema,
  type StoreIssue,
  type VersionRecord,
  versionRecordSchema,
} from './records'

/** The player's own cells, oldest first; what cannot be read is left alone. */
export function listCells(): Promise<Result<CellRecord[], StoreIssue>> {
  return withStore(async ({ cells }) => ok(readable(await cells.toArray(), cellRecordSchema)))
}

/** The player's own grooves, oldest first. */
export function listGrooves(): Promise<Result<GrooveRecord[], StoreIssue>> {
  return withStore(async ({ grooves }) => ok(readable(await grooves.toArray(), grooveRecordSchema)))
}

/** The player's own kits, oldest first. */
export function listKits(): Promise<Result<KitRecord[], StoreIssue>> {
  return withStore(async ({ kits }) => ok(readable(await kits.toArray(), kitRecordSchema)))
}

/** Every session of the log, oldest first. */
export function listSessions(): Promise<Result<PracticeSessionRecord[], StoreIssue>> {
  return withStore(async ({ sittings }) =>
    ok(readable(await sittings.toArray(), practiceSessionRecordSchema)),
  )
}

/** How a lick is practised; null where nothing was chosen yet. */
export function loadPlan(lickId: string): Promise<Result<PlanRecord | null, StoreIssue>> {
  return withStore(async ({ plans }) => {
    const read = planRecordSchema.safeParse(await plans.get(lickId))
    return ok(read.success ? read.data : null)
  })
}

/** The saved versions of a lick, oldest first. */
export function listVersions(lickId: string): Promise<Result<VersionRecord[], StoreIssue>> {
  return withStore(async ({ versions }) =>
    ok(readable(await versions.where('lickId').equals(lickId).toArray(), versionRecordSchema)),
  )
}

function readable<T extends { readonly createdAt: number }>(
  rows: readonly StoredRow[],
  schema: z.ZodType<T>,
): T[] {
  return rows
    .flatMap((row) => {
      const read = schema.safeParse(row)
      return read.success ? [read.data] : []
    })
    .sort((a, b) => a.createdAt - b.createdAt)
}

/** Saves a cell, new or changed. */
export function saveCell(cell: CellRecord): Promise<Result<string, StoreIssue>> {
  return save('cells', cell)
}

/** Saves a groove, new or changed. */
export function saveGroove(groove: GrooveRecord): Promise<Result<string, StoreIssue>> {
  return save('grooves', groove)
}

/** Saves a kit, new or changed. */
export function saveKit(kit: KitRecord): Promise<Result<string, StoreIssue>> {
  return save('kits', kit)
}

/** Saves a session, also while it goes on. */
export function saveSession(session: PracticeSessionRecord): Promise<Result<string, StoreIssue>> {
  return save('sittings', session)
}

/** Saves how a lick is practised. */
export function savePlan(plan: PlanRecord): Promise<Result<string, StoreIssue>> {
  return save('plans', plan)
}

/** Saves a version of a lick, new or renamed. */
export function saveVersion(version: VersionRecord): Promise<Result<string, StoreIssue>> {
  return save('versions', version)
}

/** The tables of what is saved by name. */
export type StoredTable = 'cells' | 'versions' | 'grooves' | 'kits' | 'sittings' | 'plans'

function save(
  table: StoredTable,
  record:
    | CellRecord
    | VersionRecord
    | GrooveRecord
    | KitRecord
    | PracticeSessionRecord
    | PlanRecord,
): Promise<Result<string, StoreIssue>> {
  return withStore(async (database: DimeDatabase) => {
    await database[table].put(record as StoredRow)
    return ok(record.id)
  })
}

/** Deletes something that was saved. */
export function deleteRecord(table: StoredTable, id: string): Promise<Result<string, StoreIssue>> {
  return withStore(async (database) => {
    await database[table].delete(id)
    return ok(id)
  })
}
