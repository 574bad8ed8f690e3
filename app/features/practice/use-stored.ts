import { useEffect, useState } from 'react'
import type { Lick } from '~/core/line'
import { useDocument } from '~/live/use-document'
import { useLive } from '~/live/use-live'
import { useSlices } from '~/live/use-slices'
import { closeSaver, type Kept, liveSessions, openSaver, type PlanRecord } from '~/storage'
import { newPlan, planDocument } from '~/workspace/documents/plan-document'
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

/** What is written down while the page is open: sessions as they go on, and the plan. */
export function useStored(lickId: string, lick: Lick, opened: Kept<PlanRecord> | null) {
  const { rows: sessions } = useLive(liveSessions(lickId))
  const saveSession = useSessionWriter()
  const document = useDocument(() => planDocument(opened, newPlan(lickId, lick, Date.now())))
  const { content: plan } = useSlices(document)
  return { sessions, saveSession, plan, document }
}
