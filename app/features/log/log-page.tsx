import { Download, X } from 'lucide-react'
import { useMemo, useState } from 'react'
import { Link, useFetcher } from 'react-router'
import { formatSittings } from '~/codecs/csv'
import type { Rating } from '~/core/log'
import { FLOW_ID, type SittingRecord } from '~/storage'
import { IconButton } from '~/ui/icon-button'
import { saveFile } from '~/ui/save-file'
import { plural } from '../bench/figures'
import { MinutesChart, TempoChart } from './charts'
import type { LogCommand, LoggedLick } from './log-store'
import { type DueRow, dayOf, toDueRows, toMinutes, toSitting, toTempos } from './log-view'

interface LogPageProps {
  readonly sittings: readonly SittingRecord[]
  readonly licks: readonly LoggedLick[]
}

const SHOWN = 20

/** What was practised: what is due, minutes a day, a lick's tempos over time, and every sitting. */
export function LogPage({ sittings, licks }: LogPageProps) {
  const [now] = useState(() => Date.now())
  const due = useMemo(() => toDueRows(sittings, licks, now), [sittings, licks, now])
  const minutes = useMemo(() => toMinutes(sittings, now), [sittings, now])
  const [lickId, setLickId] = useState('')
  const shown = due.find((row) => row.lickId === lickId) ?? due[0]
  if (sittings.length === 0) {
    return (
      <div className="mx-auto w-full max-w-4xl px-5 py-8">
        <h1 className="font-semibold text-3xl tracking-tight">Log</h1>
        <p className="mt-4">
          Nothing is practised yet. Open a lick from the{' '}
          <Link className="link" to="/">
            library
          </Link>{' '}
          and press Practise: every sitting is written down by itself.
        </p>
      </div>
    )
  }
  const titleOf = (id: string) =>
    id === FLOW_ID ? 'Flow' : (licks.find((lick) => lick.id === id)?.title ?? 'a deleted lick')
  const total = minutes.reduce((sum, day) => sum + day.minutes, 0)
  return (
    <div className="mx-auto grid w-full max-w-7xl grid-cols-1 gap-x-10 gap-y-8 px-4 py-7 sm:px-5 lg:grid-cols-2">
      <div className="flex flex-wrap items-center gap-3 lg:col-span-2">
        <h1 className="mr-auto font-semibold text-3xl tracking-tight">Log</h1>
        <button
          type="button"
          className="btn btn-outline border-base-300 btn-sm"
          onClick={() =>
            saveFile(
              'practice-log.csv',
              'text/csv',
              formatSittings(sittings.map(toSitting), titleOf),
            )
          }
        >
          <Download size={16} aria-hidden /> Export as CSV
        </button>
      </div>
      <section aria-labelledby="due-title" className="min-w-0">
        <h2 id="due-title" className="font-semibold text-lg">
          What is due
        </h2>
        <p className="text-(--quiet) text-sm">
          Clean on one day, two, three days running: again after 1, 2, 4 days, and so on to 16.
          Rough: tomorrow. Lost: today.
        </p>
        <DueTable rows={due} shown={shown?.lickId} onShow={setLickId} />
      </section>
      <div className="flex min-w-0 flex-col gap-8">
        <section aria-labelledby="minutes-title" className="min-w-0">
          <h2 id="minutes-title" className="font-semibold text-lg">
            Minutes a day
          </h2>
          <p className="text-(--quiet) text-sm">
            {Math.round(total)} in four weeks, on {plural(played(minutes), 'day')}
          </p>
          <MinutesChart data={minutes} />
          <DataTable
            caption="Minutes a day"
            head={['day', 'minutes']}
            rows={minutes.map(({ day, minutes: of }) => [day, of])}
          />
        </section>
        {shown && (
          <section aria-labelledby="tempo-title" className="min-w-0">
            <h2 id="tempo-title" className="font-semibold text-lg">
              Tempo of {shown.title}
            </h2>
            <p className="text-(--quiet) text-sm">full: clean; hollow: rough, lost, or not said</p>
            <TempoChart data={toTempos(sittings, shown.lickId)} goal={shown.goal} />
            <DataTable
              caption={`Tempo of ${shown.title}`}
              head={['day', 'clean', 'other']}
              rows={toTempos(sittings, shown.lickId).map(({ day, clean, other }) => [
                day,
                clean ?? '–',
                other ?? '–',
              ])}
            />
          </section>
        )}
      </div>
      <Sittings sittings={sittings} titleOf={titleOf} />
    </div>
  )
}

function played(minutes: readonly { minutes: number }[]): number {
  return minutes.filter((day) => day.minutes > 0).length
}

