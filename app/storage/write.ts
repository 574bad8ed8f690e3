import { fail, ok, type Result } from '~/core/foundation'
import { announce, type Changed } from './changes'
import { type DimeDatabase, type StoredRow, withStore } from './database'
import { forgetLogs } from './derived/logs'
import { SUMMARY_MAKING } from './derived/marks'
import { toSummary } from './derived/summary'
import type { StoreIssue } from './issue'
import type { LickRecord } from './records'
import { keepSnapshot, type Snapshots } from './snapshots'
import {
  type Kept,
  type KeptTable,
  parseContent,
  type RecordOf,
  readKept,
  type SavedBy,
  type Saves,
  sparePlanId,
  toRow,
  withSave,
} from './tables'

/** One thing to be written. */
export type Change =
  | {
      [T in KeptTable]: {
        readonly kind: 'save'
        readonly table: T
        readonly record: RecordOf[T]
        /** The revision that it was read at; null for what is new. */
        readonly base: number | null
        /** When it was changed last, where that is not now: of what comes from a backup. */
        readonly updatedAt?: number
        /** The page that saves it, and which of its changes this is: what it noted later replaces this. */
        readonly savedBy?: SavedBy
      }
    }[KeptTable]
  /** Into the bin, or out of it. */
  | { readonly kind: 'bin' | 'restore' | 'purge'; readonly table: KeptTable; readonly id: string }

/** Why a set of changes was refused, and which of them was. */
class Refused extends Error {
  constructor(readonly issue: StoreIssue) {
    super(issue.detail)
  }
}

const DERIVED = ['summaries', 'logs', 'snapshots'] as const
/** What belongs to a lick and goes with it when it is deleted for good. */
const BELONGINGS = ['versions', 'plans'] as const
/** What belongs to a practice session. */
const TAKES = ['takes', 'takeSounds'] as const

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
    const purging = (of: KeptTable) =>
      changes.some(({ kind, table }) => kind === 'purge' && table === of)
    const [purges, endsSessions] = [purging('licks'), purging('sittings')]
    const tables = [
      ...new Set<string>([
        ...changes.map(({ table }) => table),
        ...DERIVED,
        ...(purges ? BELONGINGS : []),
        ...(endsSessions ? TAKES : []),
      ]),
    ]
    const take = (trusted: ReadonlySet<string>) =>
      database.transaction('rw', tables, async () => {
        const made = new Step(database, now, trusted)
        await made.read(changes)
        if (snapshots) await made.keepSnapshots(changes, snapshots)
        const all = changes.map((change) => made.apply(change))
        await made.flush()
        if (purges) await made.removeBelongings(changes)
        if (endsSessions) await made.removeTakes(changes)
        return { revisions: all, step: made }
      })
    try {
      // What says that it is new is not looked for first; where it is there all the same, it is.
      const trusted = new Set(changes.flatMap((one) => (isNew(one) ? placeOf(one) : [])))
      const { revisions, step } = await take(trusted).catch((error: unknown) => {
        if (trusted.size > 0 && isThereAlready(error)) return take(new Set())
        throw error
      })
      announce(step.changed())
      return ok(revisions)
    } catch (error) {
      if (error instanceof Refused) return fail(error.issue)
      // Dexie hands on what was thrown inside a transaction, or wraps it.
      const inner = (error as { inner?: unknown } | null)?.inner
      if (inner instanceof Refused) return fail(inner.issue)
      throw error
    }
  })
}

/**
 * Changes on their way: what they are about is read at once, changed here, and written at once, so that
 * many changes cost few questions to the disk.
 */
class Step {
  /** Rows as they are after the changes so far, by table and id; undefined for those not there. */
  private readonly rows = new Map<KeptTable, Map<string, StoredRow | undefined>>()
  private readonly summaries = new Map<string, StoredRow | undefined>()
  private readonly logs = new Set<string>()
  private readonly practised = new Set<string>()
  private readonly removed: Changed[] = []

