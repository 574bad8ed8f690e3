import { ok, type Result } from '~/core/foundation'
import { withStore } from './database'
import { toSession } from './derived/logs'
import type { StoreIssue } from './issue'
import { type PlanRecord, type PracticeSessionRecord, planRecordSchema } from './records'
import { type Kept, readKept } from './tables'

type Session = Kept<PracticeSessionRecord>

/** Sessions by their ids; those that are deleted or not there are left out. */
export function loadSessions(ids: readonly string[]): Promise<Result<Session[], StoreIssue>> {
  return withStore(async ({ sittings }) => ok(readable(await sittings.bulkGet([...ids]))))
}

/** Sessions that are read in one piece: a frame of work or two. */
const CHUNK = 500

/** The sessions from a time on, up to another, oldest first; read bit by bit, so that a page stays alive. */
export function listSessionsBetween(
  from: number,
  to: number,
): Promise<Result<Session[], StoreIssue>> {
  return withStore(async ({ sittings }) => {
    const found: Session[] = []
    for (let skip = 0; ; skip += CHUNK) {
      const some = sittings.where('createdAt').between(from, to, true, false)
      const rows = await some.offset(skip).limit(CHUNK).toArray()
      for (const session of readable(rows)) found.push(session)
      if (rows.length < CHUNK) return ok(found)
    }
  })
}

/** A page of the log: sessions before a time, the newest first, and whether there are older ones. */
export interface SessionPage {
  readonly sessions: readonly Session[]
  readonly more: boolean
}

/** A page of the newest sessions of the log, `skip` of them passed over. */
export function listNewestSessions(
  skip: number,
  most: number,
): Promise<Result<SessionPage, StoreIssue>> {
  return withStore(async ({ sittings }) => {
    const rows = await sittings.orderBy('createdAt').reverse().offset(skip).limit(most).toArray()
    return ok({ sessions: readable(rows), more: rows.length === most })
  })
}

/** How a lick is practised; null where nothing was chosen yet, or it cannot be read. */
export function loadPlan(lickId: string): Promise<Result<Kept<PlanRecord> | null, StoreIssue>> {
  return withStore(async ({ plans }) => {
    const row = await plans.get(lickId)
    if (!planRecordSchema.safeParse(row).success) return ok(null)
    const read = readKept('plans', row)
    return ok(read.ok && read.value.deletedAt === null ? read.value : null)
  })
}

function readable(rows: readonly unknown[]): Session[] {
  return rows.flatMap((row) => (row ? (toSession(row) ?? []) : []))
}
