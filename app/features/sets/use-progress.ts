import { useMemo, useState } from 'react'
import { useLive } from '~/live/use-live'
import {
  type LickSummary,
  liveLogs,
  liveSummaries,
  type SetRecord,
  type StoredLog,
} from '~/storage'
import { oncePer } from '~/workspace/memoize'
import { countAtGoal, progressOf } from './progress'

/** How far a set is, as the library and the log have it now. */
export function useProgress(set: Pick<SetRecord, 'exercises'>) {
  const summaries = useLive(liveSummaries).rows
  const logs = useLive(liveLogs).rows
  const [now] = useState(() => Date.now())
  return useMemo(() => {
    const progress = progressOf(set, summariesById(summaries), logsById(logs), now)
    return { progress, atGoal: countAtGoal(progress), count: progress.length }
  }, [set, summaries, logs, now])
}

/** Rows by their ids, worked out once for all sets that are shown. */
const summariesById = oncePer((rows: readonly LickSummary[]) => byId(rows))
const logsById = oncePer((rows: readonly StoredLog[]) => byId(rows))

function byId<T extends { readonly id: string }>(rows: readonly T[]): ReadonlyMap<string, T> {
  return new Map(rows.map((row) => [row.id, row]))
}
