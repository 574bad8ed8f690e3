import { findOwnGrooves } from '~/codecs/lick-text'
import { type Groove, toOwnGrooves } from '~/core/groove'
import type { Kit } from '~/core/kit'
import type { Lick } from '~/core/line'
import { type CellRecord, type Kept, liveCells, liveGrooves, liveKits } from '~/storage'
import { memoize } from '~/workspace/memoize'
import { ownKits } from '~/workspace/setting'
import { useLive } from './use-live'

/** The player's own cells. */
export function useOwnCells(): readonly Kept<CellRecord>[] {
  return useLive(liveCells).rows
}

/** The grooves that a lick can be played with: the player's own, and those that its text carries along. */
export function useGroovesFor({ unknown }: Pick<Lick, 'unknown'>): readonly Groove[] {
  return groovesFor(useOwnGrooves(), unknown)
}

// Worked out once for all who ask: what follows from it is then the same for all of them.
const groovesFor = memoize((own: readonly Groove[], unknown: Lick['unknown']) => {
  const carried = findOwnGrooves(unknown).filter(({ id }) => own.every((one) => one.id !== id))
  return carried.length === 0
    ? own
    : [...own, ...toOwnGrooves(carried).map((groove) => ({ ...groove, carried: true }))]
})
const groovesOf = memoize(toOwnGrooves)
const kitsOf = memoize(ownKits)

/** The player's own grooves, as they are played. */
export function useOwnGrooves(): readonly Groove[] {
  return groovesOf(useLive(liveGrooves).rows)
}

/** The player's own kits. */
export function useOwnKits(): readonly Kit[] {
  return kitsOf(useLive(liveKits).rows)
}
