import Dexie, { type EntityTable } from 'dexie'
import { fail, ok, type Result } from '~/core/foundation'
import type { StoreIssue } from './issue'

export const DATABASE_NAME = 'dime-stack'
export const STORE_VERSION = 8
/** Dexie keeps ten steps of the browser's version number for each of ours. */
const STEPS = 10
/** A store that does not answer for so long is told as one that cannot be opened. */
const OPEN_MS = 8000

/** Rows are read as unknown: what is on disk is judged each time (see records). */
export interface StoredRow {
  readonly id: string
  readonly [field: string]: unknown
}

type Rows = EntityTable<StoredRow, 'id'>

export class DimeDatabase extends Dexie {
  licks!: Rows
  settings!: Rows
  cells!: Rows
  versions!: Rows
  grooves!: Rows
  kits!: Rows
  /** Practice sessions, under the name that the first stores gave them. */
  sittings!: Rows
  plans!: Rows
  sets!: Rows
  solos!: Rows
  /** What the library's list shows of each lick, derived from it. */
  summaries!: Rows
  /** What the log says of each lick, derived from its sessions. */
  logs!: Rows
  /** A lick's last states, kept without being asked. */
  snapshots!: Rows
  /** Takes that the player kept, and their sound by itself: a list of them does not read it. */
  takes!: Rows
  takeSounds!: Rows
  /** Sounds of the player's own, and what is laid of them on a kit. */
  sampleMaps!: Rows
  sampleSounds!: Rows
  /** What could not be read, as it was. */
  aside!: Rows

  constructor() {
    super(DATABASE_NAME)
    this.version(1).stores({ licks: 'id', settings: 'id' })
    this.version(2).stores({ cells: 'id', versions: 'id, lickId', grooves: 'id' })
    this.version(3).stores({ kits: 'id' })
    this.version(4).stores({ sittings: 'id, lickId' })
    this.version(5).stores({ plans: 'id' })
    this.version(6).stores({
      licks: 'id, deletedAt',
      cells: 'id, deletedAt',
      versions: 'id, lickId, deletedAt',
      grooves: 'id, deletedAt',
      kits: 'id, deletedAt',
      sittings: 'id, lickId, createdAt, deletedAt',
      summaries: 'id',
      logs: 'id',
      snapshots: 'id, lickId',
      aside: 'id',
    })
    this.version(7).stores({ sets: 'id, deletedAt', solos: 'id, deletedAt' })
    this.version(STORE_VERSION).stores({
      takes: 'id, sessionId',
      takeSounds: 'id',
      sampleMaps: 'id',
      sampleSounds: 'id, mapId',
    })
  }
}

type Opened = Result<DimeDatabase, StoreIssue>

let opened: Promise<Opened> | undefined
/** Set for good when a newer version of the app has taken the store over. */
let retired: StoreIssue | undefined
const listeners = new Set<(issue: StoreIssue) => void>()

/** Calls back when a newer version of the app takes the store away from this page. Returns the way to stop. */
export function onStoreTaken(listener: (issue: StoreIssue) => void): () => void {
  listeners.add(listener)
  if (retired) listener(retired)
  return () => listeners.delete(listener)
}

/** The store, opened once; a failure is told as an issue and can be tried again. */
export function openDatabase(): Promise<Opened> {
  if (retired) return Promise.resolve(fail(retired))
  opened ??= inTime(tryOpen()).then((result) => {
    if (!result.ok) opened = undefined
    return result
  })
  return opened
}

async function inTime(opening: Promise<Opened>): Promise<Opened> {
  let timer: ReturnType<typeof setTimeout> | undefined
  const late = new Promise<Opened>((resolve) => {
    const detail = `the store did not answer within ${OPEN_MS / 1000} seconds`
    timer = setTimeout(() => resolve(fail({ code: 'unavailable', detail })), OPEN_MS)
  })
  try {
    return await Promise.race([opening, late])
  } finally {
    clearTimeout(timer)
  }
}

async function tryOpen(): Promise<Opened> {
  const database = new DimeDatabase()
  database.on('versionchange', ({ newVersion }) => giveUp(database, newVersion))
  database.on('close', () => {
    opened = undefined
  })
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

/** Another page wants to change the store's shape, or to delete it: this one lets go at once. */
function giveUp(database: DimeDatabase, newVersion: number | null): void {
  opened = undefined
  database.close({ disableAutoOpen: true })
  if (newVersion === null) return
  retired = {
    code: 'newer-store',
    detail: `another tab changed the store to version ${newVersion / STEPS}`,
  }
  for (const listener of listeners) listener(retired)
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
    return fail(retired ?? toStoreIssue(error))
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
