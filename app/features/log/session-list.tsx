import { Pencil, X } from 'lucide-react'
import { type ComponentProps, useState } from 'react'
import { useFetcher } from 'react-router'
import { TEMPO_RANGE } from '~/core/line'
import type { Rating } from '~/core/log'
import type { PracticeSessionRecord } from '~/storage'
import { IconButton } from '~/ui/icon-button'
import { LabelledNumber } from '~/ui/number-field'
import { plural } from '../bench/figures'
import { Trouble } from '../workbench/parts'
import type { LogCommand } from './log-store'
import { dayOf } from './log-view'

const SHOWN = 20
const CONTROL = 'rounded-field border border-base-300 bg-base-100 px-1.5 py-0.5'

interface SessionListProps {
  readonly sessions: readonly PracticeSessionRecord[]
  readonly titleOf: (id: string) => string
}

/** Every session, the newest first: each can be corrected, and what is deleted can be restored. */
export function SessionList({ sessions, titleOf }: SessionListProps) {
  const { submit, data } = useFetcher<{ trouble: string }>()
  const [all, setAll] = useState(false)
  const [editing, setEditing] = useState('')
  const [deleted, setDeleted] = useState<PracticeSessionRecord | null>(null)
  const tell = (command: LogCommand) =>
    submit(JSON.stringify(command), {
      method: 'post',
      action: '/log',
      encType: 'application/json',
    })
  const newest = [...sessions].reverse()
  return (
    <section aria-labelledby="sessions-title" className="min-w-0 lg:col-span-2">
      <h2 id="sessions-title" className="font-semibold text-lg">
        Practice sessions
      </h2>
      <Trouble words={data?.trouble} />
      {deleted && (
        <p role="status" className="text-sm">
          Deleted: {titleOf(deleted.lickId)}, {dayOf(deleted.createdAt)}.{' '}
          <button
            type="button"
            className="link"
            onClick={() => {
              tell({ intent: 'change', session: deleted })
              setDeleted(null)
            }}
          >
            Restore
          </button>
        </p>
      )}
      <ul className="mt-2 text-sm">
        {newest.slice(0, all ? newest.length : SHOWN).map((session) =>
          session.id === editing ? (
            <SessionForm
              key={session.id}
              session={session}
              title={titleOf(session.lickId)}
              onDone={(changed) => {
                if (changed) tell({ intent: 'change', session: changed })
                setEditing('')
              }}
            />
          ) : (
            <SessionRow
              key={session.id}
              session={session}
              title={titleOf(session.lickId)}
              onRate={(rating) => tell({ intent: 'change', session: { ...session, rating } })}
              onEdit={() => setEditing(session.id)}
              onDelete={() => {
                tell({ intent: 'delete', id: session.id })
                setDeleted(session)
              }}
            />
          ),
        )}
      </ul>
      {newest.length > SHOWN && (
        <button type="button" className="btn btn-ghost btn-sm mt-2" onClick={() => setAll(!all)}>
          {all ? 'Fewer' : `All ${newest.length}`}
        </button>
      )}
    </section>
  )
}

function SessionRow({
  session,
  title,
  onRate,
  onEdit,
  onDelete,
}: {
  session: PracticeSessionRecord
  title: string
  onRate: (rating: Rating | null) => void
  onEdit: () => void
  onDelete: () => void
}) {
  const { createdAt, step, tempo, repeats, seconds, rating, tense, grid, note } = session
  const name = `${title}, ${dayOf(createdAt)}, ${tempo}`
  return (
    <li className="flex flex-wrap items-center gap-x-4 gap-y-0.5 border-base-300 border-t py-1">
      <span className="w-12 text-(--quiet) tabular-nums">{dayOf(createdAt)}</span>
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
    </li>
  )
}

const MOST_REPEATS = 99_999

/** A session with all of its figures to be typed. */
function SessionForm({
  session,
  title,
  onDone,
}: {
  session: PracticeSessionRecord
  title: string
  onDone: (changed: PracticeSessionRecord | null) => void
}) {
  const { createdAt, step, tempo, repeats, seconds, tense, note } = session
  const [figures, setFigures] = useState({
    tempo,
    repeats,
    minutes: Math.round(seconds / 6) / 10,
  })
  const set = (field: keyof typeof figures) => (value: number) =>
    setFigures((now) => ({ ...now, [field]: value }))
  return (
    <li className="border-base-300 border-t py-2">
      <form
        aria-label={`Edit ${title}, ${dayOf(createdAt)}`}
        className="flex flex-wrap items-end gap-x-4 gap-y-2"
        onKeyDown={(event) => {
          if (event.key === 'Escape') onDone(null)
        }}
        onSubmit={(event) => {
          event.preventDefault()
          const form = new FormData(event.currentTarget)
          onDone({
            ...session,
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
          {title}, {dayOf(createdAt)}
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
          max={MOST_REPEATS}
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
    </li>
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
