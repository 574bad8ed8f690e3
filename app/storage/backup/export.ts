import type { BackupTables } from '~/codecs/backup'
import { valuesOf } from '~/codecs/lick-text'
import { ok, type Result } from '~/core/foundation'
import { type DimeDatabase, type StoredRow, withStore } from '../database'
import type { StoreIssue } from '../issue'

/** The tables that a backup holds: all but what is derived from others. */
export const BACKUP_TABLES = [
  'licks',
  'versions',
  'cells',
  'grooves',
  'kits',
  'plans',
  'sets',
  'solos',
  'sittings',
  'snapshots',
  'settings',
  'aside',
] as const
export type BackupTable = (typeof BACKUP_TABLES)[number]

/** Told how far a long piece of work is: done of all. */
export type OnProgress = (done: number, all: number) => void

const CHUNK = 1000
/** Marks of the store itself, which stand among the settings. */
const MARKS: ReadonlySet<string> = new Set(['marks', 'derived', 'backup'])

/** Everything that is stored, the deleted and the unreadable too, as it is. */
export function readEverything(onProgress: OnProgress): Promise<Result<BackupTables, StoreIssue>> {
  return withStore(async (database) => {
    const counts = await Promise.all(BACKUP_TABLES.map((table) => database[table].count()))
    const all = counts.reduce((sum, count) => sum + count, 0)
    const tables = new Map<string, readonly unknown[]>()
    let done = 0
    for (const table of BACKUP_TABLES) {
      const rows = await readTable(database, table, (count) => {
        done += count
        onProgress(done, all)
      })
      tables.set(table, rows)
    }
    return ok(tables)
  })
}

async function readTable(
  database: DimeDatabase,
  table: BackupTable,
  onRows: (count: number) => void,
): Promise<StoredRow[]> {
  const rows: StoredRow[] = []
  for (let after = ''; ; ) {
    const chunk = await database[table].where('id').above(after).limit(CHUNK).toArray()
    for (const row of chunk) if (table !== 'settings' || !MARKS.has(row.id)) rows.push(row)
    onRows(chunk.length)
    const last = chunk.at(-1)
    if (!last || chunk.length < CHUNK) return rows
    after = last.id
  }
}

/** Some licks and sets, with everything of theirs: versions, plans, sessions, own grooves and kits in use. */
export function readLicksWhole(
  ids: readonly string[],
  onProgress: OnProgress,
  setIds: readonly string[] = [],
): Promise<Result<BackupTables, StoreIssue>> {
  return withStore(async (database) => {
    const licks = (await database.licks.bulkGet([...ids])).flatMap((row) => row ?? [])
    onProgress(licks.length, ids.length)
    const named = (key: 'groove' | 'kit') =>
      [...new Set(licks.map(({ text }) => valuesOf(String(text), key)[0] ?? ''))].filter(Boolean)
    const ofLicks = (table: 'versions' | 'sittings') =>
      database[table]
        .where('lickId')
        .anyOf([...ids])
        .toArray()
    const found = async (table: 'grooves' | 'kits' | 'plans' | 'sets', of: readonly string[]) =>
      (await database[table].bulkGet([...of])).flatMap((row) => row ?? [])
    return ok(
      new Map<string, readonly unknown[]>([
        ['licks', licks],
        ['versions', await ofLicks('versions')],
        ['sittings', await ofLicks('sittings')],
        ['plans', await found('plans', ids)],
        ['sets', await found('sets', setIds)],
        ['grooves', await found('grooves', named('groove'))],
        ['kits', await found('kits', named('kit'))],
      ]),
    )
  })
}
