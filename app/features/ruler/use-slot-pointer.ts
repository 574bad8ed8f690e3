import { type PointerEvent, useMemo, useRef } from 'react'
import type { SlotRange } from '~/core/changes'
import type { Ruler } from './layout'
import { type Scene, slotAtX } from './view'

/**
 * Selecting with the pointer: a press takes a slot, a drag as many as it runs over, shift goes on
 * from where the last press was. The handlers belong on the element around the rows.
 */
export function useSlotPointer(scene: Scene, ruler: Ruler, onSelect: (range: SlotRange) => void) {
  const now = useRef({ scene, ruler, onSelect })
  now.current = { scene, ruler, onSelect }
  const anchor = useRef<number | null>(null)
  return useMemo(() => {
    const slotUnder = (event: PointerEvent<HTMLElement>): number | undefined => {
      const under = document.elementFromPoint(event.clientX, event.clientY)
      const row = under?.closest<HTMLElement>('[data-row]')
      const place = now.current.ruler.rows[Number(row?.dataset.row ?? -1)]
      if (!row || !place) return undefined
      const x = event.clientX - row.getBoundingClientRect().left
      return slotAtX(now.current.scene, now.current.ruler, place, x)
    }
    const extend = (slot: number) => {
      const from = Math.min(anchor.current ?? slot, slot)
      now.current.onSelect({ from, to: Math.max(anchor.current ?? slot, slot) + 1 })
    }
    let dragging = false
    return {
      onPointerDown: (event: PointerEvent<HTMLElement>) => {
        const slot = event.button === 0 ? slotUnder(event) : undefined
        if (slot === undefined) return
        // The focus goes to the typed line, not to what was pressed.
        event.preventDefault()
        if (!event.shiftKey) anchor.current = slot
        dragging = true
        extend(slot)
      },
      onPointerMove: (event: PointerEvent<HTMLElement>) => {
        if (!dragging) return
        if (event.buttons === 0) {
          dragging = false
          return
        }
        const slot = slotUnder(event)
        if (slot !== undefined) extend(slot)
      },
      onPointerUp: () => {
        dragging = false
      },
      onPointerCancel: () => {
        dragging = false
      },
    }
  }, [])
}
