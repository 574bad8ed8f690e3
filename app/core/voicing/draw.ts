import { toRandomStream } from '../foundation'
import type { Surface } from '../sticking'
import type { Action } from './rule'

/**
 * Surfaces drawn one after the other; a surface that stands in the list twice is drawn twice as
 * often. Where none may come twice running, what was drawn last is left out of the next draw, as
 * long as there is another. The same seed draws the same, and a longer line goes on where a shorter
 * one ended. An empty list draws nothing.
 */
export function surfaceDraw({
  surfaces,
  twice,
  seed,
}: Extract<Action, { kind: 'draw' }>): () => Surface | null {
  const random = toRandomStream(seed)
  const several = new Set(surfaces).size > 1
  let last: Surface | null = null
  return () => {
    const open = twice || !several ? surfaces : surfaces.filter((surface) => surface !== last)
    last = open[Math.floor(random() * open.length)] ?? null
    return last
  }
}
