import { useWindowVirtualizer } from '@tanstack/react-virtual'
import { Pencil, X } from 'lucide-react'
import { type ComponentProps, memo, useEffect, useRef, useState } from 'react'
import { TEMPO_RANGE } from '~/core/line'
import type { Rating } from '~/core/log'
import { type Concerns, useRead } from '~/live/use-read'
import { type SaveNotice, useSaving } from '~/live/use-saving'
import {
  type Kept,
  notSavedWords,
  type PracticeSessionRecord,
  putInBin,
  restore,
  saveRecord,
} from '~/storage'
import { listTakes, type SavedTake } from '~/storage/takes'
import { IconButton } from '~/ui/icon-button'
import { LabelledNumber } from '~/ui/number-field'
import { ErrorText } from '~/ui/parts'
import { useTop } from '~/ui/use-top'
import { dayOf } from '~/words/calendar'
import { plural } from '~/words/figures'
import { SavedTakePart } from './saved-take'

const CONTROL = 'rounded-field border border-base-300 bg-base-100 px-1.5 py-0.5'
/** Pixels of a row before it is measured. */
const USUAL_ROW = 33
const OVERSCAN = 10

const ofTakes: Concerns = (table) => table === 'takes'
const NO_TAKES: readonly SavedTake[] = []

type Session = Kept<PracticeSessionRecord>

interface SessionListProps {
  /** The newest first. */
  readonly sessions: readonly Session[]
  /** Whether there are older ones, and the way to read them. */
  readonly more: boolean
  readonly onMore: () => void
  readonly titleOf: (id: string) => string
  readonly now: number
}

/** Every session, the newest first: each can be corrected, and what is deleted can be restored. */
export const SessionList = memo(function SessionList({
  sessions,
  more,
  onMore,
  titleOf,
  now,
}: SessionListProps) {
  const [editing, setEditing] = useState('')
  const [deleted, setDeleted] = useState<Session | null>(null)
  const { tell, trouble } = useSaving(changeSession)
  const takes = useRead(listTakes, ofTakes, NO_TAKES)
  const list = useRef<HTMLUListElement>(null)
  const top = useTop(list)
  const virtual = useWindowVirtualizer({
    count: sessions.length,
    estimateSize: () => USUAL_ROW,
    overscan: OVERSCAN,
    scrollMargin: top,
    getItemKey: (index) => sessions[index]?.id ?? index,
  })
  const items = virtual.getVirtualItems()
  const last = items.at(-1)?.index ?? 0
  useEffect(() => {
    if (more && last >= sessions.length - OVERSCAN) onMore()
  }, [more, last, sessions.length, onMore])
  return (
    <section aria-labelledby="sessions-title" className="min-w-0 lg:col-span-2">
      <h2 id="sessions-title" className="font-semibold text-lg">
        Practice sessions
      </h2>
      <ErrorText words={trouble} />
      {deleted && (
        <p role="status" className="text-sm">
          In the bin: {titleOf(deleted.lickId)}, {dayOf(deleted.createdAt, now)}.{' '}
          <button
            type="button"
            className="link"
            onClick={() => {
              void tell({ intent: 'restore', id: deleted.id })
              setDeleted(null)
            }}
          >
            Restore
          </button>
        </p>
      )}
      <ul
        ref={list}
        className="relative mt-2 text-sm"
        style={{ height: Math.max(USUAL_ROW, virtual.getTotalSize()) }}
      >
        {items.map((item) => {
          const session = sessions[item.index]
          if (!session) return null
          const title = titleOf(session.lickId)
          return (
            <li
              key={item.key}
              ref={virtual.measureElement}
              data-index={item.index}
              className="absolute inset-x-0 top-0 border-base-300 border-t"
              style={{ transform: `translateY(${item.start - top}px)` }}
            >
              {session.id === editing ? (
                <SessionForm
                  session={session}
                  title={title}
                  now={now}
                  onDone={(changed) => {
                    if (changed) void tell({ intent: 'change', session: changed })
                    setEditing('')
                  }}
                />
              ) : (
                <SessionRow
                  takes={takes.filter(({ sessionId }) => sessionId === session.id)}
                  session={session}
                  title={title}
                  now={now}
                  onRate={(rating) =>
                    void tell({ intent: 'change', session: { ...session, rating } })
                  }
                  onEdit={() => setEditing(session.id)}
                  onDelete={() =>
                    void tell({ intent: 'delete', id: session.id }).then(({ trouble: refused }) => {
                      if (refused === '') setDeleted(session)
                    })
                  }
                />
              )}
            </li>
          )
        })}
      </ul>
    </section>
  )
})

type SessionCommand =
  | { readonly intent: 'change'; readonly session: Session }
  | { readonly intent: 'delete' | 'restore'; readonly id: string }

/** Changes, deletes or restores a session of the log. */
async function changeSession(command: SessionCommand): Promise<SaveNotice> {
  const ref = (id: string) => [{ table: 'sittings' as const, id }]
  const done =
    command.intent === 'change'
      ? await saveRecord('sittings', command.session, command.session.revision)
      : command.intent === 'delete'
        ? await putInBin(ref(command.id))
        : await restore(ref(command.id))
  return { trouble: done.ok ? '' : notSavedWords(done.error) }
}

