import { type ReactNode, useState, useSyncExternalStore } from 'react'
import { useNavigate } from 'react-router'
import { useSettings } from '~/live/use-live'
import { useSlices } from '~/live/use-slices'
import { createLick, type Kept, type LickRecord, notSavedWords } from '~/storage'
import { lazyComponent } from '~/ui/lazy-component'
import { LoadBoundary } from '~/ui/load-boundary'
import { ErrorText } from '~/ui/parts'
import { keepMine, takeTheirs } from '~/workspace/documents/decisions'
import type { LickSession } from '~/workspace/documents/lick-session'
import { copyOf } from '~/workspace/lick-edits'
import { useWorkspace } from './state/use-workspace'

/** Fetched when there is a conflict: what it is about can be decided before that is here. */
const ConflictSides = lazyComponent(async () => (await import('./conflict-sides')).default)

/** Another tab has changed or deleted the same lick: nothing is lost, and the player decides. */
export default function ConflictNotice() {
  const { session } = useWorkspace()
  const { turnLetters: turned } = useSettings().settings
  const { saver } = session
  const state = useSyncExternalStore(saver.subscribe, saver.state, saver.state)
  const { deleted } = useSlices(session)
  if (state.kind === 'conflict' && state.theirs) {
    return <Changed session={session} theirs={state.theirs} turned={turned} />
  }
  if (state.kind === 'conflict' || deleted) return <Deleted session={session} />
  return null
}

/** Both versions, slot by slot, and what can be done with them; neither is ever lost. */
function Changed({
  session,
  theirs,
  turned,
}: {
  session: LickSession
  theirs: Kept<LickRecord>
  turned: boolean
}) {
  const [trouble, setTrouble] = useState('')
  const { refused } = useSlices(session)
  const navigate = useNavigate()
  const copy = async () => {
    const made = await createLick(copyOf(session.texts()))
    if (!made.ok) {
      setTrouble(notSavedWords(made.error))
      return
    }
    // Ours has become a lick of its own.
    session.giveUp(theirs)
    navigate(`/bench/${made.value}`)
  }
  return (
    <Notice>
      <p className="w-full">
        This lick was changed in another tab. Your version is still here and has not replaced it.
      </p>
      <LoadBoundary what="The comparison">
        <ConflictSides mine={session.texts()} theirs={theirs} turned={turned} />
      </LoadBoundary>
      <Decision main onClick={() => keepMine(session, theirs)}>
        Keep mine
      </Decision>
      <Decision onClick={() => takeTheirs(session, theirs)}>Use the other version</Decision>
      <Decision onClick={copy}>Save mine as a copy</Decision>
      <p className="w-full text-(--quiet) text-sm">
        The version that you don’t use is kept among the lick’s versions.
      </p>
      <ErrorText words={trouble || refused} />
    </Notice>
  )
}

function Deleted({ session }: { session: LickSession }) {
  const [trouble, setTrouble] = useState('')
  const { refused } = useSlices(session)
  const navigate = useNavigate()
  const copy = async () => {
    const made = await createLick(session.texts())
    if (!made.ok) {
      setTrouble(notSavedWords(made.error))
      return
    }
    session.saver.giveUp()
    navigate(`/bench/${made.value}`)
  }
  return (
    <Notice>
      <p className="w-full">
        This lick was deleted in another tab. What is here is not saved until you decide.
      </p>
      <Decision main onClick={() => keepMine(session, null)}>
        Restore it
      </Decision>
      <Decision onClick={copy}>Save mine as a new lick</Decision>
      <ErrorText words={trouble || refused} />
    </Notice>
  )
}

function Notice({ children }: { children: ReactNode }) {
  return (
    <div
      role="alert"
      className="flex flex-wrap items-center gap-3 rounded-box border border-warning bg-base-100 p-4 mb-2"
    >
      {children}
    </div>
  )
}

function Decision({
  main,
  onClick,
  children,
}: {
  main?: boolean
  onClick: () => unknown
  children: ReactNode
}) {
  return (
    <button
      type="button"
      className={`btn btn-sm ${main ? 'btn-primary' : 'btn-outline border-base-300'}`}
      onClick={() => void onClick()}
    >
      {children}
    </button>
  )
}
