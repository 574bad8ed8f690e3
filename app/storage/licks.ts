import { nanoid } from 'nanoid'
import { fail, ok, type Result } from '~/core/foundation'
import { withStore } from './database'
import type { StoreIssue } from './issue'
import { LICK_RECORD_VERSION, type LickRecord, type VersionRecord } from './records'
import { type Kept, readKept } from './tables'
import type { Change } from './write'
import { write } from './writer'

/** What a lick's texts are, on disk and on the way there. */
export interface LickTexts {
  readonly text: string
  readonly draft: string | null
  /** Voicing rules and pins as JSON; empty for none. */
  readonly voicing: string
}

/** What a lick is called until it has a name. */
export const NEW_TITLE = 'New lick'

/** The texts of a new lick: an empty line in a bar of four. */
export const NEW_LICK: LickTexts = {
  text: `dime-lick: 1\ntitle: ${NEW_TITLE}\nmeter: 4/4\ntempo: 80\ngrid: 1/16\nstart: 1\nline: \n`,
  draft: null,
  voicing: '',
}

/** A lick on its way into the store. */
export type NewLick = { readonly id: string } & LickTexts

/** A lick as the store takes it, nobody has changed it yet. */
export function toLickRecord({ id, text, draft, voicing }: NewLick, now: number): LickRecord {
  return {
    id,
    version: LICK_RECORD_VERSION,
    text,
    draft,
    voicing,
    revision: 0,
    createdAt: now,
    updatedAt: now,
    deletedAt: null,
  }
}

/** One lick, also a deleted one. */
export function loadLick(id: string): Promise<Result<Kept<LickRecord>, StoreIssue>> {
  return withStore(async (database) => {
    const stored = await database.licks.get(id)
    return stored ? readKept('licks', stored) : fail({ code: 'missing', detail: id })
  })
}

/** Licks that are in use, by their ids; those that cannot be read are left out. */
export function loadLicks(ids: readonly string[]): Promise<Result<Kept<LickRecord>[], StoreIssue>> {
  return withStore(async (database) => {
    const rows = await database.licks.bulkGet([...ids])
    return ok(
      rows.flatMap((row) => {
        const read = row && readKept('licks', row)
        return read?.ok && read.value.deletedAt === null ? [read.value] : []
      }),
    )
  })
}

/** The saved versions of licks, oldest first; those that cannot be read are left out. */
export function loadVersions(
  lickIds: readonly string[],
): Promise<Result<Kept<VersionRecord>[], StoreIssue>> {
  return withStore(async (database) => {
    const rows = await database.versions.where('lickId').anyOf(lickIds).toArray()
    const versions = rows.flatMap((row) => {
      const read = readKept('versions', row)
      return read.ok && read.value.deletedAt === null ? [read.value] : []
    })
    return ok(versions.sort((a, b) => a.createdAt - b.createdAt))
  })
}

/** Told apart from the player's settings, which stand in the same table. */
export const MARKS_ID = 'marks'

/** Whether the store was ever visited; a store that cannot be opened is not to be filled either. */
export async function wasVisited(): Promise<boolean> {
  const mark = await withStore(async ({ settings }) => ok(await settings.get(MARKS_ID)))
  return !mark.ok || mark.value !== undefined
}

/** Saves texts as a lick of its own; returns its id. */
export async function createLick(texts: LickTexts): Promise<Result<string, StoreIssue>> {
  const id = nanoid(12)
  const added = await addLicks([{ id, ...texts }], Date.now())
  return added.ok ? ok(id) : added
}

/** Adds licks under new or given ids; one whose id is taken is left as it is. Returns how many. */
export async function addLicks(
  licks: readonly NewLick[],
  now: number,
): Promise<Result<number, StoreIssue>> {
  const known = await withStore(async (database) =>
    ok(
      new Set(
        await database.licks
          .where('id')
          .anyOf(licks.map(({ id }) => id))
          .primaryKeys(),
      ),
    ),
  )
  if (!known.ok) return known
  const added = licks.filter(({ id }) => !known.value.has(id))
  const changes = added.map(
    (lick): Change => ({
      kind: 'save',
      table: 'licks',
      record: toLickRecord(lick, now),
      base: null,
    }),
  )
  const written = await write(changes, now)
  return written.ok ? ok(added.length) : written
}
