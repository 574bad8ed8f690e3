import { formatKit, parseKit } from '~/codecs/kit'
import { type Kept, type KitRecord, type RecordSaver, restore, saveRecord } from '~/storage'
import { newKitId } from './kit-actions'

/**
 * Ours stays: theirs is kept as a kit of its own, or ours comes back from the bin. Returns whether that
 * is so; where theirs could not be kept, nothing has changed.
 */
export async function keepKitMine(
  saver: RecordSaver<'kits'>,
  theirs: Kept<KitRecord> | null,
): Promise<boolean> {
  if (!theirs) {
    const restored = await restore([{ table: 'kits', id: saver.id }])
    if (restored.ok) await saver.onTop()
    return restored.ok
  }
  const kept = await keepAside(theirs.kit, 'from another tab')
  if (kept) saver.keepMine(theirs.revision)
  return kept
}

/**
 * Theirs stays: ours is kept as a kit of its own, unless the kit is deleted. Returns whether that is
 * so; where ours could not be kept, nothing has changed.
 */
export async function leaveKit(
  saver: RecordSaver<'kits'>,
  theirs: Kept<KitRecord> | null,
): Promise<boolean> {
  const ours = saver.waiting
  if (ours && theirs && !(await keepAside(ours.kit, 'before the change'))) return false
  if (theirs) saver.goOn(theirs.revision)
  else saver.giveUp()
  return true
}

async function keepAside(text: string, why: string): Promise<boolean> {
  const read = parseKit(text)
  if (!read.ok) return false
  const id = newKitId()
  const kit = { ...read.value, id, name: `${read.value.name}, ${why}`.slice(0, 80) }
  const record = { id, version: 1 as const, kit: formatKit(kit), createdAt: Date.now() }
  return (await saveRecord('kits', record, null)).ok
}
