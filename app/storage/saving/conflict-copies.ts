import { nanoid } from 'nanoid'
import { type LickRecord, MAX_TEXT, VERSION_NAME_MOST } from '../records'
import type { KeptTable, RecordOf } from '../tables'
import type { Change } from '../write'

/** A record as a change. */
export function toSave(table: KeptTable, record: RecordOf[KeptTable], base: number | null): Change {
  return { kind: 'save', table, record, base } as Change
}

/** What is kept beside a record that was changed elsewhere since: a lick's state as a version of it. */
export function toConflictCopies(
  table: KeptTable,
  record: RecordOf[KeptTable],
  at: number,
): Change[] {
  const id = nanoid(12)
  const stamp = new Date(at).toLocaleString('en-GB', { dateStyle: 'medium', timeStyle: 'short' })
  if (table === 'licks') {
    const { voicing, id: lickId } = record as LickRecord
    const text = withDraft(record as LickRecord)
    const name = `Unsaved change, ${stamp}`.slice(0, VERSION_NAME_MOST)
    const version = { id, version: 1 as const, lickId, name, text, voicing, createdAt: at }
    return [{ kind: 'save', table: 'versions', record: version, base: null }]
  }
  // A plan or a session of one's own is written by one page: the store has a later state of it.
  if (table === 'plans' || table === 'sittings' || table === 'versions') return []
  return [toSave(table, { ...record, id: table === 'kits' ? `kit-${id.slice(0, 8)}` : id }, null)]
}

/** A lick's text, with what was typed and cannot be read yet as a comment under it. */
function withDraft({ text, draft }: LickRecord): string {
  if (draft === null) return text
  const typed = draft.split(/[\r\n]+/).map((row) => `# typed: ${row}`)
  const whole = [text.trimEnd(), ...typed, ''].join('\n')
  return whole.length <= MAX_TEXT ? whole : text
}
