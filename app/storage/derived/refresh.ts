import type { DimeDatabase, StoredRow } from '../database'
import type { LickRecord } from '../records'
import { type Kept, readKept } from '../tables'
import { forgetLogs } from './logs'
import { isFresh, noteFresh, SUMMARY_MAKING } from './marks'
import { toSummary } from './summary'

// Small enough that no frame waits for it.
const CHUNK = 60

let running: Promise<void> | undefined

/**
 * Works out what lists show where that was made by another version of the app, or never: a store of
 * an older version has none. In chunks, each whole; what was done stays done when the page is left.
 */
export function refreshDerived(database: DimeDatabase): Promise<void> {
  running ??= refresh(database).finally(() => {
    running = undefined
  })
  return running
}

async function refresh(database: DimeDatabase): Promise<void> {
  if (await isFresh(database)) return
  let after = ''
  for (;;) {
    const { licks, summaries } = database
    const last = await database.transaction('rw', licks, summaries, async () => {
      const rows = await licks.where('id').above(after).limit(CHUNK).toArray()
      const made = rows.flatMap((row): StoredRow[] => {
        const read = readKept('licks', row)
        if (!read.ok) return [{ id: row.id, making: SUMMARY_MAKING, unreadable: true }]
        if (read.value.deletedAt !== null) return []
        return [{ ...toSummary(read.value as Kept<LickRecord>), making: SUMMARY_MAKING }]
      })
      await summaries.bulkPut(made)
      return rows.length < CHUNK ? null : (rows.at(-1)?.id ?? null)
    })
    if (last === null) break
    after = last
  }
  const lickIds = await database.sittings.orderBy('lickId').uniqueKeys()
  await forgetLogs(
    database,
    lickIds.filter((id) => typeof id === 'string'),
  )
  await noteFresh(database)
}
