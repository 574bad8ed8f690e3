import { ok } from '~/core/foundation'
import { withStore } from '../database'
import {
  hasSaved,
  KEPT_TABLES,
  type KeptTable,
  parseContent,
  type RecordOf,
  readKept,
  sameContent,
} from '../tables'
import { write } from '../writer'
import { toConflictCopies, toSave } from './conflict-copies'
import type { JournalEntry } from './journal'
import { isGone, journal } from './page'

let replayed: Promise<void> | undefined

/**
 * Brings what other pages left in their journals into the store, once a page, before anything is read.
 * What the store has already is dropped; what was changed elsewhere since is kept beside it.
 */
export function replayJournals(): Promise<void> {
  replayed ??= replay()
  return replayed
}

async function replay(): Promise<void> {
  for (const { entry, drop } of journal.others()) {
    if ((await isGone(entry)) && (await replayOne(entry))) drop()
  }
}

/** Whether an entry is in the store now, in one form or another; else it stays for the next opening. */
async function replayOne(entry: JournalEntry): Promise<boolean> {
  const table = KEPT_TABLES.find((name) => name === entry.table)
  if (!table) return false
  const content = parseContent(table, entry.record)
  if (!content.ok) return false
  const found = await withStore(async (database) => ok(await database[table].get(entry.id)))
  if (!found.ok) return false
  const known = found.value === undefined ? undefined : readKept(table, found.value)
  if (known && !known.ok) return false
  const stored = known?.value
  if (stored && sameContent(stored as RecordOf[KeptTable], content.value)) return true
  const { page, count } = entry
  // After a kill an older note may come back than the store has a state of.
  if (count !== null && hasSaved(stored?.saves, { page, count })) return true
  // A save of the same page may have arrived after this was noted: what was noted is newer.
  const ours = stored?.revision === entry.base || stored?.savedBy === entry.page
  const free = stored === undefined || (stored.deletedAt === null && ours)
  const changes = free
    ? [toSave(table, content.value, stored?.revision ?? null)]
    : toConflictCopies(table, content.value, entry.at)
  if (changes.length === 0) return true
  return (await write(changes)).ok
}
