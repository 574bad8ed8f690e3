import { normalTitle, valuesOf } from '~/codecs/lick-text'
import { ok, type Result } from '~/core/foundation'
import { withStore } from './database'
import type { StoreIssue } from './issue'
import { KEPT_TABLES, type Kept, type KeptTable, type RecordOf, readKept } from './tables'

/** Something in the bin. */
export interface BinEntry {
  readonly table: KeptTable
  readonly id: string
  readonly name: string
  readonly deletedAt: number
}

/** Everything in the bin, what was deleted last first. */
export function listBin(): Promise<Result<BinEntry[], StoreIssue>> {
  return withStore(async (database) => {
    const entries: BinEntry[] = []
    for (const table of KEPT_TABLES) {
      if (table === 'plans') continue
      // Only what was deleted has a place in this index.
      const rows = await database[table].orderBy('deletedAt').toArray()
      for (const row of rows) {
        const read = readKept(table, row)
        if (!read.ok || read.value.deletedAt === null) continue
        const { id, deletedAt } = read.value
        entries.push({ table, id, deletedAt, name: nameOf(table, read.value) })
      }
    }
    return ok(entries.sort((a, b) => b.deletedAt - a.deletedAt))
  })
}

/** What a record is called. */
export function nameOf<T extends KeptTable>(table: T, record: Kept<RecordOf[T]> | RecordOf[T]) {
  const named = record as { name?: string; text?: string; kit?: string; step?: string }
  if (table === 'licks')
    return normalTitle(valuesOf(named.text ?? '', 'title')[0] ?? '') || 'Untitled'
  if (table === 'kits') return kitName(named.kit ?? '')
  if (table === 'sittings') return sessionName(record as RecordOf['sittings'])
  return named.name ?? ''
}

/** `in the bar, 92 bpm` */
function sessionName({ step, tempo }: RecordOf['sittings']): string {
  return `${step || 'the whole lick'}, ${Math.round(tempo * 10) / 10} bpm`
}

function kitName(json: string): string {
  try {
    return String((JSON.parse(json) as { name?: unknown }).name ?? 'Kit')
  } catch {
    return 'Kit'
  }
}
