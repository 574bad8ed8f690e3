import { ok } from '~/core/foundation'
import { type DimeDatabase, type StoredRow, withStore } from '../database'
import { readLogs, type StoredLog } from '../derived/logs'
import { isFresh, SUMMARY_MAKING } from '../derived/marks'
import type { LickSummary } from '../derived/summary'
import { type Kept, type KeptTable, type RecordOf, readKept } from '../tables'
import { type LiveSource, LiveTable, type ReadRow } from './live-table'

/** Works out what lists show where that is not of today's making. */
async function freshen(database: DimeDatabase): Promise<void> {
  if (await isFresh(database)) return
  const { refreshDerived } = await import('../derived/refresh')
  await refreshDerived(database)
}

/** A live table over rows of the store, in the order of their ids. */
function sourceOf<T>(
  table: 'summaries' | 'logs' | KeptTable,
  toRow: (row: StoredRow) => ReadRow<T>,
  order?: (a: T, b: T) => number,
): LiveSource<T> {
  return {
    table,
    ...(order && { order }),
    chunk: (after, most) =>
      withStore(async (database) => {
        const rows = await database[table].where('id').above(after).limit(most).toArray()
        const last = rows.length < most ? null : (rows.at(-1)?.id ?? null)
        return ok({ rows: rows.map(toRow), last })
      }),
    some: (ids) =>
      withStore(async (database) => {
        const rows = await database[table].bulkGet([...ids])
        return ok(rows.flatMap((row) => (row ? [toRow(row)] : [])))
      }),
  }
}

function keptTable<T extends KeptTable>(table: T): LiveTable<Kept<RecordOf[T]>> {
  type Row = Kept<RecordOf[T]>
  const toRow = (row: StoredRow): ReadRow<Row> => {
    const read = readKept(table, row)
    if (!read.ok) return { id: row.id, value: null }
    return { id: row.id, value: read.value.deletedAt === null ? read.value : undefined }
  }
  return new LiveTable<Row>(sourceOf(table, toRow, (a, b) => a.createdAt - b.createdAt))
}

/** The player's own cells, oldest first. */
export const liveCells = keptTable('cells')
/** The player's own grooves, oldest first. */
export const liveGrooves = keptTable('grooves')
/** The player's own kits, oldest first. */
export const liveKits = keptTable('kits')
/** Sets of exercises, oldest first. */
export const liveSets = keptTable('sets')
/** Solos, oldest first. */
export const liveSolos = keptTable('solos')

const toSummaryRow = (row: StoredRow): ReadRow<LickSummary> => {
  if (row.unreadable === true) return { id: row.id, value: null }
  return {
    id: row.id,
    value: row.making === SUMMARY_MAKING ? (row as unknown as LickSummary) : undefined,
  }
}

const summarySource = sourceOf<LickSummary>('summaries', toSummaryRow)

/** What lists show of every lick. */
export const liveSummaries = new LiveTable<LickSummary>({
  ...summarySource,
  chunk: async (after, most) => {
    if (after === '') {
      const fresh = await withStore(async (database) => ok(await freshen(database)))
      if (!fresh.ok) return fresh
    }
    return summarySource.chunk(after, most)
  },
})

/** What the log says of every lick that was practised. */
export const liveLogs = new LiveTable<StoredLog>({
  table: 'logs',
  chunk: (after, most) =>
    withStore(async (database) => {
      if (after === '') await freshen(database)
      const rows = await database.logs.where('id').above(after).limit(most).toArray()
      const logs = await readLogs(database, rows)
      if (!logs.ok) return logs
      const last = rows.length < most ? null : (rows.at(-1)?.id ?? null)
      return ok({ rows: logs.value.map((log) => ({ id: log.id, value: log })), last })
    }),
  some: (ids) =>
    withStore(async (database) => {
      const rows = await database.logs.bulkGet([...ids])
      const logs = await readLogs(
        database,
        rows.flatMap((row) => (row ? [row] : [])),
      )
      return logs.ok ? ok(logs.value.map((log) => ({ id: log.id, value: log }))) : logs
    }),
})

type OfLick = 'versions' | 'sittings'

const ofLicks = new Map<string, LiveTable<unknown>>()

/** The records of a table that belong to one lick, oldest first; the same live table for the same lick. */
function ofLick<T extends OfLick>(table: T, lickId: string): LiveTable<Kept<RecordOf[T]>> {
  type Row = Kept<RecordOf[T]>
  const key = `${table} ${lickId}`
  const known = ofLicks.get(key)
  if (known) return known as LiveTable<Row>
  const toRow = (row: StoredRow): ReadRow<Row> => {
    const read = readKept(table, row)
    const shown = read.ok && read.value.deletedAt === null && read.value.lickId === lickId
    return { id: row.id, value: shown ? read.value : undefined }
  }
  const made = new LiveTable<Row>({
    ...sourceOf(table, toRow, (a, b) => a.createdAt - b.createdAt),
    passing: true,
    chunk: () =>
      withStore(async (database) => {
        const rows = await database[table].where('lickId').equals(lickId).toArray()
        return ok({ rows: rows.map(toRow), last: null })
      }),
  })
  ofLicks.set(key, made as LiveTable<unknown>)
  return made
}

/** The saved versions of a lick, oldest first. */
export function liveVersions(lickId: string): LiveTable<Kept<RecordOf['versions']>> {
  return ofLick('versions', lickId)
}

/** The practice sessions of a lick, oldest first. */
export function liveSessions(lickId: string): LiveTable<Kept<RecordOf['sittings']>> {
  return ofLick('sittings', lickId)
}
