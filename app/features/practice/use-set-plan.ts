import { useMemo } from 'react'
import type { InSet } from '../sets'
import type { SetPlan } from './use-plan'

/** The plan that a lick has from the set it is practised in; null where it goes by its own. */
export function useSetPlan(inSet: InSet | null, lickId: string): SetPlan | null {
  return useMemo(() => {
    if (!inSet?.shared || !inSet.set.exercises.some((one) => one.lickId === lickId)) return null
    return {
      shared: inSet.shared,
      exception: inSet.exceptionOf(lickId),
      onExcept: (plan) => inSet.onExcept(lickId, plan),
    }
  }, [inSet, lickId])
}
