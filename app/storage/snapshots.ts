import { ok, type Result } from '~/core/foundation'
import { type DimeDatabase, withStore } from './database'
import type { StoreIssue } from './issue'
import { readLickRecord } from './records'

/** A state of a lick that was kept without being asked. */
export interface Snapshot {
  readonly id: string
  readonly lickId: string
  readonly at: number
  readonly text: string
  readonly draft: string | null
  readonly voicing: string
}

/** A state is kept at most this often, and so many of them a lick. */
const APART_MS = 5 * 60_000
const MAX_SNAPSHOTS = 20

/** When each lick's last state was kept, as far as this tab knows. */
export class Snapshots {
  readonly keptAt = new Map<string, number>()
}

/**
 * Keeps the state of a lick that is about to be replaced, unless one was kept a moment ago. The clock
 * only spaces them: whatever it says, none is dropped before there are too many.
 */
export async function keepSnapshot(
  database: DimeDatabase,
  row: unknown,
  now: number,
  { keptAt }: Snapshots,
): Promise<void> {
  const read = readLickRecord(row)
  if (!read.ok) return
  const { id, text, draft, voicing, revision } = read.value
  const last = keptAt.get(id)
  if (last !== undefined && Math.abs(now - last) < APART_MS) return
  keptAt.set(id, now)
  const known = await rowsOf(database, id)
  if (known.some((kept) => kept.text === text && kept.voicing === voicing && kept.draft === draft))
    return
  const snapshot: Snapshot = { id: `${id} ${revision}`, lickId: id, at: now, text, draft, voicing }
  await database.snapshots.put({ ...snapshot })
  const surplus = known.slice(0, Math.max(0, known.length + 1 - MAX_SNAPSHOTS))
  await database.snapshots.bulkDelete(surplus.map((kept) => kept.id))
}

async function rowsOf(database: DimeDatabase, lickId: string): Promise<Snapshot[]> {
  const rows = await database.snapshots.where('lickId').equals(lickId).toArray()
  const order = (row: Snapshot) => Number(row.id.slice(row.lickId.length + 1))
  return (rows as unknown as Snapshot[]).sort((a, b) => order(a) - order(b))
}

/** The states of a lick that were kept without being asked, the newest first. */
export function listSnapshots(lickId: string): Promise<Result<Snapshot[], StoreIssue>> {
  return withStore(async (database) => ok((await rowsOf(database, lickId)).reverse()))
}
