import { useCallback } from 'react'
import { findVoicedLick } from '~/codecs/voicing'
import type { Lick } from '~/core/line'
import { useRead } from '~/live/use-read'
import { listSnapshots, type Snapshot } from '~/storage'
import { Button, Part } from '~/ui/parts'
import { differenceWords } from '~/words/versions'
import { turnTexts } from '~/workspace/turned'

interface SnapshotListProps {
  readonly id: string
  readonly turned: boolean
  /** What is on the bench, voiced. */
  readonly lick: Lick
  readonly onRestore: (text: string, voicing: string, name: string) => void
}

/** A lick's last states, which were kept without being asked, each compared with what is on the bench. */
export function SnapshotList({ id, turned, lick, onRestore }: SnapshotListProps) {
  const read = useCallback(() => listSnapshots(id), [id])
  const concerns = useCallback(
    (table: string, ids: readonly string[]) => table === 'licks' && ids.includes(id),
    [id],
  )
  const states = useRead<readonly Snapshot[]>(read, concerns, [])
  if (states.length === 0) return null
  return (
    <Part title="Earlier states">
      <p className="text-(--quiet) text-sm">Saved every five minutes, the last twenty.</p>
      <ul className="flex flex-col text-sm">
        {states.map((state) => (
          <SnapshotRow key={state.id} {...{ state, turned, lick, onRestore }} />
        ))}
      </ul>
    </Part>
  )
}

function SnapshotRow({
  state,
  turned,
  lick,
  onRestore,
}: { state: Snapshot } & Omit<SnapshotListProps, 'id'>) {
  const { text, voicing, draft } = turnTexts(state, turned)
  const then = findVoicedLick({ text, voicing })
  const when = momentWords(state.at)
  return (
    <li className="flex flex-wrap items-center gap-x-4 gap-y-1 border-base-300 border-t py-1.5">
      <span className="w-32 shrink-0 tabular-nums">{when}</span>
      <span className="min-w-40 grow text-(--quiet)">
        {then ? differenceWords(then, lick) : 'a text that cannot be read'}
        {draft !== null && '; unfinished sticking'}
      </span>
      <Button
        label={`Restore the state of ${when}`}
        onClick={() => onRestore(draft ?? text, voicing, `the state of ${when}`)}
      >
        Restore
      </Button>
    </li>
  )
}

/** `26 Nov, 14:02` */
function momentWords(at: number): string {
  const date = new Date(at)
  const day = date.toLocaleDateString('en-GB', { day: 'numeric', month: 'short' })
  return `${day}, ${date.toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' })}`
}
