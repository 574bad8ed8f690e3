import { nanoid } from 'nanoid'
import * as z from 'zod/mini'
import { parseLickText } from '~/codecs/lick-text'
import { findPhrase } from '~/core/changes'
import type { Result } from '~/core/foundation'
import { parseGrooveBar } from '~/core/groove'
import { findMeter } from '~/core/time'
import type { SaveNotice } from '~/live/use-saving'
import {
  cellRecordSchema,
  grooveRecordSchema,
  loadKept,
  notSavedWords,
  putInBin,
  type StoreIssue,
  saveRecord,
  versionRecordSchema,
} from '~/storage'

/** What was changed elsewhere since it was shown: its revision now, to be replaced all the same. */
export interface Overtaken extends SaveNotice {
  readonly revision?: number
}

const deleting = z.object({ intent: z.literal('delete'), id: z.string().check(z.minLength(1)) })
const known = { createdAt: z.optional(z.number()), revision: z.optional(z.number()) }
const SAVED = { intent: z.literal('save'), ...known }
const savingCell = z.extend(
  z.partial(z.omit(cellRecordSchema, { version: true, createdAt: true }), { id: true }),
  SAVED,
)
const savingVersion = z.extend(
  z.partial(z.omit(versionRecordSchema, { version: true, createdAt: true }), { id: true }),
  SAVED,
)
const savingGroove = z.extend(
  z.partial(z.omit(grooveRecordSchema, { version: true, createdAt: true }), { id: true }),
  SAVED,
)

export type GrooveCommand = z.input<typeof savingGroove> | z.input<typeof deleting>
export type CellCommand = z.input<typeof savingCell> | z.input<typeof deleting>
export type VersionCommand = z.input<typeof savingVersion> | z.input<typeof deleting>

type SavedTable = 'cells' | 'grooves' | 'versions'

/** Saves or deletes a cell of the player's own. */
export async function changeCells(sent: CellCommand): Promise<Overtaken> {
  const command = z.union([savingCell, deleting]).safeParse(sent)
  if (!command.success) return { trouble: 'A cell needs a name and a sticking.' }
  const { data } = command
  if (data.intent === 'delete') return said(await putInBin([{ table: 'cells', id: data.id }]))
  if (!findPhrase(data.line)) return { trouble: `“${data.line}” cannot be read as a sticking.` }
  const { intent: _intent, revision, ...cell } = data
  const record = { ...cell, ...stamp(cell), version: 1 as const }
  return saved('cells', record.id, await saveRecord('cells', record, await base('cells', data)))
}

/** Saves or deletes a groove of the player's own. */
export async function changeGrooves(sent: GrooveCommand): Promise<Overtaken> {
  const command = z.union([savingGroove, deleting]).safeParse(sent)
  if (!command.success) return { trouble: 'A groove needs a name, a metre and a bar.' }
  const { data } = command
  if (data.intent === 'delete') return said(await putInBin([{ table: 'grooves', id: data.id }]))
  const meter = findMeter(data.meter)
  const read = meter && parseGrooveBar(data, meter)
  if (!read?.ok) return { trouble: `The bar cannot be used: ${read?.error ?? 'no such metre'}.` }
  const { intent: _intent, revision, ...groove } = data
  const stamped = stamp(groove)
  const id = groove.id ?? `own-${stamped.id}`
  const record = { ...groove, ...stamped, id, version: 1 as const }
  return saved('grooves', id, await saveRecord('grooves', record, await base('grooves', data)))
}

/** Saves or deletes a version of a lick. */
export async function changeVersions(sent: VersionCommand): Promise<Overtaken> {
  const command = z.union([savingVersion, deleting]).safeParse(sent)
  if (!command.success) return { trouble: 'A version needs a name.' }
  const { data } = command
  if (data.intent === 'delete') return said(await putInBin([{ table: 'versions', id: data.id }]))
  if (!parseLickText(data.text).ok) return { trouble: 'The line cannot be read yet: fix it first.' }
  const { intent: _intent, revision, ...version } = data
  const record = { ...version, ...stamp(version), version: 1 as const }
  return saved(
    'versions',
    record.id,
    await saveRecord('versions', record, await base('versions', data)),
  )
}

function stamp({ id, createdAt }: { id?: string | undefined; createdAt?: number | undefined }) {
  return { id: id ?? nanoid(), createdAt: createdAt ?? Date.now() }
}

/** The revision that is replaced: the one that was seen; else, of a given id, the one that is there. */
async function base(
  table: SavedTable,
  { id, revision }: { id?: string | undefined; revision?: number | undefined },
): Promise<number | null> {
  if (revision !== undefined) return revision
  if (id === undefined) return null
  const stored = await loadKept(table, id)
  return stored.ok ? (stored.value?.revision ?? null) : null
}

async function saved(
  table: SavedTable,
  id: string,
  result: Result<number, StoreIssue>,
): Promise<Overtaken> {
  const notice = said(result)
  if (result.ok || result.error.code !== 'conflict') return notice
  const theirs = await loadKept(table, id)
  if (!theirs.ok || !theirs.value) return notice
  const { revision, ...record } = theirs.value
  const words = 'line' in record ? `“${record.name}”, ${record.line}` : `“${record.name}”`
  return { trouble: `Not saved: it was changed in another tab to ${words}.`, revision }
}

function said(result: Result<unknown, StoreIssue>): SaveNotice {
  return { trouble: result.ok ? '' : notSavedWords(result.error) }
}
