import { nanoid } from 'nanoid'
import * as z from 'zod'
import { parseLickText } from '~/codecs/lick-text'
import { findPhrase } from '~/core/catalogue'
import { parseGrooveBar } from '~/core/groove'
import { findMeter } from '~/core/time'
import {
  cellRecordSchema,
  forget,
  grooveRecordSchema,
  keepCell,
  keepGroove,
  keepVersion,
  listCells,
  listGrooves,
  listVersions,
  type StoreIssue,
  versionRecordSchema,
} from '~/storage'

/** What came of keeping or forgetting: nothing to say, or why not. */
export interface KeptNotice {
  readonly trouble: string
}

const forgetting = z.object({ intent: z.literal('forget'), id: z.string().min(1) })
const keepingCell = cellRecordSchema
  .omit({ version: true, createdAt: true })
  .partial({ id: true })
  .extend({ intent: z.literal('keep'), createdAt: z.number().optional() })
const keepingVersion = versionRecordSchema
  .omit({ version: true, createdAt: true })
  .partial({ id: true })
  .extend({ intent: z.literal('keep'), createdAt: z.number().optional() })

const keepingGroove = grooveRecordSchema
  .omit({ version: true, createdAt: true })
  .partial({ id: true })
  .extend({ intent: z.literal('keep'), createdAt: z.number().optional() })

export type GrooveCommand = z.input<typeof keepingGroove> | z.input<typeof forgetting>
export type CellCommand = z.input<typeof keepingCell> | z.input<typeof forgetting>
export type VersionCommand = z.input<typeof keepingVersion> | z.input<typeof forgetting>

/** The player's own cells; empty where the store cannot be read. */
export async function openCells() {
  const cells = await listCells()
  return cells.ok ? cells.value : []
}

/** The kept versions of a lick. */
export async function openVersions(lickId: string) {
  const versions = await listVersions(lickId)
  return versions.ok ? versions.value : []
}

/** Keeps or forgets a cell of the player's own. */
export async function changeCells(sent: unknown): Promise<KeptNotice> {
  const command = z.union([keepingCell, forgetting]).safeParse(sent)
  if (!command.success) return { trouble: 'A cell needs a name and a sticking.' }
  const { data } = command
  if (data.intent === 'forget') return said(await forget('cells', data.id))
  if (!findPhrase(data.line)) return { trouble: `“${data.line}” cannot be read as a sticking.` }
  const { intent: _intent, ...cell } = data
  return said(await keepCell({ ...cell, ...stamp(cell), version: 1 }))
}

/** The player's own grooves. */
export async function openGrooves() {
  const grooves = await listGrooves()
  return grooves.ok ? grooves.value : []
}

/** Keeps or forgets a groove of the player's own. */
export async function changeGrooves(sent: unknown): Promise<KeptNotice> {
  const command = z.union([keepingGroove, forgetting]).safeParse(sent)
  if (!command.success) return { trouble: 'A groove needs a name, a metre and a bar.' }
  const { data } = command
  if (data.intent === 'forget') return said(await forget('grooves', data.id))
  const meter = findMeter(data.meter)
  const read = meter && parseGrooveBar(data, meter)
  if (!read?.ok) return { trouble: `The bar cannot be used: ${read?.error ?? 'no such metre'}.` }
  const { intent: _intent, ...groove } = data
  const stamped = stamp(groove)
  const id = groove.id ?? `own-${stamped.id}`
  return said(await keepGroove({ ...groove, ...stamped, id, version: 1 }))
}

/** Keeps or forgets a version of a lick. */
export async function changeVersions(sent: unknown): Promise<KeptNotice> {
  const command = z.union([keepingVersion, forgetting]).safeParse(sent)
  if (!command.success) return { trouble: 'A version needs a name.' }
  const { data } = command
  if (data.intent === 'forget') return said(await forget('versions', data.id))
  if (!parseLickText(data.text).ok)
    return { trouble: 'The line cannot be read yet: mend it first.' }
  const { intent: _intent, ...version } = data
  return said(await keepVersion({ ...version, ...stamp(version), version: 1 }))
}

function stamp({ id, createdAt }: { id?: string | undefined; createdAt?: number | undefined }) {
  return { id: id ?? nanoid(), createdAt: createdAt ?? Date.now() }
}

function said(result: { ok: true } | { ok: false; error: StoreIssue }): KeptNotice {
  return { trouble: result.ok ? '' : 'It could not be kept: the browser’s store does not answer.' }
}