function SessionRow({
  takes,
  session,
  title,
  now,
  onRate,
  onEdit,
  onDelete,
}: {
  takes: readonly SavedTake[]
  session: PracticeSessionRecord
  title: string
  now: number
  onRate: (rating: Rating | null) => void
  onEdit: () => void
  onDelete: () => void
}) {
  const { createdAt, step, tempo, repeats, seconds, rating, tense, grid, note } = session
  const name = `${title}, ${dayOf(createdAt, now)}, ${tempo}`
  return (
    <div className="flex flex-wrap items-center gap-x-4 gap-y-0.5 py-1">
      <span className="w-14 whitespace-nowrap text-(--quiet) tabular-nums">
        {dayOf(createdAt, now)}
      </span>
      <span className="w-36 truncate font-semibold">{title}</span>
      <span className="min-w-32 grow truncate text-(--quiet)">
        {step}
        {note && `: ${note}`}
      </span>
      <span className="tabular-nums">
        {Math.round(tempo * 10) / 10}
        {grid && ` in ${grid}`}, {plural(repeats, 'time')}, {Math.round(seconds)} s
        {tense && ', tense'}
      </span>
      <select
        aria-label={`How it went: ${name}`}
        className={CONTROL}
        value={rating ?? ''}
        onChange={(event) => onRate((event.target.value || null) as Rating | null)}
      >
        <option value="">not rated</option>
        <option value="clean">clean</option>
        <option value="rough">rough</option>
        <option value="lost">lost</option>
      </select>
      <span className="flex">
        <IconButton size="tiny" label={`Edit: ${name}`} onClick={onEdit}>
          <Pencil size={13} aria-hidden />
        </IconButton>
        <IconButton size="tiny" label={`Delete: ${name}`} onClick={onDelete}>
          <X size={14} aria-hidden />
        </IconButton>
      </span>
      {takes.map((take) => (
        <SavedTakePart key={take.id} take={take} name={name} />
      ))}
    </div>
  )
}

const MAX_REPEATS = 99_999

/** A session with all of its figures to be typed. */
function SessionForm({
  session,
  title,
  now,
  onDone,
}: {
  session: Session
  title: string
  now: number
  onDone: (changed: Session | null) => void
}) {
  // Edited as it was when it was opened: what another tab does since is noticed.
  const [opened] = useState(session)
  const { createdAt, step, tempo, repeats, seconds, tense, note } = opened
  const [figures, setFigures] = useState({
    tempo,
    repeats,
    minutes: Math.round(seconds / 6) / 10,
  })
  const set = (field: keyof typeof figures) => (value: number) =>
    setFigures((now) => ({ ...now, [field]: value }))
  return (
    <div className="py-2">
      <form
        aria-label={`Edit ${title}, ${dayOf(createdAt, now)}`}
        className="flex flex-wrap items-end gap-x-4 gap-y-2"
        onKeyDown={(event) => {
          if (event.key === 'Escape') onDone(null)
        }}
        onSubmit={(event) => {
          event.preventDefault()
          const form = new FormData(event.currentTarget)
          onDone({
            ...opened,
            step: String(form.get('step')),
            tempo: figures.tempo,
            repeats: figures.repeats,
            seconds: Math.round(figures.minutes * 600) / 10,
            tense: form.get('tense') === 'on',
            note: String(form.get('note')),
          })
        }}
      >
        <span className="pb-1 font-semibold">
          {title}, {dayOf(createdAt, now)}
        </span>
        <Typed label="Step" name="step" value={step} maxLength={120} className="w-52" />
        <LabelledNumber
          label="Tempo"
          min={TEMPO_RANGE.least}
          max={TEMPO_RANGE.most}
          whole={false}
          value={figures.tempo}
          onChange={set('tempo')}
        />
        <LabelledNumber
          label="Repeats"
          min={0}
          max={MAX_REPEATS}
          value={figures.repeats}
          onChange={set('repeats')}
        />
        <LabelledNumber
          label="Minutes"
          min={0}
          max={600}
          whole={false}
          value={figures.minutes}
          onChange={set('minutes')}
        />
        <label className="flex items-center gap-2 pb-1">
          <input
            type="checkbox"
            name="tense"
            className="checkbox checkbox-sm"
            defaultChecked={tense}
          />
          tense
        </label>
        <Typed label="Note" name="note" value={note} maxLength={200} className="w-64" />
        <button type="submit" className="btn btn-primary btn-sm">
          Save
        </button>
        <button type="button" className="btn btn-ghost btn-sm" onClick={() => onDone(null)}>
          Cancel
        </button>
      </form>
    </div>
  )
}

function Typed({
  label,
  value,
  className = 'w-20',
  ...rest
}: {
  label: string
  value: string | number
  className?: string
} & Omit<ComponentProps<'input'>, 'value' | 'defaultValue'>) {
  return (
    <label className="flex flex-col text-(--quiet) text-xs">
      {label}
      <input
        className={`${CONTROL} text-base-content text-sm ${className}`}
        defaultValue={value}
        {...rest}
      />
    </label>
  )
}
