import { useSyncExternalStore } from 'react'
import type { Autosave } from './autosave'

/** Whether what is on the page is saved. Quiet while it is; plain words when it is not. */
export function SaveMark({ autosave }: { autosave: Autosave }) {
  const state = useSyncExternalStore(autosave.subscribe, autosave.state, autosave.state)
  const failed = state.kind === 'failed'
  return (
    <p
      role="status"
      className={`w-28 text-right text-xs ${failed ? 'font-semibold text-error' : 'text-(--quiet)'}`}
    >
      {state.kind === 'saved' && 'Saved'}
      {state.kind === 'waiting' && 'Saving …'}
      {failed && (state.issue.code === 'quota' ? 'Not saved: storage is full' : 'Not saved yet')}
    </p>
  )
}
