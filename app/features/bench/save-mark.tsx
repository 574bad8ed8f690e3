import { useSyncExternalStore } from 'react'
import type { Autosave } from './autosave'

/** Whether what is on the page is kept. Quiet while it is; plain words when it is not. */
export function SaveMark({ autosave }: { autosave: Autosave }) {
  const state = useSyncExternalStore(autosave.subscribe, autosave.state, autosave.state)
  const failed = state.kind === 'failed'
  return (
    <p
      role="status"
      className={`w-28 text-right text-xs ${failed ? 'font-semibold text-error' : 'text-(--quiet)'}`}
    >
      {state.kind === 'saved' && 'Kept'}
      {state.kind === 'waiting' && 'Keeping …'}
      {failed && (state.issue.code === 'quota' ? 'Not kept: no room left' : 'Not kept yet')}
    </p>
  )
}
