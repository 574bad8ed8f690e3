import { ok, type Result } from '~/core/foundation'
import { announce } from './changes'
import { type StoredRow, withStore } from './database'
import { forgetLogs } from './derived/logs'
import { SUMMARY_MAKING } from './derived/marks'
import { toSummary } from './derived/summary'
import type { StoreIssue } from './issue'
import { MARKS_ID, type NewLick, toLickRecord } from './licks'
import type { PracticeSessionRecord } from './records'

/**
 * Fills a store that nobody has visited yet, once in its life: the mark, the licks and their
 * log go in together, so that neither two tabs nor a page left half way can fill it twice or leave it empty.
 */
export function fillOnFirstVisit(
  licks: readonly NewLick[],
  now: number,
  sessions: readonly PracticeSessionRecord[] = [],
): Promise<Result<number, StoreIssue>> {
  return withStore(async (database) => {
    const { settings, licks: table, sittings: log, summaries, logs } = database
    const tables = [settings, table, log, summaries, logs]
    const added = await database.transaction('rw', tables, async () => {
      if (await settings.get(MARKS_ID)) return 0
      await settings.put({ id: MARKS_ID, visited: true })
      if ((await table.count()) > 0) return 0
      await log.bulkPut(sessions as readonly StoredRow[])
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
        { table: 'logs', ids: [...new Set(sessions.map(({ lickId }) => lickId))] },
      ])
    }
    return ok(added)
  })
}
