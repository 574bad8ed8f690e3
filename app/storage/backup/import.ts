import { nanoid } from 'nanoid'
import { parseLickText } from '~/codecs/lick-text'
import { parseSolo } from '~/codecs/solo'
import { parseVoicing } from '~/codecs/voicing'
import { fail, isEqual, ok, type Result } from '~/core/foundation'
import { nameOf } from '../bin'
import { announce } from '../changes'
import { type DimeDatabase, withStore } from '../database'
import { notSavedWords, type StoreIssue } from '../issue'
import { patchSettings, readSettings } from '../settings'
import {
  contentText,
  KEPT_TABLES,
  type KeptTable,
  parseContent,
  type RecordOf,
  readKept,
} from '../tables'
import { type Change, write } from '../write'
import type { OnProgress } from './export'
import type { IncomingRow } from './rows-of-file'

/** How an entry of a file stands to what is here. */
export type Standing = 'new' | 'same' | 'different' | 'unreadable'
export type IncomingTable = KeptTable | 'settings' | 'aside'

/** What can be done with an entry that is here in another state. */
export type Choice = 'replace' | 'both' | 'skip'

/** An entry of a file as a list shows it. */
export interface IncomingEntry {
  readonly index: number
  readonly table: IncomingTable
  readonly name: string
  readonly standing: Standing
  /** Whether what is here is in the bin. */
  readonly binned: boolean
}

interface Planned {
  readonly entry: IncomingEntry
  readonly row: unknown
  readonly record?: RecordOf[KeptTable]
  readonly deletedAt?: number | null
  readonly updatedAt?: number
  /** The revision of what is here, and whether that is in the bin. */
  readonly here?: { readonly revision: number; readonly deleted: boolean }
}

/** Everything that files would bring, held against what is here. */
export interface ImportPlan {
  readonly planned: readonly Planned[]
}

const CHUNK = 400
/** Ids of this form are the app's own; any other is replaced by a new one. */
const OWN_ID = /^[\w-]{1,60}$/
const ID_PREFIX: Partial<Record<KeptTable, string>> = { kits: 'kit-', grooves: 'own-' }

function newId(table: KeptTable): string {
  return `${ID_PREFIX[table] ?? ''}${nanoid(12)}`
}

/** Holds rows of files against what is here. Nothing is written. */
export function planImport(
  rows: readonly IncomingRow[],
  onProgress: OnProgress,
): Promise<Result<ImportPlan, StoreIssue>> {
  return withStore(async (database) => {
    const known: Known = {
      renamed: new Map(),
      aside: await asideTexts(database),
      taken: new Map(),
      ids: await idsOf(
        database,
        rows.map(({ table }) => table),
      ),
    }
    const planned: Planned[] = []
    for (let from = 0; from < rows.length; from += CHUNK) {
      onProgress(from, rows.length)
      const judged = rows.slice(from, from + CHUNK).map((one, i) => ({
        ...one,
        index: from + i,
        read: readRow(one, known.renamed),
      }))
      // One question to the disk for a table, and not one for each row.
      const here = await storedOf(database, judged, known.ids)
      for (const one of judged) planned.push(await planRow(database, one, here, known))
    }
    onProgress(rows.length, rows.length)
    return ok({ planned })
  })
}

/** What is known while the rows of files are gone through. */
interface Known {
  /** The app's own ids for ids of the files. */
  readonly renamed: Map<string, string>
  /** What is kept aside, or is going to be, as text. */
  readonly aside: Set<string>
  /** What the files have brought so far, by table and id. */
  readonly taken: Map<string, RecordOf[KeptTable]>
  /** What is here, by table: only of that the rest is asked for. */
  readonly ids: ReadonlyMap<KeptTable, ReadonlySet<string>>
}

async function idsOf(database: DimeDatabase, tables: readonly string[]): Promise<Known['ids']> {
  const ids = new Map<KeptTable, ReadonlySet<string>>()
  for (const table of KEPT_TABLES) {
    if (!tables.includes(table)) continue
    ids.set(table, new Set(await database[table].toCollection().primaryKeys()))
  }
  return ids
}

async function asideTexts(database: DimeDatabase): Promise<Set<string>> {
  const kept = await database.aside.toArray()
  return new Set(kept.map((one) => JSON.stringify((one as { raw?: unknown }).raw)))
}

