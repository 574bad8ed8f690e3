import { ArrowLeft, ArrowRight } from 'lucide-react'
import { useMemo } from 'react'
import { useHotkeys } from 'react-hotkeys-hook'
import { Link, useNavigate, useSearchParams } from 'react-router'
import { useLive } from '~/live/use-live'
import { type LickSummary, liveSummaries, type SetRecord } from '~/storage'
import { exerciseFrom, minutesOn } from '~/workspace/documents/set-edits'

/** Which exercise of a set is practised, for how long, and the next one by one key. */
export function SetBar({
  set: stored,
  lickId,
  seconds,
  playing,
  keys,
}: {
  set: SetRecord
  lickId: string
  /** How long this exercise has been practised today. */
  seconds: number
  playing: boolean
  /** Whether letters are shortcuts. */
  keys: boolean
}) {
  const titles = useLive(liveSummaries).rows
  const set = useMemo(() => withoutMissing(stored, titles), [stored, titles])
  const navigate = useNavigate()
  const [search] = useSearchParams()
  const go = (way: 1 | -1) => {
    const next = exerciseFrom(set, lickId, way)
    // What played goes on playing: the next exercise begins by itself.
    // What is open beside the line stays open.
    if (next) void navigate(`/practice/${next}?${search}`, { state: { begins: playing } })
  }
  useHotkeys('e', () => go(1), { enabled: keys })
  useHotkeys('shift+e', () => go(-1), { enabled: keys })
  const at = set.exercises.findIndex((one) => one.lickId === lickId)
  const own = set.exercises[at]
  const wanted = own ? minutesOn(set, own) : set.minutes
  const next = exerciseFrom(set, lickId, 1)
  const nextTitle = titles.find(({ id }) => id === next)?.title
  const over = seconds >= wanted * 60
  return (
    <section
      aria-label="Set"
      className="flex flex-wrap items-center gap-x-4 gap-y-1 rounded-box bg-base-100 px-3 py-1.5 text-sm lg:col-span-2"
    >
      <Link to={`/sets/${set.id}`} className="min-w-0 truncate font-semibold">
        {set.name}
      </Link>
      <span className="tabular-nums">
        exercise {at + 1} of {set.exercises.length}
      </span>
      <span role="status" className={`tabular-nums ${over ? 'font-semibold text-primary' : ''}`}>
        {clock(seconds)} of {clock(wanted * 60)} today{over ? ': time for the next' : ''}
      </span>
      <span className="ml-auto flex items-center gap-1">
        <button
          type="button"
          className="btn btn-ghost btn-square btn-sm"
          aria-label="Exercise before"
          aria-keyshortcuts="Shift+E"
          disabled={!next}
          onClick={() => go(-1)}
        >
          <ArrowLeft size={16} aria-hidden />
        </button>
        <button
          type="button"
          className="btn btn-outline border-base-300 btn-sm min-w-0 font-normal"
          aria-keyshortcuts="E"
          disabled={!next}
          onClick={() => go(1)}
        >
          <span className="max-w-52 truncate">Next{nextTitle ? `: ${nextTitle}` : ''}</span>
          <kbd className="font-mono text-(--quiet) text-xs max-lg:hidden">E</kbd>
          <ArrowRight size={16} aria-hidden />
        </button>
      </span>
    </section>
  )
}

/** A set without licks that are no longer in the library, as far as that has been read. */
function withoutMissing(set: SetRecord, rows: readonly LickSummary[]): SetRecord {
  const known = new Set(rows.map(({ id }) => id))
  const exercises = set.exercises.filter(({ lickId }) => known.has(lickId))
  return rows.length === 0 ? set : { ...set, exercises }
}

/** `2:05` */
function clock(seconds: number): string {
  const whole = Math.floor(seconds)
  return `${Math.floor(whole / 60)}:${String(whole % 60).padStart(2, '0')}`
}
