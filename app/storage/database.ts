import Dexie, { type EntityTable } from 'dexie'
import { fail, ok, type Result } from '~/core/foundation'
import type { StoreIssue } from './records'

export const DATABASE_NAME = 'dime-stack'
const STORE_VERSION = 5
/** Dexie keeps ten steps of the browser's version number for each of ours. */
const STEPS = 10

/** Rows are read as unknown: what is on disk is judged each time (see records). */
export interface StoredRow {
  readonly id: string
  readonly [field: string]: unknown
}

export class DimeDatabase extends Dexie {
  licks!: EntityTable<StoredRow, 'id'>
  settings!: EntityTable<StoredRow, 'id'>
  cells!: EntityTable<StoredRow, 'id'>
  versions!: EntityTable<StoredRow, 'id'>
  grooves!: EntityTable<StoredRow, 'id'>
  kits!: EntityTable<StoredRow, 'id'>
  /** Practice sessions, under the name that the first stores gave them. */
  sittings!: EntityTable<StoredRow, 'id'>
  plans!: EntityTable<StoredRow, 'id'>

  constructor() {
    super(DATABASE_NAME)
    this.version(1).stores({ licks: 'id', settings: 'id' })
    this.version(2).stores({ cells: 'id', versions: 'id, lickId', grooves: 'id' })
    this.version(3).stores({ kits: 'id' })
    this.version(4).stores({ sittings: 'id, lickId' })
    this.version(STORE_VERSION).stores({ plans: 'id' })
  }
}

let opened: Promise<Result<DimeDatabase, StoreIssue>> | undefined

/** The store, opened once; a failure is told as an issue and can be tried again. */
export function openDatabase(): Promise<Result<DimeDatabase, StoreIssue>> {
  opened ??= tryOpen().then((result) => {
    if (!result.ok) opened = undefined
    return result
  })
  return opened
}

async function tryOpen(): Promise<Result<DimeDatabase, StoreIssue>> {
  const database = new DimeDatabase()
  try {
    await database.open()
    // Dexie would open a newer store as well as it can; what is in it is not ours to change.
    const found = database.backendDB().version / STEPS
    if (found <= STORE_VERSION) return ok(database)
    database.close()
    return fail({
      code: 'newer-store',
      detail: `the store is of version ${found}, not ${STORE_VERSION}`,
    })
  } catch (error) {
    return fail(toStoreIssue(error))
  }
}

/** Runs one piece of work on the open store; whatever the browser throws becomes an issue. */
export async function withStore<T>(
  work: (database: DimeDatabase) => Promise<Result<T, StoreIssue>>,
): Promise<Result<T, StoreIssue>> {
  const database = await openDatabase()
  if (!database.ok) return database
  try {
    return await work(database.value)
  } catch (error) {
    return fail(toStoreIssue(error))
  }
}

/** Names what the browser's store complained about. */
export function toStoreIssue(error: unknown): StoreIssue {
  const name = error instanceof Error ? error.name : ''
  const inner = (error as { inner?: { name?: string } } | undefined)?.inner?.name ?? ''
  const detail = error instanceof Error ? error.message : String(error)
  if (name === 'VersionError' || inner === 'VersionError') return { code: 'newer-store', detail }
  if (name === 'QuotaExceededError' || inner === 'QuotaExceededError')
    return { code: 'quota', detail }
  return { code: 'unavailable', detail }
}

/**
 * Everything that can be read from a store which cannot be opened as ours, whatever its version:
 * the rows of its licks as they are. Empty where nothing can be read.
 */
export async function rescueLicks(): Promise<StoredRow[]> {
  const anyVersion = new Dexie(DATABASE_NAME)
  try {
    await anyVersion.open()
    return await anyVersion.table<StoredRow>('licks').toArray()
  } catch {
    return []
  } finally {
    anyVersion.close()
  }
}
