import { formatKit, kitFault, parseKit } from '~/codecs/kit'
import type { SaveNotice } from '~/live/use-saving'
import { liveSettings, notSavedWords, putInBin, saveRecord } from '~/storage'
import { newKitId } from '~/workspace/documents/kit-document'

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
