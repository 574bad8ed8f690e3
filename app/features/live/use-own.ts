import { useMemo } from 'react'
import { type CarriedGroove, findOwnGrooves } from '~/codecs/lick-text'
import type { Groove } from '~/core/groove'
import type { Kit } from '~/core/kit'
import type { Lick } from '~/core/line'
import { type CellRecord, type Kept, liveCells, liveGrooves, liveKits } from '~/storage'
import { ownKits } from '~/workspace/setting'
import { useLive } from './use-live'

/** The player's own cells. */
export function useOwnCells(): readonly Kept<CellRecord>[] {
  return useLive(liveCells).rows
}

/** The grooves that a lick can be played with: the player's own, and those that its text carries along. */
export function useGroovesFor({ unknown }: Pick<Lick, 'unknown'>): readonly Groove[] {
  const own = useOwnGrooves()
  return useMemo(() => {
    const carried = findOwnGrooves(unknown).filter(({ id }) => own.every((one) => one.id !== id))
    return carried.length === 0 ? own : [...own, ...toGrooves(carried)]
  }, [own, unknown])
}

/** The player's own grooves, as they are played. */
export function useOwnGrooves(): readonly Groove[] {
  const { rows } = useLive(liveGrooves)
  return useMemo(() => toGrooves(rows), [rows])
}

/** The player's own kits. */
export function useOwnKits(): readonly Kit[] {
  const { rows } = useLive(liveKits)
  return useMemo(() => ownKits(rows), [rows])
}

/** Stored grooves as they are played. */
export function toGrooves(records: readonly CarriedGroove[]): Groove[] {
  return records.map(({ id, name, meter, grid, line }) => ({
    id,
    name,
    keeper: 'hh' as const,
    own: true,
    bars: { [meter]: { grid, line } },
  }))
}
