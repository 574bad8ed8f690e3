import { useSyncExternalStore } from 'react'
import { useSubmit } from 'react-router'
import { type LickRecord, type LickTexts, loadLick } from '~/storage'
import type { Autosave } from './autosave'

/** Another tab has changed the same lick since: neither version is lost, the player chooses. */
export function ConflictNotice({
  id,
  autosave,
  texts,
  onRestoreTheirs,
}: {
  id: string
  autosave: Autosave
  /** What is on the bench, as it is stored. */
  texts: () => LickTexts
  onRestoreTheirs: (record: LickRecord) => void
}) {
  const state = useSyncExternalStore(autosave.subscribe, autosave.state, autosave.state)
  const submit = useSubmit()
  if (state.kind !== 'failed' || state.issue.code !== 'conflict') return null
  const restoreTheirs = async () => {
    const stored = await loadLick(id)
    if (stored.ok) onRestoreTheirs(stored.value)
  }
  return (
    <div
      role="alert"
      className="flex flex-wrap items-center gap-3 rounded-box border border-warning bg-base-100 p-4 lg:col-span-2"
    >
      <p className="min-w-0 grow">
        This lick was changed in another tab. Your version is still here and has not replaced it.
      </p>
      <button
        type="button"
        className="btn btn-outline border-base-300 btn-sm"
        onClick={restoreTheirs}
      >
        Use the other version
      </button>
      <button
        type="button"
        className="btn btn-primary btn-sm"
        onClick={() =>
          submit(
            { intent: 'duplicate', id, texts: JSON.stringify(texts()) },
            { method: 'post', action: '/?index' },
          )
        }
      >
        Save mine as a copy
      </button>
    </div>
  )
}
