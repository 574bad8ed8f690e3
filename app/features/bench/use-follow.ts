import { type RefObject, useEffect, useRef } from 'react'
import type { Position } from '~/core/performance'
import type { Ticks } from '~/core/time'
import type { Ruler } from '~/drawing/ruler/layout'

/**
 * Keeps in sight the slot that the caret is at or that is marked last, by its tick, and while it plays what
 * sounds: the ruler's frame scrolls to its row. A page that has just been opened stays at its beginning.
 */
export function useFollow(
  scroller: RefObject<HTMLElement | null>,
  tick: Ticks | null,
  playing: boolean,
  position: () => Position | undefined,
  ruler: RefObject<Ruler | null>,
): void {
  const opened = useRef(true)
  useEffect(() => {
    if (opened.current || tick === null) {
      opened.current = false
      return
    }
    // After the paint, when asking where things are costs nothing.
    let timer: ReturnType<typeof setTimeout> | undefined
    const frame = requestAnimationFrame(() => {
      timer = setTimeout(() => {
        const rows = ruler.current?.rows ?? []
        const row = rows.find(({ from, to }) => tick >= from && tick < to)
        if (row) bringIntoSight(scroller.current, row.index)
      })
    })
    return () => {
      cancelAnimationFrame(frame)
      clearTimeout(timer)
    }
  }, [scroller, ruler, tick])
  useEffect(() => {
    if (!playing) return
    let at = -1
    let frame = requestAnimationFrame(function look() {
      const now = position()
      const sounds = now && 'tick' in now && now.phase !== 'count-in' ? now.tick : undefined
      const row = ruler.current?.rows.find(
        ({ from, to }) => sounds !== undefined && sounds >= from && sounds < to,
      )
      if (row && row.index !== at) {
        at = row.index
        bringIntoSight(scroller.current, at)
      }
      frame = requestAnimationFrame(look)
    })
    return () => cancelAnimationFrame(frame)
  }, [scroller, playing, position, ruler])
}

/**
 * Scrolls only the frame itself, and only as far as needed: the page stays where it is. A row has its place
 * whether or not it is on the page.
 */
function bringIntoSight(frame: HTMLElement | null, row: number): void {
  const rows = frame?.querySelector<HTMLElement>('[data-pitch]')
  if (!frame || !rows || frame.scrollHeight <= frame.clientHeight) return
  const pitch = Number(rows.dataset.pitch)
  const around = frame.getBoundingClientRect()
  const top = rows.getBoundingClientRect().top + row * pitch
  const bottom = top + pitch
  if (top < around.top) frame.scrollTop += top - around.top
  else if (bottom > around.bottom)
    frame.scrollTop += Math.min(bottom - around.bottom, top - around.top)
}
