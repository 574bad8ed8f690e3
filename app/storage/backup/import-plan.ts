import { nanoid } from 'nanoid'
import { parseLickText } from '~/codecs/lick-text'
import { parseSolo } from '~/codecs/solo'
import { parseVoicing } from '~/codecs/voicing'
import { fail, isEqual, ok, type Result } from '~/core/foundation'
import { nameOf } from '../bin'
import { type DimeDatabase, withStore } from '../database'
import type { StoreIssue } from '../issue'
import { readSettings } from '../settings'
import {
  contentText,
  KEPT_TABLES,
  type KeptTable,
  parseContent,
  type RecordOf,
  readKept,
} from '../tables'
import type { OnProgress } from './export'
import type { IncomingRow } from './rows-of-file'

/** How an entry of a file stands to what is here. */
export type Standing = 'new' | 'same' | 'different' | 'unreadable'
export type IncomingTable = KeptTable | 'settings' | 'aside'

/** An entry of a file as a list shows it. */
export interface IncomingEntry {
  readonly index: number
  readonly table: IncomingTable
  readonly name: string
  readonly standing: Standing
  /** Whether what is here is in the bin. */
  readonly binned: boolean
}

/** An entry with what it would bring, and what is here under its id. */
export interface Planned {
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

/** A new id for a record of a table. */
export function newId(table: KeptTable): string {
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
