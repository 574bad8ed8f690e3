import { Play, X } from 'lucide-react'
import { Link } from 'react-router'
import { discLetters } from '~/core/sticking'
import { MiniStacks } from '~/drawing/stacks/mini-stacks'
import { useLive } from '~/live/use-live'
import { liveLogs, type SetRecord } from '~/storage'
import { IconButton } from '~/ui/icon-button'
import { NumberField } from '~/ui/number-field'
import { EmptyState } from '~/ui/parts'
import { MoveHandle, SortableList, useSortableRow } from '~/ui/sortable-list'
import { dueWords } from '~/words/calendar'
import { cleanWords } from '~/words/practice-words'
import {
  minutesOn,
  moveExercise,
  removeLickFrom,
  setMinutes,
} from '~/workspace/documents/set-edits'
import type { ExerciseProgress } from './progress'

interface ExerciseListProps {
  readonly set: SetRecord
  readonly progress: readonly ExerciseProgress[]
  readonly onEdit: (change: (set: SetRecord) => SetRecord) => void
}

/** The exercises of a set in their order: dragged, or lifted by space and carried by arrows. */
export function ExerciseList({ set, progress, onEdit }: ExerciseListProps) {
  if (progress.length === 0)
    return <EmptyState>There is no exercise in this set yet. Add a lick below.</EmptyState>
  return (
    <SortableList
      label="Exercises"
      className="flex flex-col"
      onMove={(id, _, to) => onEdit((now) => moveExercise(now, id, to))}
    >
      {progress.map((one, at) => (
        <Exercise key={one.lickId} set={set} one={one} at={at} onEdit={onEdit} />
      ))}
    </SortableList>
  )
}

function Exercise({
  set,
  one,
  at,
  onEdit,
}: {
  set: SetRecord
  one: ExerciseProgress
  at: number
  onEdit: ExerciseListProps['onEdit']
}) {
  const { summary, log, clean, goal, share, overdue, lickId } = one
  // While the log is read nothing is said of it.
  const known = useLive(liveLogs).kind === 'ready'
  const title = summary?.title ?? 'A lick that is no longer there'
  const { ref, handleRef } = useSortableRow(one.lickId, at, title)
  const own = set.exercises[at]
  return (
    <li
      ref={ref}
      className="grid grid-cols-[auto_minmax(0,1fr)_auto] items-center gap-x-3 gap-y-1 border-base-300 border-b bg-base-200 py-1.5 sm:grid-cols-[auto_minmax(0,13rem)_minmax(0,1fr)_11rem_auto_auto]"
    >
      <span className="flex items-center">
        <MoveHandle handleRef={handleRef} name={title} />
        <span className="w-7 text-right text-(--quiet) text-sm tabular-nums">{at + 1}</span>
      </span>
      <span className="min-w-0">
        {summary ? (
          <Link
            to={`/bench/${lickId}`}
            dir="auto"
            className="block truncate pointer-coarse:py-2.5 font-semibold"
          >
            {title}
          </Link>
        ) : (
          <span className="text-(--quiet)">{title}</span>
        )}
        {summary && (
          <span className="block truncate font-mono text-xs">
            {summary.stacks.map((stack) => stack.map(discLetters).join('')).join(' ')}
            {summary.more > 0 && ' …'}
          </span>
        )}
        <span className="block truncate text-(--quiet) text-xs">
          {!known ? '' : overdue === null ? 'never practised' : dueWords(overdue)}
          {set.plan && own?.plan && ', plan of its own'}
        </span>
      </span>
      <span className="order-last col-span-3 flex min-w-0 items-end overflow-hidden sm:order-none sm:col-span-1">
        {summary && <MiniStacks stacks={summary.stacks} more={summary.more} size="tiny" />}
      </span>
      <span className="order-last col-span-3 sm:order-none sm:col-span-1">
        <span
          role="img"
          className="relative block h-2 overflow-hidden rounded-full bg-base-300"
          aria-label={`Clean at ${clean === null ? 'no tempo yet' : Math.round(clean)}, goal ${goal}`}
        >
          <span
            className={`absolute inset-y-0 left-0 ${share >= 1 ? 'bg-success' : 'bg-primary'}`}
            style={{ width: `${share * 100}%` }}
          />
        </span>
        <span className="text-xs tabular-nums">
          {cleanWords({ bestClean: clean, ...(log && { steps: log.steps }) })}, goal {goal}
        </span>
      </span>
      <span className="hidden items-center gap-1 text-(--quiet) text-xs sm:flex">
        <NumberField
          label={`Minutes on ${title}`}
          className="w-12 text-right text-base-content"
          min={0.5}
          max={60}
          whole={false}
          value={own ? minutesOn(set, own) : set.minutes}
          onChange={(minutes) => onEdit((now) => setMinutes(now, lickId, minutes))}
        />
        min
      </span>
      <span className="flex">
        {summary && (
          <Link
            to={`/practice/${lickId}?set=${set.id}`}
            aria-label={`Practise ${title}`}
            className="btn btn-ghost btn-square btn-sm"
          >
            <Play size={16} aria-hidden />
          </Link>
        )}
        <IconButton
          label={`Remove ${title} from the set`}
          onClick={() => onEdit((now) => removeLickFrom(now, lickId))}
        >
          <X size={16} aria-hidden />
        </IconButton>
      </span>
    </li>
  )
}
