import type * as z from 'zod'
import { ok, type Result } from '~/core/foundation'
import { type DimeDatabase, type StoredRow, withStore } from './database'
import {
  type CellRecord,
  cellRecordSchema,
  type StoreIssue,
  type VersionRecord,
  versionRecordSchema,
} from './records'

/** The player's own cells, oldest first; what cannot be read is left alone. */
export function listCells(): Promise<Result<CellRecord[], StoreIssue>> {
  return withStore(async ({ cells }) => ok(readable(await cells.toArray(), cellRecordSchema)))
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

/** Keeps a version of a lick, new or renamed. */
export function keepVersion(version: VersionRecord): Promise<Result<string, StoreIssue>> {
  return keep('versions', version)
}

function keep(
  table: 'cells' | 'versions',
  record: CellRecord | VersionRecord,
): Promise<Result<string, StoreIssue>> {
  return withStore(async (database: DimeDatabase) => {
    await database[table].put(record as StoredRow)
    return ok(record.id)
  })
}

/** Forgets a cell or a version. */
export function forget(
  table: 'cells' | 'versions',
  id: string,
): Promise<Result<string, StoreIssue>> {
  return withStore(async (database) => {
    await database[table].delete(id)
    return ok(id)
  })
}
