import { Download } from 'lucide-react'
import { memo, useCallback, useDeferredValue, useMemo, useState } from 'react'
import { Link } from 'react-router'
import { formatSessions } from '~/codecs/csv'
import { toPracticeSession } from '~/live/practice-session'
import { useLive } from '~/live/use-live'
import { useNewestSessions, useSessionsSince } from '~/live/use-sessions'
import {
  FLOW_ID,
  listSessionsBetween,
  liveLogs,
  liveSessions,
  liveSolos,
  liveSummaries,
} from '~/storage'
import { saveFile } from '~/ui/save-file'
import { dayOf } from '~/words/calendar'
import { plural } from '~/words/figures'
import { StoreTrouble } from '../shell'
import { MinutesChart, NeglectedChart, TempoChart } from './charts'
import { DataTable } from './data-table'
import { EvenPart } from './even-part'
import {
  ALONE_DAYS,
  type DueRow,
  type LoggedLick,
  minutesFrom,
  toDueRows,
  toMinutes,
  toNeglected,
  toTempos,
} from './log-view'
import { SessionList } from './session-list'

/** What was practised: what is due, minutes a day, a lick's tempos over time, and every session. */
export function LogPage() {
  const logs = useLive(liveLogs)
  const summaries = useLive(liveSummaries)
  const [now] = useState(() => Date.now())
  // Thousands of rows come in pieces: what is worked out from them follows between frames.
  const licks: readonly LoggedLick[] = useDeferredValue(summaries.rows)
  const logged = useDeferredValue(logs.rows)
  const due = useMemo(() => toDueRows(logged, licks, now), [logged, licks, now])
  const neglected = useMemo(() => toNeglected(logged, licks, now), [logged, licks, now])
  const [lickId, setLickId] = useState('')
  const shown = due.find((row) => row.lickId === lickId) ?? due[0]
  const solos = useDeferredValue(useLive(liveSolos).rows)
  const titles = useMemo(
    () =>
      new Map([
        ...solos.map(({ id, name }) => [id, name] as const),
        ...licks.map(({ id, title }) => [id, title] as const),
      ]),
    [licks, solos],
  )
  const titleOf = useCallback(
    (id: string) => (id === FLOW_ID ? 'Flow' : (titles.get(id) ?? 'a deleted lick')),
    [titles],
  )
  const { sessions, more, readMore } = useNewestSessions()
  if (logs.kind === 'failed') return <StoreTrouble issue={logs.issue} />
  if (summaries.kind === 'failed') return <StoreTrouble issue={summaries.issue} />
  if (sessions?.length === 0 && !more) {
    return (
      <div className="mx-auto w-full max-w-4xl px-5 py-8">
        <h1 className="font-semibold text-3xl tracking-tight">Log</h1>
        <p className="mt-4">
          Nothing practised yet. Open a lick from the{' '}
          <Link className="link" to="/">
            library
          </Link>{' '}
          and press Practise. Every session is logged automatically.
        </p>
      </div>
    )
  }
  const lick = licks.find(({ id }) => id === shown?.lickId)
  return (
    <div className="mx-auto grid w-full max-w-7xl grid-cols-1 gap-x-10 gap-y-8 px-4 py-7 sm:px-5 lg:grid-cols-2">
      <div className="flex flex-wrap items-center gap-3 lg:col-span-2">
        <h1 className="mr-auto font-semibold text-3xl tracking-tight">Log</h1>
        <button
          type="button"
          className="btn btn-outline border-base-300 btn-sm"
          onClick={() => void saveCsv(titleOf)}
        >
          <Download size={16} aria-hidden /> Export as CSV
        </button>
      </div>
      <div className="flex min-w-0 flex-col gap-8">
        <section aria-labelledby="due-title" className="min-w-0">
          <h2 id="due-title" className="font-semibold text-lg">
            Due
          </h2>
          <p className="text-(--quiet) text-sm">
            After one, two, three clean days in a row, a lick is due again in 1, 2, 4 days, up to
            16. Rough: tomorrow. Lost: today.
          </p>
          <DueTable rows={due} shown={shown?.lickId} now={now} onShow={setLickId} />
        </section>
        <Neglected {...neglected} />
      </div>
      <div className="flex min-w-0 flex-col gap-8">
        <MinutesPart now={now} />
        {lick && <TempoPart lick={lick} now={now} />}
        {lick && <EvenPart lick={lick} now={now} />}
      </div>
      <SessionList
        sessions={sessions ?? []}
        more={more}
        onMore={readMore}
        titleOf={titleOf}
        now={now}
      />
    </div>
  )
}

/** The whole log as a file, read in one piece. */
async function saveCsv(titleOf: (id: string) => string): Promise<void> {
  const all = await listSessionsBetween(Number.MIN_SAFE_INTEGER, Number.MAX_SAFE_INTEGER)
  if (!all.ok) return
  // Spreadsheets take a file that begins with this mark for UTF-8.
  const csv = `\uFEFF${formatSessions(all.value.map(toPracticeSession), titleOf)}`
  saveFile('practice-log.csv', 'text/csv', csv)
}

