import { fail, ok, type Result } from '~/core/foundation'
import { announce, type Changed } from './changes'
import { type DimeDatabase, withStore } from './database'
import { forgetLogs } from './derived/logs'
import { SUMMARY_MAKING } from './derived/marks'
import { toSummary } from './derived/summary'
import type { StoreIssue } from './issue'
import type { LickRecord } from './records'
import { keepSnapshot, type Snapshots } from './snapshots'
import { type Kept, type KeptTable, parseContent, type RecordOf, readKept, toRow } from './tables'

/** One thing to be written. */
export type Change = {
  [T in KeptTable]:
    | {
        readonly kind: 'save'
        readonly table: T
        readonly record: RecordOf[T]
        /** The revision that it was read at; null for what is new. */
        readonly base: number | null
        /** When it was changed last, where that is not now: of what comes from a backup. */
        readonly updatedAt?: number
        /** The page that saves it, where it keeps a journal: what it noted later replaces this. */
        readonly savedBy?: string
      }
    /** Into the bin, or out of it. */
    | { readonly kind: 'bin' | 'restore' | 'purge'; readonly table: T; readonly id: string }
}[KeptTable]

/** Why a set of changes was refused, and which of them was. */
class Refused extends Error {
  constructor(readonly issue: StoreIssue) {
    super(issue.detail)
  }
}

const DERIVED = ['summaries', 'logs', 'snapshots'] as const

/**
 * The one way into the store. All changes are made, or none; each is held against the revision that it
 * was made on, against what can be read again, and against the bin; what lists show is derived in the
 * same step; every tab is told. Returns the new revision of each, in their order.
 */
export function write(
  changes: readonly Change[],
  now: number = Date.now(),
  snapshots: Snapshots | null = null,
): Promise<Result<number[], StoreIssue>> {
  return withStore(async (database) => {
    const tables = [...new Set<string>([...changes.map(({ table }) => table), ...DERIVED])]
    try {
      const written = await database.transaction('rw', tables, async () => {
        const after = new After()
        const revisions: number[] = []
        for (const change of changes) {
          revisions.push(await applyChange(database, change, now, after, snapshots))
        }
        await forgetLogs(database, after.logs)
        return { revisions, after }
      })
      announce([...written.after.changed()])
      return ok(written.revisions)
    } catch (error) {
      if (error instanceof Refused) return fail(error.issue)
      // Dexie hands on what was thrown inside a transaction, or wraps it.
      const inner = (error as { inner?: unknown } | null)?.inner
      if (inner instanceof Refused) return fail(inner.issue)
      throw error
    }
  })
}

/** What follows from the changes of one step: who has to be told, and what has to be worked out again. */
class After {
  private readonly ids = new Map<string, Set<string>>()
  readonly logs = new Set<string>()

  touch(table: string, id: string): void {
    const known = this.ids.get(table)
    if (known) known.add(id)
    else this.ids.set(table, new Set([id]))
  }

  forget(lickId: string): void {
    this.logs.add(lickId)
    this.touch('logs', lickId)
  }

  *changed(): Iterable<Changed> {
    for (const [table, ids] of this.ids) yield { table, ids: [...ids] }
  }
}

async function applyChange(
  database: DimeDatabase,
  change: Change,
  now: number,
  after: After,
  snapshots: Snapshots | null,
): Promise<number> {
  const { table } = change
  const id = change.kind === 'save' ? change.record.id : change.id
  const row = await database[table].get(id)
  after.touch(table, id)
  if (change.kind === 'purge') {
    await database[table].delete(id)
    await derive(database, table, id, undefined, row, after)
    return 0
  }
  const next =
    change.kind === 'save'
      ? saved(change, row, now)
      : binned(table, row, change.kind === 'bin' ? now : null)
  if (change.kind === 'save' && table === 'licks' && snapshots) {
    await keepSnapshot(database, row, now, snapshots)
  }
  await database[table].put(toRow(next))
  await derive(database, table, id, next, row, after)
  return next.revision
}

type AnyKept = Kept<RecordOf[KeptTable]>

/** The record as it goes to disk; refused where it was made on another state than what is there. */
function saved(
  { table, record, base, updatedAt, savedBy }: Extract<Change, { kind: 'save' }>,
  row: unknown,
  now: number,
): AnyKept {
  const content = parseContent(table, record)
  if (!content.ok) throw new Refused({ ...content.error, code: 'too-large' })
  const bookkeeping = {
    updatedAt: updatedAt ?? now,
    deletedAt: null,
    ...(savedBy && { savedBy }),
  }
  if (row === undefined) {
    if (base !== null) throw new Refused({ code: 'missing', detail: record.id })
    return { ...content.value, ...bookkeeping, revision: 0 }
  }
  const known = readKept(table, row)
  if (!known.ok) throw new Refused(known.error)
  const { revision, deletedAt, createdAt } = known.value
  if (deletedAt !== null) throw new Refused({ code: 'deleted', detail: record.id })
  if (base !== revision) {
    throw new Refused({ code: 'conflict', detail: `revision ${revision}, not ${base}` })
  }
  return { ...content.value, ...bookkeeping, createdAt, revision: revision + 1 }
}

function binned(table: KeptTable, row: unknown, deletedAt: number | null): AnyKept {
  if (row === undefined) throw new Refused({ code: 'missing', detail: table })
  const known = readKept(table, row)
  if (!known.ok) throw new Refused(known.error)
  return { ...known.value, deletedAt, revision: known.value.revision + 1 }
}

/** Keeps what lists show in step with the record. */
async function derive(
  database: DimeDatabase,
  table: KeptTable,
  id: string,
  next: AnyKept | undefined,
  before: unknown,
  after: After,
): Promise<void> {
  if (table === 'sittings') {
    const lickOf = (row: unknown) => (row as { lickId?: unknown } | undefined)?.lickId
    for (const lickId of [lickOf(next), lickOf(before)]) {
      if (typeof lickId === 'string') after.forget(lickId)
    }
  }
  if (table !== 'licks') return
  after.touch('summaries', id)
  const known = await database.summaries.get(id)
  if (!next || next.deletedAt !== null) {
    await database.summaries.delete(id)
    return
  }
  const summary = toSummary(next as Kept<LickRecord>)
  if (known && known.grid !== summary.grid && (await database.logs.get(id))) after.forget(id)
  await database.summaries.put({ ...summary, making: SUMMARY_MAKING })
}
