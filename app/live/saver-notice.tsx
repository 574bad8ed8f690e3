import { useSyncExternalStore } from 'react'
import type { Kept, SaveState } from '~/storage'

/**
 * A record that was changed in another tab while this one changes it: both are there, compared, until
 * someone decides. Nothing while there is no conflict.
 */
export function SaverNotice<R>({
  saver,
  what,
  differences,
  onMine,
  onTheirs,
}: {
  saver: {
    readonly subscribe: (listener: () => void) => () => void
    readonly state: () => SaveState<R>
    readonly waiting: R | undefined
  }
  /** What it is, as `kit`. */
  what: string
  /** In what the other version and ours differ, each a line. */
  differences: (theirs: R, mine: R) => readonly string[]
  onMine: (theirs: Kept<R> | null) => unknown
  onTheirs: (theirs: Kept<R> | null) => unknown
}) {
  const state = useSyncExternalStore(saver.subscribe, saver.state, saver.state)
  if (state.kind !== 'conflict') return null
  const { theirs } = state
  const lines = theirs && saver.waiting ? differences(theirs, saver.waiting) : []
  return (
    <div
      role="alert"
      className="flex flex-wrap items-center gap-3 rounded-box border border-warning bg-base-100 p-3 text-sm"
    >
      <p className="min-w-0 grow">
        {theirs
          ? `This ${what} was changed in another tab. What is here has not replaced it; the version that you don’t use is kept.`
          : `This ${what} was deleted in another tab. What is here is not saved.`}
      </p>
      {lines.length > 0 && (
        <ul className="w-full list-disc pl-5">
          {lines.map((line) => (
            <li key={line} className="break-words">
              {line}
            </li>
          ))}
        </ul>
      )}
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
