import { useEffect, useMemo } from 'react'
import { useFetcher } from 'react-router'
import type { Groove } from '~/core/groove'
import type { GrooveRecord } from '~/storage'

/** The player's own grooves: those that were there when the bench was opened, then as they change. */
export function useGrooves(kept: readonly GrooveRecord[]): readonly Groove[] {
  const { data, load } = useFetcher<GrooveRecord[]>({ key: 'grooves' })
  useEffect(() => void load('/grooves'), [load])
  const records = data ?? kept
  return useMemo(() => toGrooves(records), [records])
}

/** Stored grooves as they are played. */
export function toGrooves(records: readonly GrooveRecord[]): Groove[] {
  return records.map(({ id, name, meter, grid, line }) => ({
    id,
    name,
    keeper: 'hh' as const,
    own: true,
    bars: { [meter]: { grid, line } },
  }))
}
