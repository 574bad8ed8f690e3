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
  planRecordSchema,
  type SittingRecord,
  type StoreIssue,
  sittingRecordSchema,
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

/** Every sitting of the log, oldest first. */
export function listSittings(): Promise<Result<SittingRecord[], StoreIssue>> {
  return withStore(async ({ sittings }) =>
    ok(readable(await sittings.toArray(), sittingRecordSchema)),
  )
}

/** How a lick is practised; null where nothing was chosen yet. */
export function loadPlan(lickId: string): Promise<Result<PlanRecord | null, StoreIssue>> {
  return withStore(async ({ plans }) => {
    const read = planRecordSchema.safeParse(await plans.get(lickId))
    return ok(read.success ? read.data : null)
  })
}

/** The kept versions of a lick, oldest first. */
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

/** Keeps a cell, new or changed. */
export function keepCell(cell: CellRecord): Promise<Result<string, StoreIssue>> {
  return keep('cells', cell)
}

/** Keeps a groove, new or changed. */
export function keepGroove(groove: GrooveRecord): Promise<Result<string, StoreIssue>> {
  return keep('grooves', groove)
}

/** Keeps a kit, new or changed. */
export function keepKit(kit: KitRecord): Promise<Result<string, StoreIssue>> {
  return keep('kits', kit)
}

/** Keeps a sitting, also while it goes on. */
export function keepSitting(sitting: SittingRecord): Promise<Result<string, StoreIssue>> {
  return keep('sittings', sitting)
}

/** Keeps how a lick is practised. */
export function keepPlan(plan: PlanRecord): Promise<Result<string, StoreIssue>> {
  return keep('plans', plan)
}

/** Keeps a version of a lick, new or renamed. */
export function keepVersion(version: VersionRecord): Promise<Result<string, StoreIssue>> {
  return keep('versions', version)
}

/** The tables of what is kept by name. */
export type KeptTable = 'cells' | 'versions' | 'grooves' | 'kits' | 'sittings' | 'plans'

function keep(
  table: KeptTable,
  record: CellRecord | VersionRecord | GrooveRecord | KitRecord | SittingRecord | PlanRecord,
): Promise<Result<string, StoreIssue>> {
  return withStore(async (database: DimeDatabase) => {
    await database[table].put(record as StoredRow)
    return ok(record.id)
  })
}

/** Forgets something that was kept. */
export function forget(table: KeptTable, id: string): Promise<Result<string, StoreIssue>> {
  return withStore(async (database) => {
    await database[table].delete(id)
    return ok(id)
  })
}
