import { useEffect, useState } from 'react'
import { type Kept, type LickRecord, NEW_LICK, openSaver, purge } from '~/storage'
import { HistoryMemory } from '~/workspace/documents/history-memory'
import { LickSession } from '~/workspace/documents/lick-session'
import { Workspace } from '~/workspace/workspace'

/** The workspace of a lick, in the store as it changes. */
export function useBench(record: Kept<LickRecord>, turned: boolean): Workspace {
  const [workspace] = useState(() => {
    const saver = openSaver('licks', record.id, record.revision, record)
    return new Workspace(new LickSession(record, turned, saver, new HistoryMemory(tabMemory())))
  })
  useEffect(() => {
    const { session } = workspace
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
    const unfollow = session.subscribe(workspace.follow)
    workspace.follow()
    const stop = session.open()
    return () => {
      window.removeEventListener('pagehide', leave)
      window.document.removeEventListener('visibilitychange', leaveHidden)
      unfollow()
      session.remember()
      stop()
      // A new lick in which nothing was typed is no lick.
      if (isUntouched(workspace)) void purge([{ table: 'licks', id: session.saver.id }])
    }
  }, [workspace])
  return workspace
}

function isUntouched({ document }: Workspace): boolean {
  const { text, beside, past, future } = document.history
  return text === NEW_LICK.text && beside === '' && past.length + future.length === 0
}

function tabMemory(): Storage | null {
  try {
    return window.sessionStorage
  } catch {
    return null
  }
}
