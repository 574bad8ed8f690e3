import { type RefObject, useEffect } from 'react'
import type { Position } from '~/core/performance'
import { type Phase, STILL } from './lights'

/**
 * Lights what sounds, past React: of the elements marked `data-beat` that of the beat, of those
 * marked `data-slot` that of the slot; `data-phase` of the host, and the words of `data-phase-words`,
 * say what is played.
 */
export function useLights(
  playing: boolean,
  position: () => Position | undefined,
  phaseOf: (position: Position | undefined) => Phase,
  words: (phase: Phase) => string,
  host: RefObject<HTMLElement | null>,
): void {
  useEffect(() => {
    if (!playing) return
    let frame = requestAnimationFrame(function step() {
      paint(host.current, phaseOf(position()), words)
      frame = requestAnimationFrame(step)
    })
    return () => {
      cancelAnimationFrame(frame)
      paint(host.current, STILL, words)
    }
  }, [playing, position, phaseOf, words, host])
}

function paint(host: HTMLElement | null, phase: Phase, words: (phase: Phase) => string): void {
  if (!host) return
  light(host, 'beat', phase.beat)
  light(host, 'slot', phase.slot)
  if (host.dataset.phase !== phase.name) host.dataset.phase = phase.name
  const said = words(phase)
  for (const says of host.querySelectorAll('[data-phase-words]')) {
    if (says.textContent !== said) says.textContent = said
  }
}

function light(host: HTMLElement, kind: 'beat' | 'slot', now: number): void {
  for (const element of host.querySelectorAll<HTMLElement | SVGElement>(`[data-${kind}]`)) {
    element.toggleAttribute('data-now', Number(element.dataset[kind]) === now)
  }
}
