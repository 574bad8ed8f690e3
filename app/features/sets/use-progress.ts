import { useMemo, useState } from 'react'
import { useLive } from '~/live/use-live'
import { liveLogs, liveSummaries, type SetRecord } from '~/storage'
import { countAtGoal, progressOf } from './progress'

/** How far a set is, as the library and the log have it now. */
export function useProgress(set: Pick<SetRecord, 'exercises'>) {
  const summaries = useLive(liveSummaries).rows
  const logs = useLive(liveLogs).rows
  const [now] = useState(() => Date.now())
  const byId = useMemo(() => new Map(summaries.map((row) => [row.id, row])), [summaries])
  const logById = useMemo(() => new Map(logs.map((row) => [row.id, row])), [logs])
  return useMemo(() => {
    const progress = progressOf(set, byId, logById, now)
    return { progress, atGoal: countAtGoal(progress), count: progress.length }
  }, [set, byId, logById, now])
}
