import { useSyncExternalStore } from 'react'
import type { Kept, RecordSaver } from '~/storage'

type Saveable = Pick<RecordSaver<'kits'>, 'subscribe' | 'state'>

/**
 * A record that was changed in another tab while this one changes it: both are there until someone
 * decides. Nothing while there is no conflict.
 */
export function SaverNotice<R>({
  saver,
  what,
  onMine,
  onTheirs,
}: {
  saver: { readonly subscribe: Saveable['subscribe']; readonly state: RecordSaverState<R> }
  /** What it is, as `kit`. */
  what: string
  onMine: (theirs: Kept<R> | null) => unknown
  onTheirs: (theirs: Kept<R> | null) => unknown
}) {
  const state = useSyncExternalStore(saver.subscribe, saver.state, saver.state)
  if (state.kind !== 'conflict') return null
  const { theirs } = state
  return (
    <div
      role="alert"
      className="flex flex-wrap items-center gap-3 rounded-box border border-warning bg-base-100 p-3 text-sm"
    >
      <p className="min-w-0 grow">
        {theirs
          ? `This ${what} was changed in another tab. What is here has not replaced it.`
          : `This ${what} was deleted in another tab. What is here is not saved.`}
      </p>
      <button type="button" className="btn btn-primary btn-sm" onClick={() => onMine(theirs)}>
        {theirs ? 'Keep mine' : 'Restore it'}
      </button>
      <button
        type="button"
        className="btn btn-outline border-base-300 btn-sm"
        onClick={() => onTheirs(theirs)}
      >
        {theirs ? 'Use the other version' : 'Leave it deleted'}
      </button>
    </div>
  )
}

type RecordSaverState<R> = () =>
  | { readonly kind: 'saved' | 'waiting' | 'failed' }
  | { readonly kind: 'conflict'; readonly theirs: Kept<R> | null }
