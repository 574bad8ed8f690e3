import { nanoid } from 'nanoid'
import { useCallback, useEffect, useRef, useState } from 'react'
import { useFetcher } from 'react-router'
import { formatKit } from '~/codecs/kit'
import { DEFAULT_KIT, type Kit } from '~/core/kit'
import type { Settings } from '~/storage'
import type { KitCommand, KitNotice } from './kit-store'
import { allKits, turnedKit } from './setting'

const QUIET_MS = 300
const OWN_PREFIX = 'kit-'

function isOwnId(id: string): boolean {
  return id.startsWith(OWN_PREFIX)
}

/**
 * The kit on the page as it stands before the player, kept as it changes. A preset that is changed
 * becomes a kit of the player's own.
 */
export function useKit(own: readonly Kit[], settings: Settings) {
  const { submit, data } = useFetcher<KitNotice>()
  const kits = allKits(own)
  const chosen = kits.find(({ id }) => id === settings.kit) ?? DEFAULT_KIT
  const [stored, setStored] = useState(chosen)
  // Another kit was chosen, or this one deleted: show that; what is edited here is newer.
  const shownId = useRef(chosen.id)
  useEffect(() => {
    if (shownId.current === chosen.id) return
    shownId.current = chosen.id
    setStored(chosen)
  }, [chosen])

  const timer = useRef<ReturnType<typeof setTimeout>>(undefined)
  const tell = useCallback(
    (command: KitCommand) =>
      submit(JSON.stringify(command), {
        method: 'post',
        action: '/kit',
        encType: 'application/json',
      }),
    [submit],
  )
  const pending = useRef<Kit | null>(null)
  const flush = useCallback(() => {
    clearTimeout(timer.current)
    const kit = pending.current
    pending.current = null
    if (kit) tell({ intent: 'save', id: kit.id, kit: formatKit(kit) })
  }, [tell])
  useEffect(() => {
    window.addEventListener('pagehide', flush)
    return () => {
      window.removeEventListener('pagehide', flush)
      flush()
    }
  }, [flush])

  // What was changed last, at once: a drag changes more than once between two drawings.
  const latest = useRef(stored)
  latest.current = stored
  const isOwn = isOwnId(stored.id)
  const change = useCallback(
    (next: Kit) => {
      // Turning is its own inverse: back to how it is stored.
      const back = turnedKit(next, settings)
      const { id } = latest.current
      const kit = isOwnId(id)
        ? { ...back, id, name: isOwnId(next.id) ? back.name : latest.current.name }
        : { ...back, id: `${OWN_PREFIX}${nanoid(8)}`, name: `${back.name}, mine` }
      latest.current = kit
      shownId.current = kit.id
      setStored(kit)
      pending.current = kit
      clearTimeout(timer.current)
      timer.current = setTimeout(flush, QUIET_MS)
    },
    [settings, flush],
  )
  /** Changes the newest state of the kit: what is dragged need not wait for its drawing. */
  const edit = useCallback(
    (by: (kit: Kit) => Kit) => change(by(turnedKit(latest.current, settings))),
    [change, settings],
  )
  return { kit: turnedKit(stored, settings), kits, isOwn, edit, tell, notice: data }
}
