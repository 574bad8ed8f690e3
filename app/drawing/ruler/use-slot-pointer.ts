import { type DragEvent, type PointerEvent, useMemo, useRef } from 'react'
import type { SlotRange } from '~/core/changes'
import type { PatternPlace } from '~/core/groove'
import type { Ticks } from '~/core/time'
import type { Ruler } from './layout'
import { patternTickAt } from './patterns'
import { COUNT_ROW, PATTERN, type RowHeights, rowParts } from './row-heights'
import { groupAt, type Scene, slotAtX } from './view'

/** Where on the ruler a slot was pressed: its sticking, limbs and staff, or its voices. */
export type PressedRow = 'sticking' | 'voices'

/** What pressing, dragging and dropping on the ruler asks for. */
export interface RulerGestures {
  /** Marks from a slot to another, either way round; the row that was pressed has the keys. */
  readonly onMark: (anchor: number, head: number, row: PressedRow) => void
  /** A slot of a pattern under the line was pressed. */
  readonly onPattern: (at: PatternPlace) => void
  /** A stack was pressed: its group is marked, and what is marked already is widened. */
  readonly onGroup: (group: SlotRange) => void
  /** The line is dragged along the bar by so many ticks; returns how many of them it went. */
  readonly onShift: (ticks: Ticks) => Ticks
  /** A group is dragged to stand before another slot's group, or at the end. */
  readonly onMoveGroup: (from: number, to: number) => void
  /** Lick text is dropped before a slot's group, or at the end. */
  readonly onDropText: (slot: number, text: string) => void
  /**
   * A contour is drawn over the line: a slot, how far down its rows from 0 to 1, and the slot before it in one
   * stroke of the pointer. Null while none is drawn; then a press is what it always is.
   */
  readonly onDraw: ((slot: number, share: number, before: number) => void) | null
}

type Drag =
  | { readonly kind: 'select'; readonly row: PressedRow }
  | { readonly kind: 'shift'; readonly x: number; done: Ticks }
  | { readonly kind: 'group'; readonly group: SlotRange; moved: boolean }
  | { readonly kind: 'draw'; before: number | undefined }

/** How far over their baseline the voices are pressed. */
const VOICES_REACH = 15

/**
 * The pointer on the ruler. On the counts, a drag moves the line along the bar; on the stacks, a
 * press takes a group and a drag moves it; below, a press takes a slot, a drag as many as it runs
 * over, shift goes on from the last press. The handlers belong on the element around the rows.
 */
export function useSlotPointer(
  scene: Scene,
  ruler: Ruler,
  heights: RowHeights,
  gestures: RulerGestures,
) {
  const now = useRef({ scene, ruler, heights, gestures })
  now.current = { scene, ruler, heights, gestures }
  const anchor = useRef<number | null>(null)
  return useMemo(() => {
    let drag: Drag | null = null

    const placeUnder = (event: { clientX: number; clientY: number }) => {
      const under = document.elementFromPoint(event.clientX, event.clientY)
      const host = under?.closest<HTMLElement>('[data-row]')
      const row = now.current.ruler.rows[Number(host?.dataset.row ?? -1)]
      if (!host || !row) return undefined
      const box = host.getBoundingClientRect()
      const x = event.clientX - box.left
      const { scene: current, ruler: laid } = now.current
      return { slot: slotAtX(current, laid, row, x), x, y: event.clientY - box.top, row }
    }

    const extend = (slot: number, row: PressedRow) =>
      now.current.gestures.onMark(anchor.current ?? slot, slot, row)

    const press = (event: PointerEvent<HTMLElement>) => {
      const place = event.button === 0 ? placeUnder(event) : undefined
      if (!place) return
      const { heights: high, scene: current, gestures: on } = now.current
      const { stacksBottom, bracketBottom, voicesBaseline, patternsTop, height } = rowParts(high)
      if (on.onDraw) {
        // It may begin beside the line.
        drag = { kind: 'draw', before: place.slot }
        if (place.slot !== undefined) on.onDraw(place.slot, place.y / height, place.slot)
        event.currentTarget.setPointerCapture(event.pointerId)
        event.preventDefault()
        return
      }
      const inPatterns = place.y >= patternsTop && place.y < height
      const at = Math.floor((place.y - patternsTop) / PATTERN)
      const pattern = inPatterns ? (high.patterns[at] ?? high.patterns.at(-1)) : undefined
      if (pattern !== undefined) {
        const { lick, under } = current
        const tick = patternTickAt(lick, under, now.current.ruler, place.row, pattern, place.x)
        if (tick === undefined) return
        on.onPattern({ pattern, tick })
      } else if (place.y < COUNT_ROW && place.slot !== undefined) {
        drag = { kind: 'shift', x: event.clientX, done: 0 }
      } else if (place.slot !== undefined && place.y < Math.max(stacksBottom, bracketBottom)) {
        const group = groupAt(current, place.slot)
        drag = { kind: 'group', group, moved: false }
        anchor.current = group.from
        on.onGroup(group)
      } else if (place.slot !== undefined) {
        if (!event.shiftKey) anchor.current = place.slot
        const onVoices = place.y > voicesBaseline - VOICES_REACH && place.y < patternsTop
        const row = onVoices ? 'voices' : 'sticking'
        drag = { kind: 'select', row }
        extend(place.slot, row)
      } else return
      // The focus goes to the ruler as a whole, not to what was pressed in it.
      event.preventDefault()
      event.currentTarget.closest<HTMLElement>('[data-ruler]')?.focus({ preventScroll: true })
    }

    const move = (event: PointerEvent<HTMLElement>) => {
      if (!drag) return
      if (event.buttons === 0) {
        drag = null
        return
      }
      if (drag.kind === 'shift') {
        const ticks = (event.clientX - drag.x) / now.current.ruler.pixelsPerTick
        drag.done += now.current.gestures.onShift(ticks - drag.done)
      } else if (drag.kind === 'draw') {
        const place = placeUnder(event)
        if (place?.slot === undefined) return
        const { height } = rowParts(now.current.heights)
        now.current.gestures.onDraw?.(place.slot, place.y / height, drag.before ?? place.slot)
        drag.before = place.slot
      } else if (drag.kind === 'select') {
        const slot = placeUnder(event)?.slot
        if (slot !== undefined) extend(slot, drag.row)
      } else if (drag.kind === 'group') drag.moved = true
    }

    const release = (event: PointerEvent<HTMLElement>) => {
      const done = drag
      drag = null
      if (done?.kind !== 'group' || !done.moved) return
      const place = placeUnder(event)
      if (!place) return
      const { scene: current } = now.current
      const to = place.slot === undefined ? current.slots.length : groupAt(current, place.slot).from
      if (to < done.group.from || to >= done.group.to) {
        now.current.gestures.onMoveGroup(done.group.from, to)
      }
    }

    return {
      onPointerDown: press,
      onPointerMove: move,
      onPointerUp: release,
      onPointerCancel: () => {
        drag = null
      },
      onDragOver: (event: DragEvent<HTMLElement>) => event.preventDefault(),
      onDrop: (event: DragEvent<HTMLElement>) => {
        event.preventDefault()
        const text = event.dataTransfer.getData('text/plain')
        const { scene: current, gestures: on } = now.current
        const slot = placeUnder(event)?.slot ?? current.slots.length
        if (text) on.onDropText(slot, text)
      },
    }
  }, [])
}