/** A row with what it says, where it is of a table that is known. */
interface JudgedRow extends IncomingRow {
  readonly index: number
  readonly read: ReadRow | undefined
}
interface ReadRow {
  readonly table: KeptTable
  readonly judged: Result<Judged, StoreIssue>
}

function readRow({ table, row }: IncomingRow, renamed: Map<string, string>): ReadRow | undefined {
  const known = KEPT_TABLES.find((one) => one === table)
  return known && { table: known, judged: judge(known, withOwnIds(known, row, renamed)) }
}

/** What is here under the ids of some rows, by table and id. */
async function storedOf(
  database: DimeDatabase,
  rows: readonly JudgedRow[],
  known: Known['ids'],
): Promise<Map<KeptTable, Map<string, unknown>>> {
  const all = new Map<KeptTable, Map<string, unknown>>()
  for (const table of new Set(rows.flatMap(({ read }) => read?.table ?? []))) {
    const ids = rows.flatMap(({ read }) =>
      read?.table === table && read.judged.ok && known.get(table)?.has(read.judged.value.record.id)
        ? [read.judged.value.record.id]
        : [],
    )
    if (ids.length === 0) continue
    const found = await database[table].bulkGet(ids)
    all.set(table, new Map(ids.map((id, i) => [id, found[i]])))
  }
  return all
}

async function planRow(
  database: DimeDatabase,
  { table, row, index, read: found }: JudgedRow,
  storedRows: ReadonlyMap<KeptTable, ReadonlyMap<string, unknown>>,
  { aside, taken }: Known,
): Promise<Planned> {
  if (table === 'settings') return planSettings(database, row, index)
  if (table === 'aside') {
    const { raw } = (row ?? {}) as { raw?: unknown }
    return planAside(raw ?? row, index, 'kept aside before', aside)
  }
  const known = found?.table
  const read = found?.judged
  if (!known || !read?.ok) {
    const name = read && !read.ok ? read.error.detail : table
    return planAside(row, index, firstLine(name), aside)
  }
  const { record, deletedAt, updatedAt } = read.value
  const name = nameOf(known, record)
  const place = `${known} ${record.id}`
  const before = taken.get(place)
  if (before) {
    // Two of a file under one id: the second is the same again, or one of its own.
    if (contentText(before) === contentText(record))
      return { entry: entryOf(index, known, name, 'same', false), row }
    if (known === 'plans') return planAside(row, index, name, aside)
    const id = newId(known)
    const own = { ...read.value, record: { ...record, id } }
    return { entry: entryOf(index, known, name, 'new', false), row, ...own }
  }
  taken.set(place, record)
  const stored = storedRows.get(known)?.get(record.id)
  const here = stored === undefined ? undefined : readKept(known, stored)
  if (!here?.ok) {
    const standing: Standing = stored ? 'different' : 'new'
    return { entry: entryOf(index, known, name, standing, false), row, ...read.value }
  }
  const deleted = here.value.deletedAt !== null
  const same =
    contentText(record) === contentText(contentOf(known, here.value)) &&
    deleted === (deletedAt !== null)
  return {
    entry: entryOf(index, known, name, same ? 'same' : 'different', deleted),
    row,
    record,
    deletedAt,
    updatedAt,
    here: { revision: here.value.revision, deleted },
  }
}

/** What cannot be read is kept aside, each once: by its content, since it has no id to go by. */
function planAside(row: unknown, index: number, name: string, aside: Set<string>): Planned {
  const text = JSON.stringify(row)
  const standing: Standing = aside.has(text) ? 'same' : 'unreadable'
  aside.add(text)
  return { entry: entryOf(index, 'aside', name, standing, false), row }
}

/** What a stored record says, as it would be read from a file. */
function contentOf(table: KeptTable, stored: RecordOf[KeptTable]): RecordOf[KeptTable] {
  const content = parseContent(table, stored)
  return content.ok ? content.value : stored
}

function entryOf(
  index: number,
  table: IncomingTable,
  name: string,
  standing: Standing,
  binned: boolean,
): IncomingEntry {
  return { index, table, name, standing, binned }
}

function firstLine(text: string): string {
  return (text.split('\n')[0] ?? '').slice(0, 120)
}

