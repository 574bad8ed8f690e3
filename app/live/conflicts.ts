import { type RecordSaver, restore, saveRecord } from '~/storage'
import type { Kept, KeptTable, RecordOf } from '~/storage/tables'

/** A record's copy under an id of its own, named after why it was kept; null where none can be made. */
export type CopyOf<T extends KeptTable> = (record: RecordOf[T], why: string) => RecordOf[T] | null

/**
 * Of a record that two tabs changed, ours stays: theirs is kept as a record of its own, or ours comes back
 * from the bin. Returns whether that is so; where theirs could not be kept, nothing has changed.
 */
export async function keepMine<T extends KeptTable>(
  saver: RecordSaver<T>,
  theirs: Kept<RecordOf[T]> | null,
  copyOf: CopyOf<T>,
): Promise<boolean> {
  if (!theirs) {
    const restored = await restore([{ table: saver.table, id: saver.id }])
    if (restored.ok) await saver.onTop()
    return restored.ok
  }
  const kept = await keepAside(saver.table, copyOf(theirs, 'from another tab'))
  if (kept) saver.keepMine(theirs.revision)
  return kept
}

/**
 * Theirs stays: ours is kept as a record of its own, unless the record is deleted. Returns whether that is
 * so; where ours could not be kept, nothing has changed.
 */
export async function keepTheirs<T extends KeptTable>(
  saver: RecordSaver<T>,
  theirs: Kept<RecordOf[T]> | null,
  copyOf: CopyOf<T>,
): Promise<boolean> {
  const ours = saver.waiting
  if (ours && theirs && !(await keepAside(saver.table, copyOf(ours, 'before the change'))))
    return false
  if (theirs) saver.goOn(theirs.revision)
  else saver.giveUp()
  return true
}

async function keepAside<T extends KeptTable>(
  table: T,
  copy: RecordOf[T] | null,
): Promise<boolean> {
  return copy !== null && (await saveRecord(table, copy, null)).ok
}
