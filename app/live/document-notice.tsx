import { useSyncExternalStore } from 'react'
import type { KeptTable, RecordOf } from '~/storage'
import { ErrorText } from '~/ui/parts'
import { keepMine, takeTheirs } from '~/workspace/documents/decisions'
import type { StoredDocument } from '~/workspace/documents/stored-document'
import { useSlices } from './use-slices'

/**
 * What is wrong with keeping a document, and the say in it: it was changed in another tab while this one
 * changes it, and both versions are compared until someone decides; it was deleted there; or the last change
 * was not made. Nothing where nothing is.
 */
export function DocumentNotice<K extends KeptTable, T, V>({
  document,
  what,
  differences,
}: {
  document: StoredDocument<K, T, V>
  /** What it is, as `kit`. */
  what: string
  /** In what the other version and ours differ, each a line. */
  differences: (theirs: RecordOf[K], mine: RecordOf[K]) => readonly string[]
}) {
  const { saver } = document
  const state = useSyncExternalStore(saver.subscribe, saver.state, saver.state)
  const { deleted, refused } = useSlices(document)
  if (state.kind !== 'conflict' && !deleted) return <ErrorText words={refused} />
  const theirs = state.kind === 'conflict' ? state.theirs : null
  const lines = theirs && saver.waiting ? differences(theirs, saver.waiting) : []
  return (
    <div
      role="alert"
      className="flex flex-wrap items-center gap-3 rounded-box border border-warning bg-base-100 p-3 text-sm"
    >
      <p className="min-w-0 grow">
        {theirs
          ? `This ${what} was changed in another tab. What is here has not replaced it; the version that you don’t use is kept.`
          : `This ${what} was deleted in another tab.${state.kind === 'conflict' ? ' What is here is not saved.' : ' It is in the bin.'}`}
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
      <button
        type="button"
        className="btn btn-primary btn-sm"
        onClick={() => void keepMine(document, theirs)}
      >
        {theirs ? 'Keep mine' : 'Restore it'}
      </button>
      {state.kind === 'conflict' && (
        <button
          type="button"
          className="btn btn-outline border-base-300 btn-sm"
          onClick={() => void takeTheirs(document, theirs)}
        >
          {theirs ? 'Use the other version' : 'Leave it deleted'}
        </button>
      )}
      <ErrorText words={refused} />
    </div>
  )
}
