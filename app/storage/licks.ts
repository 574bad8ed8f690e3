import { liveQuery } from 'dexie'
import { fail, ok, type Result } from '~/core/foundation'
import { type DimeDatabase, openDatabase, type StoredRow, withStore } from './database'
import {
  LICK_RECORD_VERSION,
  type LickRecord,
  type PracticeSessionRecord,
  readLickRecord,
  type StoreIssue,
} from './records'

/** What a lick's texts are, on disk and on the way there. */
export interface LickTexts {
  readonly text: string
  readonly draft: string | null
  /** Voicing rules and pins as JSON; empty for none. */
  readonly voicing: string
}

/** The licks that can be read, newest first, and how many could not be. */
export interface LickList {
  readonly licks: readonly LickRecord[]
  readonly unreadable: number
}

/** Every lick that is not deleted. */
export function listLicks(): Promise<Result<LickList, StoreIssue>> {
  return withStore(async (database) => {
    const read = (await database.licks.toArray()).map(readLickRecord)
    const licks = read.flatMap((result) =>
      result.ok && result.value.deletedAt === null ? [result.value] : [],
    )
    licks.sort((a, b) => b.updatedAt - a.updatedAt || a.id.localeCompare(b.id))
    return ok({ licks, unreadable: read.filter((result) => !result.ok).length })
  })
}

/** One lick, also a deleted one. */
export function loadLick(id: string): Promise<Result<LickRecord, StoreIssue>> {
  return withStore(async (database) => {
    const stored = await database.licks.get(id)
    return stored ? readLickRecord(stored) : fail({ code: 'missing', detail: id })
  })
}

/** A lick on its way into the store. */
export type NewLick = { readonly id: string } & LickTexts

/** Adds licks under new or given ids; one whose id is taken is left as it is. */
export function addLicks(
  licks: readonly NewLick[],
  now: number,
): Promise<Result<number, StoreIssue>> {
  return withStore(async (database) =>
    ok(await database.transaction('rw', database.licks, () => addAll(database, licks, now))),
  )
}

/** Told apart from the player's settings, which stand in the same table. */
const MARKS_ID = 'marks'

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
    const { settings, licks: table, sittings: log } = database
    const added = await database.transaction('rw', settings, table, log, async () => {
      if (await settings.get(MARKS_ID)) return 0
      await settings.put({ id: MARKS_ID, visited: true })
      if ((await table.count()) > 0) return 0
      await log.bulkPut(sessions as readonly StoredRow[])
      return addAll(database, licks, now)
    })
    return ok(added)
  })
}

async function addAll(
  database: DimeDatabase,
  licks: readonly NewLick[],
  now: number,
): Promise<number> {
  let count = 0
  for (const [i, { id, text, draft, voicing }] of licks.entries()) {
    if (await database.licks.get(id)) continue
    const record: LickRecord = {
      id,
      version: LICK_RECORD_VERSION,
      text,
      draft,
      voicing,
      revision: 0,
      createdAt: now,
      // Those first in the list stay first when sorted by change.
      updatedAt: now - i,
      deletedAt: null,
    }
    await database.licks.add(record as StoredRow)
    count += 1
  }
  return count
}

/**
 * Saves a lick that was at `revision` when it was read; returns the new revision. Refused as a
 * conflict where another tab has saved it since: nothing is overwritten.
 */
export function saveLick(
  id: string,
  revision: number,
  texts: LickTexts,
  now: number,
): Promise<Result<number, StoreIssue>> {
  return changeLick(id, (record) => {
    if (record.revision !== revision) {
      return fail({ code: 'conflict', detail: `revision ${record.revision}, not ${revision}` })
    }
    return ok({ ...record, ...texts, revision: revision + 1, updatedAt: now })
  })
}

/** Marks a lick as deleted, or takes that back. */
export function setDeleted(
  id: string,
  deletedAt: number | null,
): Promise<Result<number, StoreIssue>> {
  return changeLick(id, (record) => ok({ ...record, deletedAt, revision: record.revision + 1 }))
}

/** Drops for good what was deleted before a time. */
export function purgeDeleted(before: number): Promise<Result<number, StoreIssue>> {
  return withStore(async (database) => {
    const stale = (await database.licks.toArray()).flatMap((stored) => {
      const record = readLickRecord(stored)
      const gone = record.ok && record.value.deletedAt !== null && record.value.deletedAt < before
      return gone ? [stored.id] : []
    })
    await database.licks.bulkDelete(stale)
    return ok(stale.length)
  })
}

function changeLick(
  id: string,
  change: (record: LickRecord) => Result<LickRecord, StoreIssue>,
): Promise<Result<number, StoreIssue>> {
  return withStore((database) =>
    database.transaction('rw', database.licks, async () => {
      const stored = await database.licks.get(id)
      if (!stored) return fail<StoreIssue>({ code: 'missing', detail: id })
      const record = readLickRecord(stored)
      if (!record.ok) return record
      const changed = change(record.value)
      if (!changed.ok) return changed
      await database.licks.put(changed.value as StoredRow)
      return ok(changed.value.revision)
    }),
  )
}

/** Tells of every change to a lick, also by another tab. Returns the way to stop. */
export function watchLick(id: string, onChange: (record: LickRecord) => void): () => void {
  let stop: (() => void) | undefined
  let stopped = false
  openDatabase().then((database) => {
    if (!database.ok || stopped) return
    // The query must be Dexie's own from its first step, or changes are not noticed.
    const watched = liveQuery(() => database.value.licks.get(id)).subscribe({
      next: (stored) => {
        const record = stored && readLickRecord(stored)
        if (record?.ok) onChange(record.value)
      },
      error: () => {
        // A store that stops answering is told of by the next save.
      },
    })
    stop = () => watched.unsubscribe()
  })
  return () => {
    stopped = true
    stop?.()
  }
}
