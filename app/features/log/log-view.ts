import type { LoggedSession } from '~/codecs/csv'
import { type LickLog, lickLogs, minutesByDay, neglectedLicks, onGrid } from '~/core/log'
import { nextTempos } from '~/core/practice'
import { findGrid } from '~/core/time'
import type { PracticeSessionRecord } from '~/storage'
import type { LoggedLick } from './log-store'
import { toPracticeSession } from './practice-session'

const DAY = 24 * 60 * 60 * 1000
const SHOWN_DAYS = 28

/** Sessions with the tempos that they would have on the grids that their licks have now. */
export function onGrids(
  records: readonly PracticeSessionRecord[],
  licks: readonly LoggedLick[],
): LoggedSession[] {
  const grids = new Map(licks.map(({ id, grid }) => [id, findGrid(grid)]))
  return records.map((record) => {
    const grid = grids.get(record.lickId)
    const session = toPracticeSession(record)
    return (grid && onGrid([session], grid)[0]) || session
  })
}

/** A lick of the log as it is listed: what is due first stands first. */
export interface DueRow extends LickLog {
  readonly title: string
  readonly goal: number | null
  readonly due: string
  /** The best clean tempo again, then halfway to where it gets tense; null before anything is clean. */
  readonly next: readonly [number, number] | null
  /** Practised longer ago than two weeks. */
  readonly neglected: boolean
}

const NEGLECTED_DAYS = 14

/** The licks of the log in the order in which they are due; those deleted since are left out. */
export function toDueRows(
  records: readonly PracticeSessionRecord[],
  licks: readonly LoggedLick[],
  now: number,
): DueRow[] {
  const byId = new Map(licks.map((lick) => [lick.id, lick]))
  return lickLogs(onGrids(records, licks)).flatMap((log): DueRow[] => {
    const lick = byId.get(log.lickId)
    if (!lick) return []
    const neglected = now - log.lastAt > NEGLECTED_DAYS * DAY
    const { title, goal } = lick
    const next = log.bestClean === null ? null : nextTempos(Math.round(log.bestClean), log.tense)
    return [{ ...log, title, goal, due: dueWords(log.dueAt, now), next, neglected }]
  })
}

function dueWords(dueAt: number, now: number): string {
  const days = Math.ceil((dueAt - now) / DAY)
  if (days <= 0) return 'due'
  return days === 1 ? 'due tomorrow' : `due in ${days} days`
}

/** The day of a time where the player is, as `11-23`. */
export function dayOf(at: number): string {
  const date = new Date(at)
  return `${two(date.getMonth() + 1)}-${two(date.getDate())}`
}

function two(value: number): string {
  return String(value).padStart(2, '0')
}

/** Minutes of the last four weeks, day by day, to a tenth. */
export function toMinutes(records: readonly PracticeSessionRecord[], now: number) {
  const from = now - (SHOWN_DAYS - 1) * DAY
  return minutesByDay(records.map(toPracticeSession), from, now, dayOf).map(({ day, minutes }) => ({
    day,
    minutes: Math.round(minutes * 10) / 10,
  }))
}

/**
 * One lick's tempos over time, as they would be on its grid of today: clean, or not, each day its
 * fastest of the kind.
 */
export function toTempos(
  records: readonly PracticeSessionRecord[],
  licks: readonly LoggedLick[],
  lickId: string,
) {
  const days = new Map<string, { day: string; clean?: number; other?: number }>()
  const own = records.filter((record) => record.lickId === lickId)
  for (const { at, tempo: exact, rating } of onGrids(own, licks)) {
    const tempo = Math.round(exact * 10) / 10
    const day = dayOf(at)
    const point = days.get(day) ?? { day }
    const kind = rating === 'clean' ? 'clean' : 'other'
    days.set(day, { ...point, [kind]: Math.max(tempo, point[kind] ?? 0) })
  }
  return [...days.values()]
}

/** After so many days without practice a lick is listed as not practised lately. */
export const ALONE_DAYS = 7

/** The licks of the library that were not practised lately: the never practised, then by days. */
export function toNeglected(
  records: readonly PracticeSessionRecord[],
  licks: readonly LoggedLick[],
  now: number,
): { readonly never: readonly LoggedLick[]; readonly alone: readonly NeglectedRow[] } {
  const byId = new Map(licks.map((lick) => [lick.id, lick]))
  const logs = lickLogs(records.map(toPracticeSession))
  const left = neglectedLicks([...byId.keys()], logs, now, ALONE_DAYS)
  const named = left.flatMap(({ lickId, days }) => {
    const lick = byId.get(lickId)
    return lick ? [{ lick, days }] : []
  })
  return {
    never: named.filter(({ days }) => days === null).map(({ lick }) => lick),
    alone: named.flatMap(({ lick: { id, title }, days }) =>
      days === null ? [] : [{ id, title, days }],
    ),
  }
}

export interface NeglectedRow {
  readonly id: string
  readonly title: string
  readonly days: number
}
