import { ok, type Result } from '~/core/foundation'
import { onStoreChange } from '../changes'
import { withStore } from '../database'
import type { StoreIssue } from '../issue'
import { Snapshots } from '../snapshots'
import { saveSparePlan } from '../spare-plan'
import { type Kept, type KeptTable, type RecordOf, readKept } from '../tables'
import type { Change } from '../write'
import { write } from '../writer'
import { toConflictCopies } from './conflict-copies'
import { journal } from './page'
import { RecordSaver } from './record-saver'

type AnySaver = RecordSaver<KeptTable>

const savers = new Set<AnySaver>()
/** Those whose page is left already. */
const left = new Set<AnySaver>()
const listeners = new Set<() => void>()
const snapshots = new Snapshots()

/**
 * A saver of one record of the store, from what was known of it; it is flushed when the page is left, until it is let go.
 */
export function openSaver<T extends KeptTable>(
  table: T,
  id: string,
  revision: number | null,
  known?: RecordOf[T],
): RecordSaver<T> {
  const saver = new RecordSaver<T>(
    table,
    id,
    revision,
    {
      save: async (record, base, count) => {
        const savedBy = { page: journal.writer.page, count }
        const change = { kind: 'save', table, record, base, savedBy } as unknown as Change
        const written = await write([change], Date.now(), snapshots)
        if (!written.ok) return written
        askToPersist()
        return ok(written.value[0] as number)
      },
      load: () => loadKept(table, id),
      journal,
    },
    known,
  )
  savers.add(saver as unknown as AnySaver)
  saver.subscribe(tellAll)
  return saver
}

/**
 * Follows the record of a saver for as long as a page shows it: calls back with what is stored whenever that is
 * newer than what is here. It is asked at once, too, as soon as earlier pages of this record have saved what
 * they still had: what a page was opened with may have been read before. Returns the way to stop, which closes
 * the saver.
 */
export function followRecord<T extends KeptTable>(
  saver: RecordSaver<T>,
  onTheirs: (theirs: Kept<RecordOf[T]> | 'deleted') => void,
): () => void {
  let stopped = false
  let asking = false
  let again = false
  // However often the store changes while it is asked, it is asked once more: not once for each change.
  const ask = async () => {
    again = true
    if (asking) return
    asking = true
    while (again && !stopped) {
      again = false
      const theirs = await saver.checkStored()
      if (theirs && !stopped) onTheirs(theirs)
    }
    asking = false
  }
  const stop = onStoreChange(({ table, ids }) => {
    if (table === saver.table && ids.includes(saver.id)) void ask()
  })
  const earlier = [...savers].filter(
    (one) => one.table === saver.table && one.id === saver.id && one !== (saver as unknown),
  )
  void Promise.all(earlier.map((one) => one.flush())).then(ask)
  return () => {
    stopped = true
    stop()
    void closeSaver(saver)
  }
}

let asked = false

/** Asks the browser, once a page, to keep what is stored also when it runs short of space. */
function askToPersist(): void {
  if (asked || typeof navigator === 'undefined') return
  asked = true
  const storage = navigator.storage as StorageManager | undefined
  void storage?.persist?.().catch(() => false)
}

/** Keeps what a conflict would drop: a plan as the lick's other plan, anything else as its own record. */
async function keptBeside<T extends KeptTable>(
  { table, id }: RecordSaver<T>,
  waiting: RecordOf[T],
): Promise<boolean> {
  if (table === 'plans') return (await saveSparePlan(id, waiting as RecordOf['plans'])).ok
  const besides = toConflictCopies(table, waiting, Date.now())
  return besides.length === 0 || (await write(besides)).ok
}

/**
 * Flushes a saver whose page is left, and lets it go as soon as everything of it is in the store. A conflict,
 * there already or met only when a save that had failed is tried again, is left as it is stored, with ours
 * kept beside it: there is nobody any more to decide about it, and nobody is asked.
 */
export async function closeSaver<T extends KeptTable>(saver: RecordSaver<T>): Promise<void> {
  left.add(saver as unknown as AnySaver)
  tellAll()
  await saver.flush()
  let keeping = false
  const settle = async () => {
    const { waiting } = saver
    if (saver.state().kind === 'conflict') {
      if (keeping) return
      keeping = true
      if (waiting === undefined || (await keptBeside(saver, waiting))) saver.giveUp()
      else setTimeout(() => void settle(), AGAIN_MS)
      keeping = false
    }
    if (saver.busy || saver.state().kind === 'conflict') return
    savers.delete(saver as unknown as AnySaver)
    left.delete(saver as unknown as AnySaver)
    stop()
    tellAll()
  }
  const stop = saver.subscribe(() => void settle())
  await settle()
}
/** What could not be kept beside what is stored, for want of room, is tried again. */
const AGAIN_MS = 3000

/** A record that is in use; undefined for one that is deleted or not there. */
export function loadKept<T extends KeptTable>(
  table: T,
  id: string,
): Promise<Result<Kept<RecordOf[T]> | undefined, StoreIssue>> {
  return withStore(async (database) => {
    const row = await database[table].get(id)
    if (!row) return ok(undefined)
    const read = readKept(table, row)
    return read.ok && read.value.deletedAt !== null ? ok(undefined) : read
  })
}

/** Resolves when everything that waited is in the store, or is known not to get there. */
export async function settleAll(): Promise<void> {
  await Promise.all([...savers].map((saver) => saver.flush()))
}

/** The worst that there is to say of everything that is being saved. */
export type Unsaved =
  | { readonly kind: 'none' }
  | { readonly kind: 'failed'; readonly issue: StoreIssue }
  | { readonly kind: 'conflict' }

const NONE: Unsaved = { kind: 'none' }
const CONFLICT: Unsaved = { kind: 'conflict' }
let unsaved: Unsaved = NONE

/** What cannot be saved at present; the same object while it stays. */
export function unsavedNow(): Unsaved {
  return unsaved
}

/** Calls back whenever that becomes something else. Returns the way to stop. */
export function onUnsaved(listener: () => void): () => void {
  listeners.add(listener)
  return () => listeners.delete(listener)
}

function tellAll(): void {
  const all = [...savers]
  const failed = all.map((saver) => saver.state()).find(({ kind }) => kind === 'failed')
  const next: Unsaved =
    failed?.kind === 'failed'
      ? { kind: 'failed', issue: failed.issue }
      : all.some((saver) => saver.state().kind === 'conflict' && !left.has(saver))
        ? CONFLICT
        : NONE
  const same = next.kind === unsaved.kind && next.kind !== 'failed'
  if (same) return
  unsaved = next
  for (const listener of [...listeners]) listener()
}
