import { Copy, Play, Trash2 } from 'lucide-react'
import { memo, useState } from 'react'
import { Link, useNavigate } from 'react-router'
import { MiniStacks } from '~/drawing/stacks/mini-stacks'
import type { LickSummary } from '~/storage'
import { ErrorText } from '~/ui/parts'
import {
  type DeletedLick,
  deleteLicks,
  duplicateLick,
  type LibraryOutcome,
} from './library-actions'

interface LickRowItemProps {
  readonly row: LickSummary
  /** The fastest tempo at which it was clean; null where it never was. */
  readonly clean: number | null
  readonly selected: boolean
  /** Selects it, or no more; a range where Shift is held. */
  readonly onTick: (id: string, on: boolean, range: boolean) => void
  readonly onDeleted: (licks: readonly DeletedLick[]) => void
  /** Plays it once, where it is. */
  readonly onHear: (id: string) => void
}

/** A lick in the library: its stacks, its name, and what it takes to play it. */
export const LickRowItem = memo(function LickRowItem({
  row,
  clean,
  selected,
  onTick,
  onDeleted,
  onHear,
}: LickRowItemProps) {
  const navigate = useNavigate()
  const [trouble, setTrouble] = useState('')
  const act = async (
    work: (id: string) => Promise<LibraryOutcome>,
    then: (outcome: LibraryOutcome) => void,
  ) => {
    const outcome = await work(row.id)
    if (outcome.kind === 'failed') setTrouble(outcome.message)
    else then(outcome)
  }
  return (
    <div
      className={`group relative grid grid-cols-[auto_minmax(0,1fr)_auto] items-center gap-x-4 border-base-300 border-b px-2 py-2.5 hover:bg-base-100 md:grid-cols-[auto_minmax(0,15rem)_minmax(0,1fr)_9.5rem_8rem_7rem_auto] ${selected ? 'bg-base-100' : ''}`}
    >
      <input
        type="checkbox"
        className="checkbox checkbox-sm relative z-10"
        aria-label={`Select ${row.title}`}
        checked={selected}
        onChange={(event) => {
          const { shiftKey } = event.nativeEvent as MouseEvent
          onTick(row.id, event.target.checked, shiftKey === true)
        }}
      />
      <div className="min-w-0">
        <Link
          to={`/bench/${row.id}`}
          dir="auto"
          className="block truncate text-start font-semibold text-lg after:absolute after:inset-0"
        >
          {row.title}
        </Link>
        <p className="truncate text-(--quiet) text-xs">
          {row.unfinished && <span className="text-error">unfinished sticking · </span>}
          {row.tags.join(' · ')}
        </p>
      </div>
      <div className="order-last col-span-3 flex min-w-0 items-end overflow-hidden md:order-none md:col-span-1">
        <MiniStacks stacks={row.stacks} more={row.more} />
      </div>
      <p className="hidden text-sm md:block">
        {row.length}
        <span className={`block text-xs ${row.fits === 'fits' ? 'text-(--quiet)' : 'text-error'}`}>
          {row.fits === 'fits' ? 'fits' : row.fits}
        </span>
      </p>
      <p className="hidden text-sm md:block">
        {row.meter}
        <span className="block text-(--quiet) text-xs">
          {row.grid} from {row.start}
        </span>
      </p>
      <p className="hidden text-right text-sm md:block">
        <span className="font-semibold">{row.tempo}</span>
        {row.goal !== null && <span> to {row.goal}</span>}
        <span className="block text-(--quiet) text-xs">
          {clean !== null
            ? `clean at ${Math.round(clean)}`
            : row.goal !== null
              ? 'learn to goal'
              : 'learn'}
        </span>
      </p>
      <div className="relative z-10 flex justify-self-end">
        <button
          type="button"
          className="btn btn-ghost btn-square btn-sm"
          aria-label={`Hear ${row.title}`}
          onClick={() => onHear(row.id)}
        >
          <Play size={16} aria-hidden />
        </button>
        <button
          type="button"
          className="btn btn-ghost btn-square btn-sm"
          aria-label={`Duplicate ${row.title}`}
          onClick={() =>
            void act(duplicateLick, (outcome) => {
              if (outcome.kind === 'open') navigate(`/bench/${outcome.id}`)
            })
          }
        >
          <Copy size={16} aria-hidden />
        </button>
        <button
          type="button"
          className="btn btn-ghost btn-square btn-sm"
          aria-label={`Delete ${row.title}`}
          onClick={() =>
            void act(
              (id) => deleteLicks([id]),
              () => onDeleted([{ id: row.id, title: row.title }]),
            )
          }
        >
          <Trash2 size={16} aria-hidden />
        </button>
      </div>
      {trouble && (
        <div className="absolute inset-x-2 bottom-1 z-20 bg-base-100">
          <ErrorText words={trouble} />
        </div>
      )}
    </div>
  )
})
