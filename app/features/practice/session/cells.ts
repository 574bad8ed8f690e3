import type { Rating } from '~/core/log'
import type { GridRung } from '~/core/practice'
import { gridName } from '~/core/time'
import type { PracticeSessionRecord } from '~/storage'
import { oncePer } from '~/workspace/memoize'

/** How every part went last at every tempo where it was rated, by `keyOf`. */
const lastRatings = oncePer((sessions: readonly PracticeSessionRecord[]) => {
  const last = new Map<string, { readonly at: number; readonly rating: Rating }>()
  for (const { part, tempo, grid, rating, createdAt } of sessions) {
    if (!rating) continue
    const key = keyOf(part, tempo, grid)
    if ((last.get(key)?.at ?? Number.NEGATIVE_INFINITY) <= createdAt)
      last.set(key, { at: createdAt, rating })
  }
  return last
})

/** Tempos that round to the same beats a minute are one. */
function keyOf(part: string, tempo: number, grid: string): string {
  return `${part} ${Math.round(tempo)} ${grid}`
}

/** How a part went last on a rung; null where it was not played there, or not rated. */
export function ratingOn(
  sessions: readonly PracticeSessionRecord[],
  part: string,
  { tempo, grid }: GridRung,
): Rating | null {
  return lastRatings(sessions).get(keyOf(part, tempo, gridName(grid)))?.rating ?? null
}
