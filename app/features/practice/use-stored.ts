import { useCallback, useEffect, useState } from 'react'
import {
  closeSaver,
  type Kept,
  liveSessions,
  onStoreChange,
  openSaver,
  type PlanRecord,
} from '~/storage'
import { useLive } from '../live/use-live'
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
  useEffect(() => () => writer.close(), [writer])
  return writer.save
}

/** What is written down while the page is open: sessions as they go on, and the plan. */
export function useStored(lickId: string, opened: Kept<PlanRecord> | null) {
  const { rows: sessions } = useLive(liveSessions(lickId))
  const saveSession = useSessionWriter()
  const [plan, setPlan] = useState<PlanRecord | null>(opened)
  const [saver] = useState(() => openSaver('plans', lickId, opened?.revision ?? null))
  useEffect(() => {
    const stop = onStoreChange(({ table, ids }) => {
      if (table !== 'plans' || !ids.includes(lickId)) return
      void saver.heard().then((theirs) => {
        if (theirs && theirs !== 'deleted') setPlan(theirs)
      })
    })
    return () => {
      stop()
      void closeSaver(saver)
    }
  }, [saver, lickId])
  const savePlan = useCallback(
    (next: PlanRecord) => {
      setPlan(next)
      saver.change(next)
    },
    [saver],
  )
  return { sessions, saveSession, plan, savePlan, setPlan, planSaver: saver }
}
