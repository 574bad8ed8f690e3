import { type ReactNode, useEffect, useRef, useState, useSyncExternalStore } from 'react'
import { type Blocker, useBlocker } from 'react-router'
import { useSettingsState } from '~/live/use-live'
import {
  liveSettings,
  notSavedWords,
  onStoreTaken,
  onUnsaved,
  type StoreIssue,
  unsavedNow,
} from '~/storage'

/**
 * What every page has to say of the store: that something cannot be saved, and that a newer version of
 * the app has taken the store over. Leaving while something cannot be saved asks first.
 */
export function StoreNotices() {
  const unsaved = useSyncExternalStore(onUnsaved, unsavedNow, unsavedNow)
  const { trouble } = useSettingsState()
  const taken = useStoreTaken()
  const failed = unsaved.kind === 'failed' ? unsaved.issue : trouble
  const asks = unsaved.kind !== 'none' || trouble !== null
  useEffect(() => {
    if (!asks) return
    const ask = (event: BeforeUnloadEvent) => event.preventDefault()
    window.addEventListener('beforeunload', ask)
    return () => window.removeEventListener('beforeunload', ask)
  }, [asks])
  // Asked of what is so now: what was decided a moment ago may not be drawn yet.
  const blocker = useBlocker(
    ({ currentLocation, nextLocation }) =>
      (unsavedNow().kind !== 'none' || liveSettings.snapshot().trouble !== null) &&
      currentLocation.pathname !== nextLocation.pathname,
  )
  const decided = useRef<Blocker>(null)
  /** Once for each time that is asked: the second press of a double click finds it answered. */
  const answer = (how: 'reset' | 'proceed') => {
    if (blocker.state !== 'blocked' || decided.current === blocker) return
    decided.current = blocker
    blocker[how]()
  }
  // It was saved, or decided, meanwhile: the question is gone, and nobody is carried away by that.
  useEffect(() => {
    if (!asks) answer('reset')
  })
  return (
    <>
      {taken && (
        <Bar>
          A newer Dime Stack is open in another tab and has taken over the storage. Nothing more is
          saved here.{' '}
          <button type="button" className="link" onClick={() => location.reload()}>
            Reload this page
          </button>
        </Bar>
      )}
      {failed && !taken && (
        <Bar>
          {notSavedWords(failed)} What you changed is still on this page, and is tried again every
          few seconds.
        </Bar>
      )}
      {blocker.state === 'blocked' && (
        <Bar>
          <span className="mr-3">
            {unsaved.kind === 'conflict'
              ? 'Two versions of what is on this page are still to be decided about.'
              : 'What you changed here is not saved yet.'}
          </span>
          <button
            type="button"
            className="btn btn-primary btn-sm mr-2"
            onClick={() => answer('reset')}
          >
            Stay here
          </button>
          <button
            type="button"
            className="btn btn-outline border-base-300 btn-sm"
            onClick={() => answer('proceed')}
          >
            Leave all the same
          </button>
        </Bar>
      )}
    </>
  )
}

function useStoreTaken(): StoreIssue | null {
  const [taken, setTaken] = useState<StoreIssue | null>(null)
  useEffect(() => onStoreTaken(setTaken), [])
  return taken
}

function Bar({ children }: { children: ReactNode }) {
  return (
    <div role="alert" className="border-warning border-b bg-base-100 px-4 py-2 text-sm sm:px-5">
      <div className="mx-auto w-full max-w-7xl">{children}</div>
    </div>
  )
}
