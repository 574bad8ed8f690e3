import type { SaveState } from './autosave'

/** Whether what is on the page is kept. Quiet while it is; plain words when it is not. */
export function SaveMark({ state }: { state: SaveState }) {
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
