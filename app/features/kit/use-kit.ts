import { useCallback, useEffect, useMemo, useRef, useState } from 'react'
import { formatKit, parseKit } from '~/codecs/kit'
import { DEFAULT_KIT, type Kit } from '~/core/kit'
import {
  closeSaver,
  type Kept,
  type KitRecord,
  onStoreChange,
  openSaver,
  type RecordSaver,
  type Settings,
} from '~/storage'
import { allKits, ownKits, turnedKit } from '~/workspace/setting'
import { isOwnId, newKitId } from './kit-actions'

/**
 * The kit on the page as it stands before the player, saved as it changes. A preset that is changed
 * becomes a kit of the player's own.
 */
export function useKit(
  records: readonly Kept<KitRecord>[],
  settings: Settings,
  onSettings: (changed: Partial<Settings>) => void,
) {
  const kits = useMemo(() => allKits(ownKits(records)), [records])
  const chosen = kits.find(({ id }) => id === settings.kit) ?? DEFAULT_KIT
  const [stored, setStored] = useState(chosen)
  const [trouble, setTrouble] = useState('')
  const [saver, setSaver] = useState<RecordSaver<'kits'> | null>(null)
  const saving = useRef<RecordSaver<'kits'> | null>(null)
  // What was changed last, at once: a drag changes more than once between two drawings.
  const latest = useRef(stored)
  const show = useCallback((kit: Kit) => {
    latest.current = kit
    setStored(kit)
  }, [])
  // Another kit was chosen, or this one changed elsewhere: show that, unless what is here is newer.
  useEffect(() => {
    if (latest.current.id === chosen.id && saving.current?.id === chosen.id) return
    if (latest.current.id !== chosen.id && saving.current?.busy) return
    show(chosen)
  }, [chosen, show])

  const open = useCallback((id: string, revision: number | null) => {
    if (saving.current?.id === id) return saving.current
    if (saving.current) void closeSaver(saving.current)
    saving.current = openSaver('kits', id, revision)
    setSaver(saving.current)
    return saving.current
  }, [])
  useEffect(
    () => () => {
      if (saving.current) void closeSaver(saving.current)
      saving.current = null
    },
    [],
  )
  const takeTheirs = useCallback(
    (theirs: KitRecord) => {
      const [kit] = ownKits([theirs])
      if (kit) show(kit)
    },
    [show],
  )
  useEffect(
    () =>
      onStoreChange(({ table, ids }) => {
        const own = saving.current
        if (table !== 'kits' || !own || !ids.includes(own.id)) return
        void own.heard().then((theirs) => {
          if (theirs && theirs !== 'deleted') takeTheirs(theirs)
        })
      }),
    [takeTheirs],
  )

  const change = useCallback(
    (next: Kit) => {
      // Turning is its own inverse: back to how it is stored.
      const back = turnedKit(next, settings)
      const { id, name } = latest.current
      const own = isOwnId(id)
      const kit = own
        ? { ...back, id, name: isOwnId(next.id) ? back.name : name }
        : { ...back, id: newKitId(), name: `${back.name}, mine` }
      const text = formatKit(kit)
      const read = parseKit(text)
      setTrouble(read.ok ? '' : `Not saved: ${read.error}.`)
      show(kit)
      if (!read.ok) return
      const record = records.find((one) => one.id === kit.id)
      const createdAt = record?.createdAt ?? Date.now()
      open(kit.id, record?.revision ?? null).change({
        id: kit.id,
        version: 1,
        kit: text,
        createdAt,
      })
      if (!own) onSettings({ kit: kit.id })
    },
    [settings, records, open, show, onSettings],
  )
  /** Changes the newest state of the kit: what is dragged need not wait for its drawing. */
  const edit = useCallback(
    (by: (kit: Kit) => Kit) => change(by(turnedKit(latest.current, settings))),
    [change, settings],
  )
  return {
    kit: turnedKit(stored, settings),
    kits,
    isOwn: isOwnId(stored.id),
    edit,
    trouble,
    saver,
    takeTheirs,
  }
}
