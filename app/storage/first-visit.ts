import { ok, type Result } from '~/core/foundation'
import { announce } from './changes'
import { type StoredRow, withStore } from './database'
import { forgetLogs } from './derived/logs'
import { SUMMARY_MAKING } from './derived/marks'
import { toSummary } from './derived/summary'
import type { StoreIssue } from './issue'
import { MARKS_ID, type NewLick, toLickRecord } from './licks'
import type { PracticeSessionRecord, SetRecord, SoloRecord } from './records'

const NOTHING = { sets: [], solos: [] } as const

/** A record that nobody has changed yet, as it goes to disk. */
function fresh(record: SetRecord | SoloRecord): StoredRow {
  return { ...record, revision: 0, updatedAt: record.createdAt, deletedAt: null }
}

/**
 * Fills a store that nobody has visited yet, once in its life: the mark, the licks and their
 * log go in together, so that neither two tabs nor a page left half way can fill it twice or leave it empty.
 */
export function fillOnFirstVisit(
  licks: readonly NewLick[],
  now: number,
  sessions: readonly PracticeSessionRecord[] = [],
  more: { readonly sets: readonly SetRecord[]; readonly solos: readonly SoloRecord[] } = NOTHING,
): Promise<Result<number, StoreIssue>> {
  return withStore(async (database) => {
    const { settings, licks: table, sittings: log, summaries, logs, sets, solos } = database
    const tables = [settings, table, log, summaries, logs, sets, solos]
    const added = await database.transaction('rw', tables, async () => {
      if (await settings.get(MARKS_ID)) return 0
      await settings.put({ id: MARKS_ID, visited: true })
      if ((await table.count()) > 0) return 0
      await log.bulkPut(sessions as readonly StoredRow[])
      await sets.bulkPut(more.sets.map(fresh))
      await solos.bulkPut(more.solos.map(fresh))
      await forgetLogs(database, new Set(sessions.map(({ lickId }) => lickId)))
      // Those first in the list stay first when sorted by change.
      const records = licks.map((lick, i) => toLickRecord(lick, now - i))
      await table.bulkPut(records as unknown as StoredRow[])
      await summaries.bulkPut(
        records.map((record) => ({ ...toSummary(record), making: SUMMARY_MAKING })),
      )
      return records.length
    })
    if (added > 0) {
      announce([
        { table: 'summaries', ids: licks.map(({ id }) => id) },
        { table: 'sets', ids: more.sets.map(({ id }) => id) },
        { table: 'solos', ids: more.solos.map(({ id }) => id) },
        { table: 'logs', ids: [...new Set(sessions.map(({ lickId }) => lickId))] },
      ])
    }
    return ok(added)
  })
}
