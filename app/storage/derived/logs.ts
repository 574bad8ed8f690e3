import { ok, type Result } from '~/core/foundation'
import { type LickLog, logOfLick } from '~/core/log'
import { findGrid } from '~/core/time'
import type { DimeDatabase, StoredRow } from '../database'
import type { StoreIssue } from '../issue'
import type { PracticeSessionRecord } from '../records'
import { type Kept, readKept } from '../tables'
import { LOG_MAKING } from './marks'
import type { LickSummary } from './summary'

/** What the log says of a lick, with its tempos as they would be on the grid that the lick has now. */
export interface StoredLog extends LickLog {
  readonly id: string
}

/** A log's row: worked out, or to be worked out again when it is read next. */
interface LogRow extends StoredRow {
  readonly id: string
  readonly making: number
  readonly log: LickLog | null
}

/** Says that a lick's log is to be worked out again: its sessions, or its grid, have changed. */
export async function forgetLogs(database: DimeDatabase, lickIds: Iterable<string>): Promise<void> {
  const rows = [...lickIds].map((id): LogRow => ({ id, making: LOG_MAKING, log: null }))
  for (let from = 0; from < rows.length; from += FORGOTTEN_AT_ONCE)
    await database.logs.bulkPut(rows.slice(from, from + FORGOTTEN_AT_ONCE))
}

/** So many rows are written at once, so that the page stays alive. */
const FORGOTTEN_AT_ONCE = 500

/** A session of a row of the log; undefined for what is deleted or cannot be read. */
export function toSession(row: unknown): Kept<PracticeSessionRecord> | undefined {
  const read = readKept('sittings', row)
  return read.ok && read.value.deletedAt === null ? read.value : undefined
}

/** The log of a lick, worked out now where it is not known; undefined for one never practised. */
async function freshLog(database: DimeDatabase, row: StoredRow): Promise<StoredLog | undefined> {
  const { id, log } = row as LogRow
  if (isKnown(row)) return { id, ...(log as LickLog) }
  const rows = await database.sittings.where('lickId').equals(id).toArray()
  const sessions = rows.flatMap((stored) => {
    const session = toSession(stored)
    return session ? [{ ...session, at: session.createdAt }] : []
  })
  const summary = (await database.summaries.get(id)) as LickSummary | undefined
  const grid = findGrid(summary?.grid ?? '')
  const made = logOfLick(sessions, grid ?? null, Date.now())
  if (!made) {
    await database.logs.delete(id)
    return undefined
  }
  await database.logs.put({ id, making: LOG_MAKING, log: made } satisfies LogRow)
  return { id, ...made }
}

/**
 * Logs of rows, worked out where they are not known. That is one step: a session that is written
 * meanwhile comes before it or after it, and is never left out.
 */
export async function readLogs(
  database: DimeDatabase,
  rows: readonly StoredRow[],
): Promise<Result<StoredLog[], StoreIssue>> {
  if (rows.every(isKnown)) return ok(rows.map(({ id, log }) => ({ id, ...(log as LickLog) })))
  const { logs, sittings, summaries } = database
  const made = await database.transaction('rw', logs, sittings, summaries, async () => {
    const found: StoredLog[] = []
    for (const row of await logs.bulkGet(rows.map(({ id }) => id))) {
      const log = row && (await freshLog(database, row))
      if (log) found.push(log)
    }
    return found
  })
  return ok(made)
}

function isKnown(row: StoredRow): boolean {
  return row.log !== null && row.making === LOG_MAKING
}
