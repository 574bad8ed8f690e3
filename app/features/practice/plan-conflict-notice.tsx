import { useCallback, useState } from 'react'
import { SaverNotice } from '~/live/saver-notice'
import { useRead } from '~/live/use-read'
import {
  loadSparePlan,
  notSavedWords,
  type PlanRecord,
  type RecordSaver,
  removeSparePlan,
  saveSparePlan,
  sparePlanId,
} from '~/storage'
import { Act, Trouble } from '~/ui/parts'
import { keepPlanMine, planDifferences, takePlanTheirs } from './plan-conflict'

interface PlanConflictProps {
  readonly saver: RecordSaver<'plans'>
  /** The plan that is followed. */
  readonly plan: PlanRecord
  /** Follows a plan that is stored already. */
  readonly onTake: (plan: PlanRecord) => void
  /** Follows a plan, and saves it. */
  readonly onSave: (plan: PlanRecord) => void
}

/** Two tabs have changed a practice plan: the choice between them, and afterwards the way back. */
export function PlanConflict({ saver, plan, onTake, onSave }: PlanConflictProps) {
  const [trouble, setTrouble] = useState('')
  const { id } = saver
  const load = useCallback(() => loadSparePlan(id), [id])
  const concerns = useCallback(
    (table: string, ids: readonly string[]) => table === 'plans' && ids.includes(sparePlanId(id)),
    [id],
  )
  const spare = useRead(load, concerns, null)
  const decided = (done: boolean) =>
    setTrouble(done ? '' : 'Not done: the other version could not be kept.')
  const swap = async (other: PlanRecord) => {
    const kept = await saveSparePlan(id, plan)
    setTrouble(kept.ok ? '' : notSavedWords(kept.error))
    if (kept.ok) onSave({ ...other, id })
  }
  return (
    <>
      <SaverNotice
        saver={saver}
        what="practice plan"
        differences={planDifferences}
        onMine={async (theirs) => theirs && decided(await keepPlanMine(saver, theirs))}
        onTheirs={async (theirs) => {
          if (!theirs) return
          const done = await takePlanTheirs(saver, theirs)
          decided(done)
          if (done) onTake(theirs)
        }}
      />
      {spare && (
        <p className="flex flex-wrap items-center gap-2 text-sm">
          The practice plan that you did not use is kept.
          <Act onClick={() => void swap(spare)}>Swap the plans</Act>
          <Act onClick={() => void removeSparePlan(id)}>Remove it</Act>
        </p>
      )}
      <Trouble words={trouble} />
    </>
  )
}