async function planSettings(database: DimeDatabase, row: unknown, index: number): Promise<Planned> {
  const here = readSettings(await database.settings.get('settings'))
  const same = isEqual(readSettings(row), here)
  const standing: Standing = same ? 'same' : 'different'
  return { entry: entryOf(index, 'settings', 'Settings', standing, false), row }
}

/** A row with ids of the app's own: one that is not is replaced, the same everywhere. */
function withOwnIds(table: KeptTable, row: unknown, renamed: Map<string, string>): unknown {
  if (typeof row !== 'object' || row === null) return row
  const own = (id: unknown, prefix = '') => {
    if (typeof id !== 'string') return id
    if (OWN_ID.test(id) && id.startsWith(prefix)) return id
    const known = renamed.get(id) ?? `${prefix}${nanoid(12)}`
    renamed.set(id, known)
    return known
  }
  const { id, lickId, exercises } = row as { id?: unknown; lickId?: unknown; exercises?: unknown }
  const ownLick = (one: unknown) =>
    typeof one === 'object' && one !== null && 'lickId' in one
      ? { ...one, lickId: own(one.lickId) }
      : one
  return {
    ...row,
    id: table === 'plans' ? own(id) : own(id, ID_PREFIX[table]),
    ...(lickId !== undefined && { lickId: own(lickId) }),
    ...(table === 'sets' && Array.isArray(exercises) && { exercises: exercises.map(ownLick) }),
  }
}

interface Judged {
  readonly record: RecordOf[KeptTable]
  readonly deletedAt: number | null
  readonly updatedAt: number
}

/** Whether a row can be read as a record, a lick as a lick, and a solo as a solo. */
function judge(table: KeptTable, row: unknown): Result<Judged, StoreIssue> {
  const content = parseContent(table, row)
  if (!content.ok) return content
  if (table === 'licks' || table === 'versions') {
    const { text, voicing } = content.value as RecordOf['licks']
    if (!parseLickText(text).ok)
      return fail({ code: 'broken-record', detail: 'the text can’t be read' })
    const read = parseVoicing(voicing)
    if (!read.ok) return fail({ code: 'broken-record', detail: read.error })
  }
  if (table === 'solos') {
    const read = parseSolo((content.value as RecordOf['solos']).solo)
    if (!read.ok) return fail({ code: 'broken-record', detail: read.error.message })
  }
  const kept = readKept(table, row)
  return kept.ok
    ? ok({
        record: content.value,
        deletedAt: kept.value.deletedAt,
        updatedAt: kept.value.updatedAt,
      })
    : kept
}

/** What to do with what is here in another state: for all, and for some by themselves. */
export interface Choices {
  readonly different: Choice
  readonly single: ReadonlyMap<number, Choice>
}

/** What came of an import. */
export interface ImportDone {
  readonly added: number
  /** Out of the bin. */
  readonly restored: number
  readonly replaced: number
  readonly aside: number
  readonly skipped: number
  /** The first of the licks that came, to be opened. */
  readonly licks: readonly { readonly id: string; readonly name: string }[]
  /** Why some could not be written; each a line. */
  readonly faults: readonly string[]
  readonly cancelled: boolean
}

/** So many entries are written as one: all of them, or none. More, and it goes in steps. */
const WHOLE = 1000
const WRITTEN_AT_ONCE = 400
/** So many licks are told of by name once they came. */
const MAX_TOLD = 5
/** What fails for one entry fails for all: the store itself is full, or gone. */
const OF_THE_STORE: ReadonlySet<StoreIssue['code']> = new Set(['quota', 'unavailable'])

/**
 * Carries a plan out. Up to a thousand entries are written whole, so that a store that fails in the middle
 * is as it was; a large backup goes in steps that are each made whole or not at all, between which it can
 * be cancelled, and what was done stays done. An entry that is refused by itself stops no other.
 */
