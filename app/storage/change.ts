import { ok, type Result } from '~/core/foundation'
import type { StoreIssue } from './issue'
import type { KeptTable, RecordOf } from './tables'
import { write } from './writer'

/** What is meant by one entry of the bin, or of a list. */
export type Ref = { readonly table: KeptTable; readonly id: string }

/** Puts records in the bin; all of them, or none. */
export function putInBin(refs: readonly Ref[], now?: number): Promise<Result<number, StoreIssue>> {
  return each('bin', refs, now)
}

/** Takes records out of the bin again. */
export function restore(refs: readonly Ref[]): Promise<Result<number, StoreIssue>> {
  return each('restore', refs)
}

/** Deletes records for good. */
export function purge(refs: readonly Ref[]): Promise<Result<number, StoreIssue>> {
  return each('purge', refs)
}

async function each(
  kind: 'bin' | 'restore' | 'purge',
  refs: readonly Ref[],
  now?: number,
): Promise<Result<number, StoreIssue>> {
  const written = await write(
    refs.map(({ table, id }) => ({ kind, table, id })),
    now,
  )
  return written.ok ? ok(refs.length) : written
}

/** Saves some records of a table, each changed since a revision; all of them, or none. */
export async function saveRecords<T extends KeptTable>(
  changes: readonly { table: T; record: RecordOf[T]; base: number | null }[],
): Promise<Result<number, StoreIssue>> {
  const written = await write(changes.map((change) => ({ kind: 'save', ...change }) as never))
  return written.ok ? ok(changes.length) : written
}

/** Saves a record, new (on null) or changed since a revision. Returns the new revision. */
export async function saveRecord<T extends KeptTable>(
  table: T,
  record: RecordOf[T],
  base: number | null,
): Promise<Result<number, StoreIssue>> {
  const written = await write([{ kind: 'save', table, record, base } as never])
  return written.ok ? ok(written.value[0] as number) : written
}
