import { useCallback, useEffect, useState } from 'react'
import { useLive } from '~/live/use-live'
import {
  closeSaver,
  followRecord,
  type Kept,
  liveSessions,
  MOST_RUNGS,
  openSaver,
  type PlanRecord,
  planRecordSchema,
} from '~/storage'
import { SessionWriter } from './session-writer'

/** A writer of sessions into this browser's store. */
export function useSessionWriter() {
  const [writer] = useState(
    () =>
      new SessionWriter({
        open: (id) => openSaver('sittings', id, null),
        close: (saver) => void closeSaver(saver),
      }),
  )
  // What plays when the page is left is written down by effects that end after this one.
  useEffect(() => () => queueMicrotask(() => writer.close()), [writer])
  return writer.save
}

/** Why a plan cannot be saved, in words; empty where it can. */
export function planFault(plan: PlanRecord): string {
  const read = planRecordSchema.safeParse(plan)
  if (read.success) return ''
  const { rungs } = plan
  return rungs && rungs.length > MOST_RUNGS
    ? `A ladder has at most ${MOST_RUNGS} tempos, so nothing was changed.`
    : 'The plan can’t be saved like that, so nothing was changed.'
}

/** What is written down while the page is open: sessions as they go on, and the plan. */
export function useStored(lickId: string, opened: Kept<PlanRecord> | null) {
  const { rows: sessions } = useLive(liveSessions(lickId))
  const saveSession = useSessionWriter()
  const [plan, setPlan] = useState<PlanRecord | null>(opened)
  const [saver] = useState(() => openSaver('plans', lickId, opened?.revision ?? null))
  useEffect(
    () =>
      followRecord(saver, (theirs) => {
        if (theirs !== 'deleted') setPlan(theirs)
      }),
    [saver],
  )
  const [refused, setRefused] = useState('')
  const savePlan = useCallback(
    (next: PlanRecord) => {
      const fault = planFault(next)
      setRefused(fault)
      if (fault !== '') return
      setPlan(next)
      saver.change(next)
    },
    [saver],
  )
  return { sessions, saveSession, plan, savePlan, takePlan: setPlan, planSaver: saver, refused }
}
