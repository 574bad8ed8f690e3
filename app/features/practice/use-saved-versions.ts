import { useMemo } from 'react'
import { findVoicedLick } from '~/codecs/voicing'
import { onGrid } from '~/core/fitting'
import type { Lick } from '~/core/line'
import { type Grid, sameGrid } from '~/core/time'
import { useLive } from '~/live/use-live'
import { liveVersions } from '~/storage'
import { turnTexts } from '~/workspace/turned'

/** A saved version of the lick, as it is played here. */
export interface SavedVersion {
  readonly id: string
  readonly name: string
  readonly lick: Lick
}

/** The saved versions of a lick, oldest first, on the grid that is played on. */
export function useSavedVersions(
  lickId: string,
  turnLetters: boolean,
  grid: Grid,
  own: Grid,
): readonly SavedVersion[] {
  const { rows } = useLive(liveVersions(lickId))
  const same = sameGrid(grid, own)
  return useMemo(
    () =>
      rows.flatMap(({ id, name, text, voicing }) => {
        const lick = findVoicedLick(turnTexts({ text, voicing, draft: null }, turnLetters))
        if (!lick || lick.line.slots.length === 0) return []
        return [{ id, name, lick: same ? lick : onGrid(lick, grid) }]
      }),
    [rows, turnLetters, same, grid],
  )
}
