import { nanoid } from 'nanoid'
import { formatKit, kitFault, parseKit } from '~/codecs/kit'
import type { SaveNotice } from '~/live/use-saving'
import { liveSettings, notSavedWords, putInBin, saveRecord } from '~/storage'

/** What can be done with the player's kits, besides changing one. */
export type KitCommand =
  | { readonly intent: 'read'; readonly text: string }
  | { readonly intent: 'delete'; readonly id: string }

/** Reads a kit file as a kit of the player's own, which is the one that is played on; or deletes a kit. */
export async function changeKits(command: KitCommand): Promise<SaveNotice> {
  if (command.intent === 'delete') {
    const deleted = await putInBin([{ table: 'kits', id: command.id }])
    if (deleted.ok) liveSettings.change({ kit: 'five' })
    return { trouble: deleted.ok ? '' : notSavedWords(deleted.error) }
  }
  const read = parseKit(command.text)
  if (!read.ok) return { trouble: kitFault(command.text) }
  const id = newKitId()
  const kit = formatKit({ ...read.value, id })
  const saved = await saveRecord('kits', { id, version: 1, kit, createdAt: Date.now() }, null)
  if (saved.ok) liveSettings.change({ kit: id })
  return { trouble: saved.ok ? '' : notSavedWords(saved.error) }
}

const OWN_PREFIX = 'kit-'

/** An id for a kit of the player's own. */
export function newKitId(): string {
  return `${OWN_PREFIX}${nanoid(8)}`
}

/** Whether an id is of a kit of the player's own. */
export function isOwnId(id: string): boolean {
  return id.startsWith(OWN_PREFIX)
}