function DueTable({
  rows,
  shown,
  onShow,
}: {
  rows: readonly DueRow[]
  shown: string | undefined
  onShow: (lickId: string) => void
}) {
  return (
    <table className="mt-3 w-full text-sm">
      <thead className="text-(--quiet) text-xs">
        <tr>
          <th className="text-left font-normal">lick</th>
          <th className="text-right font-normal">best clean</th>
          <th className="text-right font-normal">goal</th>
          <th className="pl-4 text-left font-normal">when</th>
          <th>
            <span className="sr-only">practise</span>
          </th>
        </tr>
      </thead>
      <tbody>
        {rows.map(({ lickId, title, bestClean, goal, due, neglected, lastAt }) => (
          <tr key={lickId} className="border-base-300 border-t">
            <th scope="row" className="py-1.5 text-left font-normal">
              <button
                type="button"
                aria-pressed={lickId === shown}
                className="rounded-field px-1 text-left font-semibold hover:bg-base-300 aria-pressed:bg-base-300"
                onClick={() => onShow(lickId)}
              >
                {title}
              </button>
            </th>
            <td className="whitespace-nowrap text-right tabular-nums">{bestClean ?? '–'}</td>
            <td className="whitespace-nowrap text-right tabular-nums">{goal ?? '–'}</td>
            <td className="pl-4">
              {due}
              <span className="block text-(--quiet) text-xs">
                last {dayOf(lastAt)}
                {neglected && ', neglected'}
              </span>
            </td>
            <td className="text-right">
              <Link
                to={`/practice/${lickId}`}
                className="btn btn-outline border-base-300 btn-sm whitespace-nowrap px-2 font-normal"
                aria-label={`Practise ${title}`}
              >
                Practise
              </Link>
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  )
}

/** The figures of a chart for those who do not see it. */
function DataTable({
  caption,
  head,
  rows,
}: {
  caption: string
  head: readonly string[]
  rows: readonly (readonly (string | number)[])[]
}) {
  return (
    <details className="mt-1 text-sm">
      <summary className="cursor-pointer text-(--quiet)">As a table</summary>
      <table className="mt-1 tabular-nums">
        <caption className="sr-only">{caption}</caption>
        <thead>
          <tr>
            {head.map((name) => (
              <th key={name} scope="col" className="pr-6 text-left font-normal text-(--quiet)">
                {name}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rows.map((row) => (
            <tr key={row[0]}>
              {row.map((value, i) => (
                <td key={head[i]} className="pr-6">
                  {value}
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </details>
  )
}

/** Every sitting, the newest first; how it went can be said later, and mistakes deleted. */
function Sittings({
  sittings,
  titleOf,
}: {
  sittings: readonly SittingRecord[]
  titleOf: (id: string) => string
}) {
  const { submit, data } = useFetcher<{ trouble: string }>()
  const [all, setAll] = useState(false)
  const tell = (command: LogCommand) =>
    submit(JSON.stringify(command), {
      method: 'post',
      action: '/log',
      encType: 'application/json',
    })
  const newest = [...sittings].reverse()
  return (
    <section aria-labelledby="sittings-title" className="min-w-0 lg:col-span-2">
      <h2 id="sittings-title" className="font-semibold text-lg">
        Sittings
      </h2>
      {data?.trouble && (
        <p role="alert" className="text-error text-sm">
          {data.trouble}
        </p>
      )}
      <ul className="mt-2 text-sm">
        {newest.slice(0, all ? newest.length : SHOWN).map((sitting) => {
          const { id, lickId, createdAt, step, tempo, repeats, seconds, rating } = sitting
          const name = `${titleOf(lickId)}, ${dayOf(createdAt)}, ${tempo}`
          return (
            <li
              key={id}
              className="flex flex-wrap items-center gap-x-4 gap-y-0.5 border-base-300 border-t py-1"
            >
              <span className="w-12 text-(--quiet) tabular-nums">{dayOf(createdAt)}</span>
              <span className="w-36 truncate font-semibold">{titleOf(lickId)}</span>
              <span className="min-w-32 grow truncate text-(--quiet)">{step}</span>
              <span className="tabular-nums">
                {tempo}, {plural(repeats, 'time')}, {Math.round(seconds)} s
              </span>
              <select
                aria-label={`How it went: ${name}`}
                className="rounded-field border border-base-300 bg-base-100 px-1.5 py-0.5"
                value={rating ?? ''}
                onChange={(event) =>
                  tell({
                    intent: 'change',
                    sitting: { ...sitting, rating: (event.target.value || null) as Rating | null },
                  })
                }
              >
                <option value="">not said</option>
                <option value="clean">clean</option>
                <option value="rough">rough</option>
                <option value="lost">lost</option>
              </select>
              <IconButton
                size="tiny"
                label={`Delete: ${name}`}
                onClick={() => tell({ intent: 'forget', id })}
              >
                <X size={14} aria-hidden />
              </IconButton>
            </li>
          )
        })}
      </ul>
      {newest.length > SHOWN && (
        <button type="button" className="btn btn-ghost btn-sm mt-2" onClick={() => setAll(!all)}>
          {all ? 'Fewer' : `All ${newest.length}`}
        </button>
      )}
    </section>
  )
}