  /** `trusted` are the places of what is taken to be new, unseen: writing it fails where it is there. */
  constructor(
    private readonly database: DimeDatabase,
    private readonly now: number,
    private readonly trusted: ReadonlySet<string>,
  ) {}

  /** Reads all that the changes are about. */
  async read(changes: readonly Change[]): Promise<void> {
    for (const table of new Set(changes.map((change) => change.table))) {
      const all = [...new Set(changes.flatMap((one) => (one.table === table ? idOf(one) : [])))]
      const ids = all.filter((id) => !this.trusted.has(`${table} ${id}`))
      const found = ids.length > 0 ? await this.database[table].bulkGet(ids) : []
      const known = new Map(ids.map((id, i) => [id, found[i]]))
      this.rows.set(table, new Map(all.map((id) => [id, known.get(id)])))
      if (table !== 'licks' || ids.length === 0) continue
      const summaries = await this.database.summaries.bulkGet(ids)
      for (const [i, id] of ids.entries()) this.summaries.set(id, summaries[i])
      for (const log of await this.database.logs.bulkGet(ids)) if (log) this.practised.add(log.id)
    }
  }

  /** Keeps the states that are about to be replaced. */
  async keepSnapshots(changes: readonly Change[], snapshots: Snapshots): Promise<void> {
    for (const change of changes) {
      if (change.kind !== 'save' || change.table !== 'licks') continue
      const row = this.rows.get('licks')?.get(change.record.id)
      await keepSnapshot(this.database, row, this.now, snapshots)
    }
  }

  /** Makes one change here; throws where it is refused. Returns the new revision. */
  apply(change: Change): number {
    const { table } = change
    const id = idOf(change)
    const rows = this.rows.get(table) as Map<string, StoredRow | undefined>
    const before = rows.get(id)
    const next =
      change.kind === 'purge'
        ? undefined
        : change.kind === 'save'
          ? saved(change, before, this.now)
          : binned(table, before, change.kind === 'bin' ? this.now : null)
    rows.set(id, next && toRow(next))
    this.derive(table, id, next, before)
    return next?.revision ?? 0
  }

  /** Keeps what lists show in step with the record. */
  private derive(table: KeptTable, id: string, next: AnyKept | undefined, before: unknown): void {
    if (table === 'sittings') {
      const lickOf = (row: unknown) => (row as { lickId?: unknown } | undefined)?.lickId
      for (const lickId of [lickOf(next), lickOf(before)]) {
        if (typeof lickId === 'string') this.logs.add(lickId)
      }
    }
    if (table !== 'licks') return
    if (!next || next.deletedAt !== null) {
      this.summaries.set(id, undefined)
      return
    }
    const summary = toSummary(next as Kept<LickRecord>)
    const known = this.summaries.get(id)
    if (known && known.grid !== summary.grid && this.practised.has(id)) this.logs.add(id)
    this.summaries.set(id, { ...summary, making: SUMMARY_MAKING })
  }

  /** Writes everything. */
  async flush(): Promise<void> {
    for (const [table, rows] of this.rows) {
      const [news, others] = [
        new Map<string, StoredRow>(),
        new Map<string, StoredRow | undefined>(),
      ]
      for (const [id, row] of rows) {
        if (row && this.trusted.has(`${table} ${id}`)) news.set(id, row)
        else others.set(id, row)
      }
      if (news.size > 0) await this.database[table].bulkAdd([...news.values()])
      await putOrDelete(this.database[table], others)
    }
    await putOrDelete(this.database.summaries, this.summaries)
    await forgetLogs(this.database, this.logs)
  }

