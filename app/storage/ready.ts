import { openDatabase } from './database'
import type { StoreIssue } from './issue'
import { holdPageLock } from './saving/page'
import { replayJournals } from './saving/replay'
import { settleAll } from './saving/savers'
import { liveSettings } from './settings'
import { fetchWriter } from './writer'

let held = false

/**
 * What every page waits for before it reads: what earlier pages left in their journals is in the store,
 * and what is on its way there from this one has arrived. Resolves to why the store cannot be opened, or
 * null.
 */
export async function storeReady(): Promise<StoreIssue | null> {
  if (!held) {
    held = true
    holdPageLock()
  }
  // What is typed first is saved without waiting for this.
  void fetchWriter()
  await replayJournals()
  await Promise.all([settleAll(), liveSettings.settled()])
  const opened = await openDatabase()
  return opened.ok ? null : opened.error
}