/** The minutes of the last four weeks, day by day. */
const MinutesPart = memo(function MinutesPart({ now }: { now: number }) {
  const sessions = useSessionsSince(minutesFrom(now))
  const minutes = useMemo(() => toMinutes(sessions, now), [sessions, now])
  const total = minutes.reduce((sum, day) => sum + day.minutes, 0)
  return (
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
  )
})

interface OfLick {
  readonly lick: LoggedLick
  readonly now: number
}

/** A lick's tempos over time, against its goal. */
const TempoPart = memo(function TempoPart({ lick, now }: OfLick) {
  const { rows } = useLive(liveSessions(lick.id))
  const tempos = useMemo(() => toTempos(rows, lick, now), [rows, lick, now])
  return (
    <section aria-labelledby="tempo-title" className="min-w-0">
      <h2 id="tempo-title" className="font-semibold text-lg">
        Tempo of {lick.title}
      </h2>
      <p className="text-(--quiet) text-sm">Full dots: clean. Hollow: rough, lost or not rated.</p>
      <TempoChart data={tempos} goal={lick.goal} />
      <DataTable
        caption={`Tempo of ${lick.title}`}
        head={['day', 'clean', 'other']}
        rows={tempos.map(({ day, clean, other }) => [day, clean ?? '–', other ?? '–'])}
      />
    </section>
  )
})

/** How many licks that were not practised lately are named. */
const MAX_NEGLECTED = 30

/** What was not practised lately: days since, and what never was. */
const Neglected = memo(function Neglected({ never, alone }: ReturnType<typeof toNeglected>) {
  return (
    <section aria-labelledby="alone-title" className="min-w-0">
      <h2 id="alone-title" className="font-semibold text-lg">
        Not practised lately
      </h2>
      <p className="text-(--quiet) text-sm">
        {alone.length > 0
          ? `days since last practised, if more than ${ALONE_DAYS}`
          : `everything you started was practised in the last ${ALONE_DAYS} days`}
      </p>
      {alone.length > 0 && (
        <>
          <NeglectedChart data={alone.slice(0, MAX_NEGLECTED)} />
          <DataTable
            caption="Days since practised"
            head={['lick', 'days']}
            rows={alone.slice(0, MAX_NEGLECTED).map(({ title, days }) => [title, days])}
          />
        </>
      )}
      {never.length > 0 && (
        <p className="mt-2 text-sm">
          Never practised:{' '}
          {never.slice(0, MAX_NEGLECTED).map(({ id, title }, i) => (
            <span key={id}>
              {i > 0 && ' · '}
              <Link className="link" to={`/practice/${id}`}>
                {title}
              </Link>
            </span>
          ))}
          {never.length > MAX_NEGLECTED && ` and ${never.length - MAX_NEGLECTED} more`}
        </p>
      )}
    </section>
  )
})

function played(minutes: readonly { minutes: number }[]): number {
  return minutes.filter((day) => day.minutes > 0).length
}

/** Rows that are shown at first, and with each time that more are asked for. */
const DUE_AT_FIRST = 40
const DUE_MORE = 200

const DueTable = memo(function DueTable({
  rows,
  shown,
  now,
  onShow,
}: {
  rows: readonly DueRow[]
  shown: string | undefined
  now: number
  onShow: (lickId: string) => void
}) {
  const [most, setMost] = useState(DUE_AT_FIRST)
  return (
    <>
      <table className="mt-3 w-full text-sm">
        <thead className="text-(--quiet) text-xs">
          <tr>
            <th className="text-left font-normal">lick</th>
            <th className="text-right font-normal">best clean</th>
            <th className="pl-3 text-right font-normal">goal</th>
            <th className="hidden text-right font-normal sm:table-cell">next</th>
            <th className="pl-4 text-left font-normal">when</th>
            <th>
              <span className="sr-only">practise</span>
            </th>
          </tr>
        </thead>
        <tbody>
          {rows
            .slice(0, most)
            .map(({ lickId, title, bestClean, goal, due, next, inParts, neglected, lastAt }) => (
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
                <td className="whitespace-nowrap text-right tabular-nums">
                  {bestClean === null ? '–' : Math.round(bestClean)}
                </td>
                <td className="whitespace-nowrap pl-3 text-right tabular-nums">{goal ?? '–'}</td>
                <td className="hidden whitespace-nowrap text-right tabular-nums sm:table-cell">
                  {next === null ? '–' : `${next[0]}, ${next[1]}`}
                </td>
                <td className="pl-4">
                  {due}
                  <span className="block text-(--quiet) text-xs">
                    last {dayOf(lastAt, now)}
                    {inParts && ', in parts'}
                    {neglected && ', over two weeks ago'}
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
      {rows.length > most && (
        <button
          type="button"
          className="btn btn-ghost btn-sm mt-2"
          onClick={() => setMost(most + DUE_MORE)}
        >
          Show more of {rows.length}
        </button>
      )}
    </>
  )
})
