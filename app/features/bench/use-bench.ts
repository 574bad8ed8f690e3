import { useCallback, useEffect, useState, useSyncExternalStore } from 'react'
import { closeSaver, type Kept, type LickRecord, onStoreChange, openSaver } from '~/storage'
import type { BenchCommand } from '~/workspace/document'
import { HistoryMemory } from '~/workspace/history-memory'
import { LickSession, type Refuse } from '~/workspace/lick-session'

/** The lick on the bench, in the store as it changes. */
export function useBench(record: Kept<LickRecord>, turned: boolean, refuse: Refuse) {
  const [session] = useState(
    () =>
      new LickSession(
        record,
        turned,
        openSaver('licks', record.id, record.revision),
        new HistoryMemory(tabMemory()),
      ),
  )
  const document = useSyncExternalStore(session.subscribe, session.document, session.document)
  const run = useCallback(
    (command: BenchCommand) => session.run(command, refuse),
    [session, refuse],
  )

  useEffect(() => {
    const { saver } = session
    const leave = () => {
      session.remember()
      void saver.flush()
    }
    const leaveHidden = () => {
      if (window.document.visibilityState === 'hidden') leave()
    }
    window.addEventListener('pagehide', leave)
    window.document.addEventListener('visibilitychange', leaveHidden)
    const stop = onStoreChange(({ table, ids }) => {
      if (table === 'licks' && ids.includes(saver.id)) void session.heard()
    })
    return () => {
      window.removeEventListener('pagehide', leave)
      window.document.removeEventListener('visibilitychange', leaveHidden)
      stop()
      session.remember()
      void closeSaver(saver)
    }
  }, [session])

  return { document, run, session }
}

function tabMemory(): Storage | null {
  try {
    return window.sessionStorage
  } catch {
    return null
  }
}
