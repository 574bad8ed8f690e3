import { useMemo, useState } from 'react'
import { useLive } from '~/live/use-live'
import { liveLogs, liveSummaries, type SetRecord } from '~/storage'
import { countAtGoal, progressOf } from './progress'

/** How far a set is, as the library and the log have it now. */
export function useProgress(set: Pick<SetRecord, 'exercises'>) {
  const summaries = useLive(liveSummaries).rows
  const logs = useLive(liveLogs).rows
  const [now] = useState(() => Date.now())
  return useMemo(() => {
    const progress = progressOf(set, byId(summaries), byId(logs), now)
    return { progress, atGoal: countAtGoal(progress), count: progress.length }
  }, [set, summaries, logs, now])
}

/** Rows by their ids, worked out once for all sets that are shown. */
function byId<T extends { readonly id: string }>(rows: readonly T[]): ReadonlyMap<string, T> {
  const known = found.get(rows) ?? new Map(rows.map((row) => [row.id, row]))
  found.set(rows, known)
  return known as ReadonlyMap<string, T>
}
const found = new WeakMap<readonly unknown[], ReadonlyMap<string, unknown>>()
