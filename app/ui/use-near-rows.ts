import { type CSSProperties, type RefObject, useEffect, useState } from 'react'

/** Rows by their numbers, from one up to another. */
interface RowRange {
  readonly from: number
  readonly to: number
}

/** How far outside what can be seen of its frame a row is still near, in heights of that. */
const MARGIN = 0.6

/** Before anything is measured, the first rows are taken to be near. */
const FIRST_ROWS: RowRange = { from: 0, to: 3 }

/** Rows of one height below each other; both figures in pixels. */
export interface Rows {
  readonly count: number
  readonly height: number
  readonly gap: number
}

/**
 * Which rows are in sight or near it, of an element that holds rows of one height. Only these need be on the
 * page: the `style` for the element, a column, makes it as tall as all of them and puts these in their place. A
 * frame that scrolls by itself is marked `data-scroller`.
 */
export function useNearRows(
  host: RefObject<HTMLElement | null>,
  { count, height, gap }: Rows,
): RowRange & { readonly style: CSSProperties } {
  const [near, setNear] = useState(FIRST_ROWS)
  const pitch = height + gap
  useEffect(() => {
    const element = host.current
    if (!element) return
    const scroller = element.closest('[data-scroller]')
    let frame = 0
    const look = () => {
      frame = 0
      const now = rowsNear(element.getBoundingClientRect().top, bandOf(scroller), pitch)
      setNear((known) => (known.from === now.from && known.to === now.to ? known : now))
    }
    const later = () => {
      frame ||= requestAnimationFrame(look)
    }
    const sizes = new ResizeObserver(later)
    sizes.observe(element)
    if (scroller) sizes.observe(scroller)
    // Whatever scrolls: the page, or a frame in it.
    addEventListener('scroll', later, { capture: true, passive: true })
    addEventListener('resize', later)
    return () => {
      cancelAnimationFrame(frame)
      sizes.disconnect()
      removeEventListener('scroll', later, { capture: true })
      removeEventListener('resize', later)
    }
  }, [host, pitch])
  const from = Math.min(near.from, Math.max(0, count - 1))
  const style = { gap, height: count * pitch - gap, paddingTop: from * pitch }
  return { from, to: Math.min(near.to, count), style }
}

/** What can be seen of a frame in the window, from top to bottom. */
function bandOf(scroller: Element | null): { readonly top: number; readonly bottom: number } {
  const frame = scroller?.getBoundingClientRect()
  return {
    top: Math.max(0, frame?.top ?? 0),
    bottom: Math.min(innerHeight, frame?.bottom ?? innerHeight),
  }
}

/**
 * The rows that are near a band, of rows that begin at some height. Example: rows of 100 pixels that begin 250
 * above a band of 200 are near from the second to the sixth.
 */
export function rowsNear(
  start: number,
  { top, bottom }: { readonly top: number; readonly bottom: number },
  pitch: number,
): RowRange {
  const margin = MARGIN * Math.max(0, bottom - top)
  const from = Math.max(0, Math.floor((top - margin - start) / pitch))
  return { from, to: Math.max(from + 1, Math.ceil((bottom + margin - start) / pitch)) }
}