export async function applyImport(
  { planned }: ImportPlan,
  choices: Choices,
  now: number,
  onProgress: OnProgress,
  cancelled: () => boolean,
): Promise<ImportDone> {
  const count = { added: 0, restored: 0, replaced: 0, aside: 0, skipped: 0 }
  const licks: { id: string; name: string }[] = []
  const faults: string[] = []
  const step = planned.length <= WHOLE ? WHOLE : WRITTEN_AT_ONCE
  for (let from = 0; from < planned.length && !cancelled(); from += step) {
    const chunk = planned.slice(from, from + step)
    const kept = chunk.map((one) => decided(one, choices))
    const done = await write(
      kept.flatMap(({ changes }) => changes),
      now,
    )
    if (!done.ok && OF_THE_STORE.has(done.error.code)) {
      faults.push(notSavedWords(done.error))
      break
    }
    if (done.ok) {
      for (const { as, name, changes } of kept) {
        count[as] += 1
        const [first] = changes
        if (first?.table === 'licks' && licks.length < MAX_TOLD)
          licks.push({ id: first.kind === 'save' ? first.record.id : first.id, name })
      }
    }
    if (!done.ok) await oneByOne(kept, now, count, faults)
    for (const [i, { entry, row }] of chunk.entries()) {
      const as = kept[i]?.as
      const beside =
        as === 'aside'
          ? await putAside(row, now, `${now}-${from + i}`)
          : entry.table === 'settings' && as === 'replaced'
            ? await patchSettings(readSettings(row))
            : ok(null)
      if (beside.ok || !as) continue
      count[as] -= 1
      faults.push(`${entry.name}: ${beside.error.detail}`)
    }
    onProgress(Math.min(planned.length, from + step), planned.length)
    await new Promise((resolve) => setTimeout(resolve))
  }
  return { ...count, licks, faults, cancelled: cancelled() }
}

type Kind = 'added' | 'restored' | 'replaced' | 'aside' | 'skipped'

interface Decided {
  readonly as: Kind
  readonly name: string
  readonly changes: readonly Change[]
}

/** A step that could not be made whole is made entry by entry: one fault stops no other. */
async function oneByOne(
  kept: readonly Decided[],
  now: number,
  count: Record<Kind, number>,
  faults: string[],
): Promise<void> {
  for (const { as, name, changes } of kept) {
    const done = changes.length > 0 ? await write(changes, now) : ok([])
    if (done.ok) count[as] += 1
    else faults.push(`${name}: ${done.error.detail}`)
  }
}

function decided(
  { entry, record, deletedAt, updatedAt, here }: Planned,
  choices: Choices,
): Decided {
  const { table, standing, index, name } = entry
  const nothing = (as: Kind): Decided => ({ as, name, changes: [] })
  if (standing === 'unreadable') return nothing('aside')
  if (standing === 'same') return nothing('skipped')
  const own = choices.single.get(index)
  const choice = own ?? choices.different
  if (table === 'settings') return nothing(choice === 'replace' ? 'replaced' : 'skipped')
  if (table === 'aside' || !record) return nothing('skipped')
  const save = (of: RecordOf[KeptTable], base: number | null) =>
    ({ kind: 'save', table, record: of, base, updatedAt }) as unknown as Change
  const bin = (id: string): readonly Change[] => (deletedAt ? [{ kind: 'bin', table, id }] : [])
  if (standing === 'new')
    return { as: 'added', name, changes: [save(record, null), ...bin(record.id)] }
  // What is in the bin here and in use in the file is the same thing: it comes back, it is not doubled.
  if (here?.deleted && deletedAt === null && own !== 'skip' && own !== 'both') {
    const out: Change = { kind: 'restore', table, id: record.id }
    return { as: 'restored', name, changes: [out, save(record, here.revision + 1)] }
  }
  if (choice === 'skip') return nothing('skipped')
  if (choice === 'both') {
    if (table === 'plans') return nothing('skipped')
    const id = newId(table)
    return { as: 'added', name, changes: [save({ ...record, id }, null), ...bin(id)] }
  }
  if (!here) return nothing('skipped')
  const back: readonly Change[] = here.deleted ? [{ kind: 'restore', table, id: record.id }] : []
  const base = here.revision + back.length
  return { as: 'replaced', name, changes: [...back, save(record, base), ...bin(record.id)] }
}

/** Keeps what cannot be read as it is: it is in every backup, until a version comes that can read it. */
function putAside(raw: unknown, at: number, id: string): Promise<Result<null, StoreIssue>> {
  return withStore(async (database) => {
    await database.aside.put({ id, at, raw })
    announce([{ table: 'aside', ids: [id] }])
    return ok(null)
  })
}
