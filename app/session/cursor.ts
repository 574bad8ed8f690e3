import { type RefObject, useEffect } from 'react'
import type { Position } from '~/core/performance'
import { type Ruler, xOf } from '~/drawing/ruler/layout'

/**
 * Moves the cursors of the ruler's rows with the music, one frame at a time and past React: in
 * each row the element marked `data-cursor` is shown at the instant that sounds, else hidden.
 */
export function useCursor(
  playing: boolean,
  position: () => Position | undefined,
  ruler: RefObject<Ruler | null>,
  host: RefObject<HTMLElement | null>,
): void {
  useEffect(() => {
    if (!playing) return
    const still = matchMedia('(prefers-reduced-motion: reduce)').matches
    let frame = requestAnimationFrame(function step() {
      paint(position(), ruler.current, host.current, still)
      frame = requestAnimationFrame(step)
    })
    return () => {
      cancelAnimationFrame(frame)
      paint(undefined, ruler.current, host.current, still)
    }
  }, [playing, position, ruler, host])
}

function paint(
  position: Position | undefined,
  ruler: Ruler | null,
  host: HTMLElement | null,
  still: boolean,
): void {
  if (!ruler || !host) return
  for (const element of host.querySelectorAll<HTMLElement>('[data-row]')) {
    const row = ruler.rows[Number(element.dataset.row)]
    const cursor = element.querySelector<HTMLElement>('[data-cursor]')
    if (!row || !cursor) continue
    const x =
      position && position.phase !== 'count-in' && position.phase !== 'over'
        ? cursorX(ruler, row, position.tick, still)
        : undefined
    cursor.style.display = x === undefined ? 'none' : 'block'
    if (x !== undefined) cursor.style.transform = `translateX(${x - 14}px)`
  }
}

/** Where the cursor stands in a row; during the lead-in it crosses the folded groove column. */
function cursorX(
  ruler: Ruler,
  row: Ruler['rows'][number],
  tick: number,
  still: boolean,
): number | undefined {
  const lead = row.segments.find(({ kind }) => kind === 'lead')
  if (lead && tick < lead.to)
    return lead.x + ((tick - lead.from) / (lead.to - lead.from)) * lead.width
  // Where the system asks for no motion, the cursor steps from slot to slot.
  const step = ruler.slotWidth / ruler.pixelsPerTick
  return xOf(ruler, row, still ? Math.floor(tick / step) * step : tick)
}
