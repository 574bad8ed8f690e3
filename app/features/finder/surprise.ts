import type { PlayContext } from '~/core/playability'
import type { Grid, Meter } from '~/core/time'
import { startFinder } from '~/workers'
import { FIRST_QUESTION, newSeed, withFrame } from './question-edits'

/** A fill of a whole bar, drawn evenly from all of a few cells, as it is typed; null where none fits such a bar. */
export async function surpriseLine(
  meter: Meter,
  grid: Grid,
  setting: PlayContext,
): Promise<string | null> {
  const written = { ...withFrame(FIRST_QUESTION, { meter, grid }), inversions: true, mirrors: true }
  const finder = startFinder()
  try {
    const way = await finder.ask('pick-way', { written, setting, pick: newSeed() })
    return way?.line ?? null
  } finally {
    finder.close()
  }
}
