import { useMemo } from 'react'
import { logOfLick } from '~/core/log'
import type { Grid } from '~/core/time'
import { toPracticeSession } from '~/live/practice-session'
import { useLive } from '~/live/use-live'
import { liveSessions } from '~/storage'

/** The fastest tempo at which the whole lick was clean, as it would be on a grid; null where it never was. */
export function usePlayedClean(lickId: string, grid: Grid): number | null {
  const { rows } = useLive(liveSessions(lickId))
  return useMemo(() => {
    const best = logOfLick(rows.map(toPracticeSession), grid, Date.now())?.bestClean ?? null
    return best === null ? null : Math.round(best * 10) / 10
  }, [rows, grid])
}
