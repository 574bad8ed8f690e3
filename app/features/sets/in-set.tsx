import { type ReactNode, useMemo } from 'react'
import type { Kept, PlanContent, SetRecord, SharedPlan } from '~/storage'
import { exceptPlan } from '~/workspace/set-edits'
import { SetNotice } from './set-notice'
import { useSet } from './use-set'

/** The set that a lick is practised in. */
export interface InSet {
  readonly set: SetRecord
  /** Its plan for all licks; null where each is practised by its own. */
  readonly shared: SharedPlan | null
  /** What was changed of the plan for a lick; null for nothing. */
  readonly exceptionOf: (lickId: string) => PlanContent | null
  readonly onExcept: (lickId: string, plan: PlanContent | null) => void
  /** What is wrong with saving the set; nothing where nothing is. */
  readonly notice: ReactNode
}

interface WithinSetProps {
  /** As it was stored when the page was opened; null for no set. */
  readonly opened: Kept<SetRecord> | null
  readonly children: (inSet: InSet | null) => ReactNode
}

/** Practice within a set: what is changed of its plan is saved in it, whichever exercise is open. */
export function WithinSet({ opened, children }: WithinSetProps) {
  return opened ? <Within opened={opened}>{children}</Within> : children(null)
}

function Within({ opened, children }: WithinSetProps & { opened: Kept<SetRecord> }) {
  const { set, desk, saver, gone } = useSet(opened)
  const inSet = useMemo(
    (): InSet => ({
      set,
      shared: set.plan,
      exceptionOf: (lickId) => set.exercises.find((one) => one.lickId === lickId)?.plan ?? null,
      onExcept: (lickId, plan) => desk.edit((now) => exceptPlan(now, lickId, plan)),
      notice: gone ? null : <SetNotice saver={saver} onTake={desk.take} />,
    }),
    [set, desk, saver, gone],
  )
  return children(inSet)
}
