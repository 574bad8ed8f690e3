import type { LoggedSitting } from '~/codecs/csv'
import { type LickLog, lickLogs, minutesByDay } from '~/core/log'
import type { SittingRecord } from '~/storage'
import type { LoggedLick } from './log-store'

const DAY = 24 * 60 * 60 * 1000
const SHOWN_DAYS = 28

/** A stored sitting as the core counts it. */
export function toSitting({ createdAt, ...sitting }: SittingRecord): LoggedSitting {
  return { ...sitting, at: createdAt }
}

/** A lick of the log as it is listed: what is due first stands first. */
export interface DueRow extends LickLog {
  readonly title: string
  readonly goal: number | null
  readonly due: string
  /** Practised longer ago than two weeks. */
  readonly neglected: boolean
}

const NEGLECTED_DAYS = 14

/** The licks of the log in the order in which they are due; those deleted since are left out. */
export function toDueRows(
  records: readonly SittingRecord[],
  licks: readonly LoggedLick[],
  now: number,
): DueRow[] {
  const byId = new Map(licks.map((lick) => [lick.id, lick]))
  return lickLogs(records.map(toSitting)).flatMap((log): DueRow[] => {
    const lick = byId.get(log.lickId)
    if (!lick) return []
    const neglected = now - log.lastAt > NEGLECTED_DAYS * DAY
    return [
      { ...log, title: lick.title, goal: lick.goal, due: dueWords(log.dueAt, now), neglected },
    ]
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
export function toMinutes(records: readonly SittingRecord[], now: number) {
  const from = now - (SHOWN_DAYS - 1) * DAY
  return minutesByDay(records.map(toSitting), from, now, dayOf).map(({ day, minutes }) => ({
    day,
    minutes: Math.round(minutes * 10) / 10,
  }))
}

/** One lick's tempos over time: clean, or not, each day its fastest of the kind. */
export function toTempos(records: readonly SittingRecord[], lickId: string) {
  const days = new Map<string, { day: string; clean?: number; other?: number }>()
  for (const { lickId: of, createdAt, tempo, rating } of records) {
    if (of !== lickId) continue
    const day = dayOf(createdAt)
    const point = days.get(day) ?? { day }
    const kind = rating === 'clean' ? 'clean' : 'other'
    days.set(day, { ...point, [kind]: Math.max(tempo, point[kind] ?? 0) })
  }
  return [...days.values()]
}
