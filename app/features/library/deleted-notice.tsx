import { useState } from 'react'
import { Link } from 'react-router'
import { ErrorText } from '~/ui/parts'
import { type DeletedLick, restoreLicks } from './library-actions'

const BUTTON = 'btn btn-sm border-none bg-white/15 text-inherit shadow-none hover:bg-white/25'

/** What was deleted a moment ago, with the way to undo that; nothing while nothing was. */
export function DeletedNotice({
  licks,
  onDone,
}: {
  licks: readonly DeletedLick[]
  onDone: () => void
}) {
  const [trouble, setTrouble] = useState('')
  const [first] = licks
  if (!first) return null
  const undo = async () => {
    const outcome = await restoreLicks(licks.map(({ id }) => id))
    if (outcome.kind === 'failed') setTrouble(outcome.message)
    else onDone()
  }
  return (
    <div
      role="status"
      className="mt-4 flex flex-wrap items-center gap-3 rounded-box bg-neutral px-4 py-2.5 text-neutral-content"
    >
      <span className="min-w-0 grow">
        {licks.length === 1
          ? `“${first.title}” is in the bin.`
          : `${licks.length} licks are in the bin.`}
      </span>
      <button type="button" className={BUTTON} onClick={() => void undo()}>
        Undo
      </button>
      <Link to="/bin" className={BUTTON}>
        Open the bin
      </Link>
      <ErrorText words={trouble} />
    </div>
  )
}
