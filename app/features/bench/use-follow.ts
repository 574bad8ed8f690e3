import { type RefObject, useEffect } from 'react'
import type { SlotRange } from '~/core/changes'
import type { Position } from '~/core/performance'
import type { Ruler } from '~/drawing/ruler/layout'

/** Keeps in sight what is marked, and while it plays what sounds: the ruler's frame scrolls to its row. */
export function useFollow(
  scroller: RefObject<HTMLElement | null>,
  range: SlotRange | null,
  playing: boolean,
  position: () => Position | undefined,
  ruler: RefObject<Ruler | null>,
): void {
  const [from, to] = [range?.from, range?.to]
  // biome-ignore lint/correctness/useExhaustiveDependencies: another selection is followed
  useEffect(() => {
    // After the paint, when asking where things are costs nothing.
    let timer: ReturnType<typeof setTimeout> | undefined
    const frame = requestAnimationFrame(() => {
      timer = setTimeout(() => {
        const marked = scroller.current?.querySelectorAll<HTMLElement>('[data-selected]')
        const last = marked?.[marked.length - 1]
        if (last) bringIntoSight(scroller.current, last)
      })
    })
    return () => {
      cancelAnimationFrame(frame)
      clearTimeout(timer)
    }
  }, [scroller, from, to])
  useEffect(() => {
    if (!playing) return
    let at = -1
    let frame = requestAnimationFrame(function look() {
      const now = position()
      const tick = now && 'tick' in now && now.phase !== 'count-in' ? now.tick : undefined
      const row = ruler.current?.rows.find(
        ({ from: first, to: after }) => tick !== undefined && tick >= first && tick < after,
      )
      if (row && row.index !== at) {
        at = row.index
        const drawn = scroller.current?.querySelector<HTMLElement>(`[data-system="${at}"]`)
        if (drawn) bringIntoSight(scroller.current, drawn)
      }
      frame = requestAnimationFrame(look)
    })
    return () => cancelAnimationFrame(frame)
  }, [scroller, playing, position, ruler])
}

/** Scrolls only the frame itself, and only as far as needed: the page stays where it is. */
function bringIntoSight(frame: HTMLElement | null, part: HTMLElement): void {
  if (!frame || frame.scrollHeight <= frame.clientHeight) return
  const [around, inner] = [frame.getBoundingClientRect(), part.getBoundingClientRect()]
  if (inner.top < around.top) frame.scrollTop += inner.top - around.top
  else if (inner.bottom > around.bottom) {
    frame.scrollTop += Math.min(inner.bottom - around.bottom, inner.top - around.top)
  }
}
