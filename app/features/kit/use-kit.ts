import { useCallback, useEffect, useMemo, useState } from 'react'
import { DEFAULT_KIT, type Kit } from '~/core/kit'
import { useSlices } from '~/live/use-slices'
import type { Kept, KitRecord, Settings } from '~/storage'
import { kitDocument } from '~/workspace/documents/kit-document'
import { allKits, ownKits, turnedKit } from '~/workspace/setting'

/**
 * The kit that is played on, as it stands before the player, kept as it changes. A preset that is changed
 * becomes a kit of the player's own, which is the one that is played on from then.
 */
export function useKit(
  records: readonly Kept<KitRecord>[],
  settings: Settings,
  onSettings: (changed: Partial<Settings>) => void,
) {
  const kits = useMemo(() => allKits(ownKits(records)), [records])
  const wanted = kits.find(({ id }) => id === settings.kit) ?? DEFAULT_KIT
  const open = (kit: Kit) =>
    kitDocument(
      kit,
      records.find(({ id }) => id === kit.id),
    )
  const [document, setDocument] = useState(() => open(wanted))
  const { content, steps, deleted } = useSlices(document)
  const { isOwn } = document
  // A kit that was made or changed here may not be in the list yet.
  const stays = isOwn ? content.id === settings.kit && !deleted : content.id === wanted.id
  if (!stays) setDocument(open(wanted))
  useEffect(() => document.open(), [document])
  const edit = useCallback(
    (by: (kit: Kit) => Kit, about = '') => {
      document.change(by, settings, about)
      const { id } = document.content
      if (document.isOwn && id !== settings.kit) onSettings({ kit: id })
    },
    [document, settings, onSettings],
  )
  return { document, kit: turnedKit(content, settings), kits, isOwn, edit, steps }
}
