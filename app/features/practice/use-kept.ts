import { useCallback, useMemo, useState } from 'react'
import { useFetcher } from 'react-router'
import type { PlanRecord, SittingRecord } from '~/storage'
import type { KeptForPractice, PracticeCommand } from './practice-store'

/** What is written down while the page is open: sittings as they go on, and the plan. */
export function useKept(lickId: string, kept: KeptForPractice) {
  const { submit: submitSitting, data } = useFetcher<{ trouble: string }>()
  const { submit: submitPlan } = useFetcher()
  const [written, setWritten] = useState<readonly SittingRecord[]>([])
  const sittings = useMemo(() => [...kept.sittings, ...written], [kept, written])
  const options = useMemo(
    () => ({ method: 'post', action: `/practice/${lickId}`, encType: 'application/json' }) as const,
    [lickId],
  )
  const keepSitting = useCallback(
    (sitting: SittingRecord) => {
      setWritten((known) => [...known.filter(({ id }) => id !== sitting.id), sitting])
      const command: PracticeCommand = { intent: 'sitting', sitting }
      submitSitting(JSON.stringify(command), options)
    },
    [submitSitting, options],
  )
  const keepPlan = useCallback(
    (plan: PlanRecord) => {
      const command: PracticeCommand = { intent: 'plan', plan }
      submitPlan(JSON.stringify(command), options)
    },
    [submitPlan, options],
  )
  return { sittings, keepSitting, keepPlan, trouble: data?.trouble ?? '' }
}
