import type { Groove } from '~/core/groove'
import type { Kit } from '~/core/kit'
import type { Lick } from '~/core/line'
import { type CellRecord, type Kept, liveCells, liveGrooves, liveKits } from '~/storage'
import { groovesFor, ownGrooves, ownKitsOf } from '~/workspace/setting'
import { useLive } from './use-live'

/** The player's own cells. */
export function useOwnCells(): readonly Kept<CellRecord>[] {
  return useLive(liveCells).rows
}

/** The grooves that a lick can be played with: the player's own, and those that its text carries along. */
export function useGroovesFor({ unknown }: Pick<Lick, 'unknown'>): readonly Groove[] {
  return groovesFor(useOwnGrooves(), unknown)
}

/** The player's own grooves, as they are played. */
export function useOwnGrooves(): readonly Groove[] {
  return ownGrooves(useLive(liveGrooves).rows)
}

/** The player's own kits. */
export function useOwnKits(): readonly Kit[] {
  return ownKitsOf(useLive(liveKits).rows)
}
