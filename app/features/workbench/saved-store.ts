import { nanoid } from 'nanoid'
import * as z from 'zod'
import { parseLickText } from '~/codecs/lick-text'
import { findPhrase } from '~/core/catalogue'
import { parseGrooveBar } from '~/core/groove'
import { findMeter } from '~/core/time'
import {
  cellRecordSchema,
  deleteRecord,
  grooveRecordSchema,
  listCells,
  listGrooves,
  listVersions,
  type StoreIssue,
  saveCell,
  saveGroove,
  saveVersion,
  versionRecordSchema,
} from '~/storage'

/** What came of saving or deleting: nothing to say, or why not. */
export interface SaveNotice {
  readonly trouble: string
}

const deleting = z.object({ intent: z.literal('delete'), id: z.string().min(1) })
const savingCell = cellRecordSchema
  .omit({ version: true, createdAt: true })
  .partial({ id: true })
  .extend({ intent: z.literal('save'), createdAt: z.number().optional() })
const savingVersion = versionRecordSchema
  .omit({ version: true, createdAt: true })
  .partial({ id: true })
  .extend({ intent: z.literal('save'), createdAt: z.number().optional() })

const savingGroove = grooveRecordSchema
  .omit({ version: true, createdAt: true })
  .partial({ id: true })
  .extend({ intent: z.literal('save'), createdAt: z.number().optional() })

export type GrooveCommand = z.input<typeof savingGroove> | z.input<typeof deleting>
export type CellCommand = z.input<typeof savingCell> | z.input<typeof deleting>
export type VersionCommand = z.input<typeof savingVersion> | z.input<typeof deleting>

/** The player's own cells; empty where the store cannot be read. */
export async function openCells() {
  const cells = await listCells()
  return cells.ok ? cells.value : []
}

/** The saved versions of a lick. */
export async function openVersions(lickId: string) {
  const versions = await listVersions(lickId)
  return versions.ok ? versions.value : []
}

/** Saves or deletes a cell of the player's own. */
export async function changeCells(sent: unknown): Promise<SaveNotice> {
  const command = z.union([savingCell, deleting]).safeParse(sent)
  if (!command.success) return { trouble: 'A cell needs a name and a sticking.' }
  const { data } = command
  if (data.intent === 'delete') return said(await deleteRecord('cells', data.id))
  if (!findPhrase(data.line)) return { trouble: `“${data.line}” cannot be read as a sticking.` }
  const { intent: _intent, ...cell } = data
  return said(await saveCell({ ...cell, ...stamp(cell), version: 1 }))
}

/** The player's own grooves. */
export async function openGrooves() {
  const grooves = await listGrooves()
  return grooves.ok ? grooves.value : []
}

/** Saves or deletes a groove of the player's own. */
export async function changeGrooves(sent: unknown): Promise<SaveNotice> {
  const command = z.union([savingGroove, deleting]).safeParse(sent)
  if (!command.success) return { trouble: 'A groove needs a name, a metre and a bar.' }
  const { data } = command
  if (data.intent === 'delete') return said(await deleteRecord('grooves', data.id))
  const meter = findMeter(data.meter)
  const read = meter && parseGrooveBar(data, meter)
  if (!read?.ok) return { trouble: `The bar cannot be used: ${read?.error ?? 'no such metre'}.` }
  const { intent: _intent, ...groove } = data
  const stamped = stamp(groove)
  const id = groove.id ?? `own-${stamped.id}`
  return said(await saveGroove({ ...groove, ...stamped, id, version: 1 }))
}

/** Saves or deletes a version of a lick. */
export async function changeVersions(sent: unknown): Promise<SaveNotice> {
  const command = z.union([savingVersion, deleting]).safeParse(sent)
  if (!command.success) return { trouble: 'A version needs a name.' }
  const { data } = command
  if (data.intent === 'delete') return said(await deleteRecord('versions', data.id))
  if (!parseLickText(data.text).ok) return { trouble: 'The line cannot be read yet: fix it first.' }
  const { intent: _intent, ...version } = data
  return said(await saveVersion({ ...version, ...stamp(version), version: 1 }))
}

function stamp({ id, createdAt }: { id?: string | undefined; createdAt?: number | undefined }) {
  return { id: id ?? nanoid(), createdAt: createdAt ?? Date.now() }
}

function said(result: { ok: true } | { ok: false; error: StoreIssue }): SaveNotice {
  return {
    trouble: result.ok ? '' : 'It could not be saved: the browser’s storage does not respond.',
  }
}
