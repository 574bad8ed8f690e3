import { useSyncExternalStore } from 'react'
import type { RecordSaver } from '~/storage'

/** Whether what is on the page is saved. Quiet while it is; plain words when it is not. */
export function SaveMark({ saver }: { saver: RecordSaver<'licks'> }) {
  const state = useSyncExternalStore(saver.subscribe, saver.state, saver.state)
  const failed = state.kind === 'failed' || state.kind === 'conflict'
  return (
    <p
      // Said only when something is wrong: with every key it would be said twice.
      role={failed ? 'alert' : undefined}
      className={`mr-1 min-w-14 text-right text-xs ${failed ? 'font-semibold text-error' : 'text-(--quiet)'}`}
    >
      {state.kind === 'saved' && 'Saved'}
      {state.kind === 'waiting' && 'Saving …'}
      {state.kind === 'conflict' && 'Not saved: decide'}
      {state.kind === 'failed' &&
        (state.issue.code === 'quota' ? 'Not saved: storage is full' : 'Not saved yet')}
    </p>
  )
}