  /**
   * Removes what nobody can reach any more: versions, plans and snapshots of licks that are deleted for
   * good. Their practice sessions stay, since the minutes were played.
   */
  async removeBelongings(changes: readonly Change[]): Promise<void> {
    const { database } = this
    for (const change of changes) {
      if (change.kind !== 'purge' || change.table !== 'licks') continue
      const { id } = change
      const ofLick = (table: 'versions' | 'snapshots') =>
        database[table].where('lickId').equals(id).primaryKeys()
      const versions = await ofLick('versions')
      const plans = [id, sparePlanId(id)]
      await database.versions.bulkDelete(versions)
      await database.snapshots.bulkDelete(await ofLick('snapshots'))
      await database.plans.bulkDelete(plans)
      this.removed.push({ table: 'versions', ids: versions }, { table: 'plans', ids: plans })
    }
  }

  /** Takes go with the session in which they were played. */
  async removeTakes(changes: readonly Change[]): Promise<void> {
    const { takes, takeSounds } = this.database
    const sessions = changes.flatMap(({ kind, table, ...one }) =>
      kind === 'purge' && table === 'sittings' && 'id' in one ? [one.id] : [],
    )
    const ids = await takes.where('sessionId').anyOf(sessions).primaryKeys()
    await takes.bulkDelete(ids)
    await takeSounds.bulkDelete(ids)
    if (ids.length > 0) this.removed.push({ table: 'takes', ids })
  }

  /** Whom it concerns. */
  changed(): Changed[] {
    const all: Changed[] = [...this.rows].map(([table, rows]) => ({ table, ids: [...rows.keys()] }))
    all.push(...this.removed)
    if (this.summaries.size > 0) all.push({ table: 'summaries', ids: [...this.summaries.keys()] })
    if (this.logs.size > 0) all.push({ table: 'logs', ids: [...this.logs] })
    return all
  }
}

/** Whether a change says that there is nothing yet at its place. */
function isNew(change: Change): boolean {
  return change.kind === 'save' && change.base === null
}

function placeOf(change: Change): string {
  return `${change.table} ${idOf(change)}`
}

/** Whether something could not be added, since there is one under its id. */
function isThereAlready(error: unknown): boolean {
  const name = (one: unknown) => (one as { name?: unknown } | null | undefined)?.name
  return [error, (error as { inner?: unknown } | null)?.inner].some(
    (one) => name(one) === 'ConstraintError' || name(one) === 'BulkError',
  )
}

function idOf(change: Change): string {
  return change.kind === 'save' ? change.record.id : change.id
}

async function putOrDelete(
  table: DimeDatabase['licks'],
  rows: ReadonlyMap<string, StoredRow | undefined>,
): Promise<void> {
  const kept = [...rows.values()].filter((row) => row !== undefined)
  const gone = [...rows].flatMap(([id, row]) => (row === undefined ? id : []))
  if (kept.length > 0) await table.bulkPut(kept)
  if (gone.length > 0) await table.bulkDelete(gone)
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
  const bookkeeping = (before?: Saves) => {
    const saves = savedBy ? withSave(before, savedBy) : before
    return {
      updatedAt: updatedAt ?? now,
      deletedAt: null,
      ...(savedBy && { savedBy: savedBy.page }),
      ...(saves && { saves }),
    }
  }
  if (row === undefined) {
    if (base !== null) throw new Refused({ code: 'missing', detail: record.id })
    return { ...content.value, ...bookkeeping(), revision: 0 }
  }
  const known = readKept(table, row)
  if (!known.ok) throw new Refused(known.error)
  const { revision, deletedAt, createdAt, saves } = known.value
  if (deletedAt !== null) throw new Refused({ code: 'deleted', detail: record.id })
  if (base !== revision) {
    throw new Refused({ code: 'conflict', detail: `revision ${revision}, not ${base}` })
  }
  return { ...content.value, ...bookkeeping(saves), createdAt, revision: revision + 1 }
}

function binned(table: KeptTable, row: unknown, deletedAt: number | null): AnyKept {
  if (row === undefined) throw new Refused({ code: 'missing', detail: table })
  const known = readKept(table, row)
  if (!known.ok) throw new Refused(known.error)
  return { ...known.value, deletedAt, revision: known.value.revision + 1 }
}
