import { useCallback, useMemo, useState } from 'react'
import { useFetcher } from 'react-router'
import type { PlanRecord, PracticeSessionRecord } from '~/storage'
import type { PracticeCommand, StoredForPractice } from './practice-store'

/** What is written down while the page is open: sessions as they go on, and the plan. */
export function useStored(lickId: string, kept: StoredForPractice) {
  const { submit: submitSession, data } = useFetcher<{ trouble: string }>()
  const { submit: submitPlan } = useFetcher()
  const [written, setWritten] = useState<readonly PracticeSessionRecord[]>([])
  const sessions = useMemo(() => [...kept.sessions, ...written], [kept, written])
  const options = useMemo(
    () => ({ method: 'post', action: `/practice/${lickId}`, encType: 'application/json' }) as const,
    [lickId],
  )
  const saveSession = useCallback(
    (session: PracticeSessionRecord) => {
      setWritten((known) => [...known.filter(({ id }) => id !== session.id), session])
      const command: PracticeCommand = { intent: 'session', session }
      submitSession(JSON.stringify(command), options)
    },
    [submitSession, options],
  )
  const savePlan = useCallback(
    (plan: PlanRecord) => {
      const command: PracticeCommand = { intent: 'plan', plan }
      submitPlan(JSON.stringify(command), options)
    },
    [submitPlan, options],
  )
  return { sessions, saveSession, savePlan, trouble: data?.trouble ?? '' }
}
