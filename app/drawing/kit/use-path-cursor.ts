import { type RefObject, useEffect } from 'react'
import type { Position } from '~/core/performance'
import { type PathView, stopAt } from './path-view'

/**
 * Moves the marks of the hands (`data-now`) with the music, past React: each stands where its hand
 * strikes or struck last, and is hidden while the fill has not begun.
 */
export function usePathCursor(
  playing: boolean,
  position: () => Position | undefined,
  view: PathView,
  host: RefObject<HTMLElement | null>,
): void {
  useEffect(() => {
    if (!playing) return
    let frame = requestAnimationFrame(function step() {
      const now = position()
      const heard = now && now.phase !== 'count-in' && now.phase !== 'over' ? now.tick : null
      paint(view, host.current, heard)
      frame = requestAnimationFrame(step)
    })
    return () => {
      cancelAnimationFrame(frame)
      paint(view, host.current, null)
    }
  }, [playing, position, view, host])
}

function paint(view: PathView, host: HTMLElement | null, tick: number | null): void {
  for (const hand of ['RH', 'LH'] as const) {
    const mark = host?.querySelector<SVGElement>(`[data-now="${hand}"]`)
    if (!mark) continue
    const stop = tick === null ? undefined : view[hand][stopAt(view[hand], tick)]
    mark.setAttribute('visibility', stop ? 'visible' : 'hidden')
    if (stop) mark.setAttribute('transform', `translate(${stop.x} ${stop.y})`)
  }
}
