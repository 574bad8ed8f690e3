import { useCallback, useState } from 'react'
import { DocumentNotice } from '~/live/document-notice'
import { useRead } from '~/live/use-read'
import {
  contentOf,
  type Kept,
  loadSparePlan,
  notSavedWords,
  type PlanRecord,
  removeSparePlan,
  saveSparePlan,
  sparePlanId,
} from '~/storage'
import { Button, ErrorText } from '~/ui/parts'
import { planDifferences } from '~/workspace/documents/plan-differences'
import type { PlanDocument } from '~/workspace/documents/plan-document'

/** Two tabs have changed a practice plan: the choice between them, and afterwards the way back. */
export function PlanConflict({ document }: { document: PlanDocument }) {
  const [trouble, setTrouble] = useState('')
  const { id } = document.saver
  const load = useCallback(() => loadSparePlan(id), [id])
  const concerns = useCallback(
    (table: string, ids: readonly string[]) => table === 'plans' && ids.includes(sparePlanId(id)),
    [id],
  )
  const spare = useRead(load, concerns, null)
  const swap = async (other: Kept<PlanRecord>) => {
    const kept = await saveSparePlan(id, document.content)
    setTrouble(kept.ok ? '' : notSavedWords(kept.error))
    if (kept.ok) document.edit(() => ({ ...contentOf(other), id }))
  }
  return (
    <>
      <DocumentNotice document={document} what="practice plan" differences={planDifferences} />
      {spare && (
        <p className="flex flex-wrap items-center gap-2 text-sm">
          The practice plan that you did not use is kept.
          <Button onClick={() => void swap(spare)}>Swap the plans</Button>
          <Button onClick={() => void removeSparePlan(id)}>Remove it</Button>
        </p>
      )}
      <ErrorText words={trouble} />
    </>
  )
}
