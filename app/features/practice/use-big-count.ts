import { type RefObject, useEffect } from 'react'
import type { Position } from '~/core/performance'
import type { Ticks } from '~/core/time'

/**
 * Lights the beat that sounds, past React: of the elements marked `data-beat` the one of the beat in
 * its bar; `data-phase` of the host says what is played: `count-in`, `groove` or `fill`.
 */
export function useBigCount(
  playing: boolean,
  position: () => Position | undefined,
  beat: Ticks,
  beats: number,
  host: RefObject<HTMLElement | null>,
): void {
  useEffect(() => {
    if (!playing) return
    let frame = requestAnimationFrame(function step() {
      paint(host.current, position(), beat, beats)
      frame = requestAnimationFrame(step)
    })
    return () => {
      cancelAnimationFrame(frame)
      paint(host.current, undefined, beat, beats)
    }
  }, [playing, position, beat, beats, host])
}

function paint(
  host: HTMLElement | null,
  position: Position | undefined,
  beat: Ticks,
  beats: number,
): void {
  if (!host) return
  const tick = position && position.phase !== 'over' ? position.tick : null
  const now = tick === null ? -1 : ((Math.floor(tick / beat) % beats) + beats) % beats
  for (const box of host.querySelectorAll<HTMLElement>('[data-beat]')) {
    box.toggleAttribute('data-now', Number(box.dataset.beat) === now)
  }
  const phase =
    tick === null || !position
      ? 'still'
      : position.phase === 'count-in'
        ? 'count-in'
        : tick < 0
          ? 'groove'
          : 'fill'
  if (host.dataset.phase !== phase) host.dataset.phase = phase
}
