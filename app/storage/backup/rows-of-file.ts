import { nanoid } from 'nanoid'
import { type AnyFile, partText } from '~/codecs/any-file'
import { findOwnGrooves, normalTitle, parseLickText, setValues, valuesOf } from '~/codecs/lick-text'
import type { PartWish } from '~/core/drum-parts'
import { applyTransaction, toTransaction } from '~/core/editing'
import { toLickRecord } from '../licks'

/** Rows of a file on their way in, each of a table. */
export interface IncomingRow {
  readonly table: string
  readonly row: unknown
}

/**
 * A file's rows. A drum part of another program is made into a lick, as `wish` says; a lick without a title has the
 * file's name.
 */
export function rowsOfFile(
  file: AnyFile,
  now: number,
  wish: PartWish = {},
  name = '',
): IncomingRow[] {
  switch (file.kind) {
    case 'backup':
      return [
        ...[...file.backup.tables].flatMap(([table, rows]) =>
          table === 'snapshots' ? [] : rows.map((row) => ({ table, row })),
        ),
        ...file.backup.broken.map(({ table, raw }) => ({ table, row: raw })),
      ]
    case 'bundle':
      return file.licks.map(({ id, text, draft = null, voicing = '' }, i) => ({
        table: 'licks',
        row: toLickRecord({ id, text, draft, voicing }, now - i),
      }))
    case 'licks':
      return file.texts.flatMap((text, i) => lickRows(titled(text, name), now - i))
    case 'solo':
      return [
        {
          table: 'solos',
          row: { id: nanoid(12), version: 1, name: file.title, solo: file.json, createdAt: now },
        },
      ]
    case 'part':
      return lickRows(titled(partText(file.part, wish).text, name), now)
    case 'kit':
      return [
        {
          table: 'kits',
          row: { id: `kit-${nanoid(8)}`, version: 1, kit: file.json, createdAt: now },
        },
      ]
  }
}

/** A lick's text with a title: its own, else the name of its file without what follows its last dot. */
function titled(text: string, name: string): string {
  const title = name.replace(/\.[^.]*$/, '').trim()
  if (title === '' || (valuesOf(text, 'title')[0] ?? '').trim() !== '') return text
  return applyTransaction(text, toTransaction('', setValues(text, 'title', [normalTitle(title)])))
}

/** A lick from its text, with the grooves that this carries along. */
function lickRows(text: string, now: number): IncomingRow[] {
  const lick = toLickRecord({ id: nanoid(12), text, draft: null, voicing: '' }, now)
  return [
    { table: 'licks', row: lick },
    ...carriedIn(text).map((groove) => ({
      table: 'grooves',
      row: { ...groove, version: 1, createdAt: now },
    })),
  ]
}

/** The grooves that a lick's text carries along. */
function carriedIn(text: string) {
  const read = parseLickText(text)
  return read.ok ? findOwnGrooves(read.value.lick.unknown) : []
}
