import { type LickLog, minutesByDay, neglectedLicks, onGrid } from '~/core/log'
import { nextTempos } from '~/core/practice'
import type { Limb } from '~/core/sticking'
import { findGrid } from '~/core/time'
import { toPracticeSession } from '~/live/practice-session'
import type { PracticeSessionRecord } from '~/storage'
import { calendarDays, dayOf, daysBetween, dueWords, midnight } from '~/words/calendar'

/** Days of which the minutes are shown. */
export const SHOWN_DAYS = 28

/** A lick as the log names it. */
export interface LoggedLick {
  readonly id: string
  readonly title: string
  readonly goal: number | null
  /** The grid that it is written in now, as `1/16`. */
  readonly grid: string
}

/** A lick of the log as it is listed: what is due first stands first. */
export interface DueRow extends LickLog {
  readonly title: string
  readonly goal: number | null
  readonly due: string
  /** The best clean tempo again, then halfway to where it gets tense; null before anything is clean. */
  readonly next: readonly [number, number] | null
  /** Whether it was practised since it was due, but in parts alone: the whole is due all the same. */
  readonly inParts: boolean
  /** Practised longer ago than two weeks. */
  readonly neglected: boolean
}

const NEGLECTED_DAYS = 14

/** The licks of the log in the order in which they are due; those deleted since are left out. */
export function toDueRows(
  logs: readonly LickLog[],
  licks: readonly LoggedLick[],
  now: number,
): DueRow[] {
  const byId = new Map(licks.map((lick) => [lick.id, lick]))
  return logs
    .flatMap((log): DueRow[] => {
      const lick = byId.get(log.lickId)
      if (!lick) return []
      const neglected = daysBetween(log.lastAt, now) > NEGLECTED_DAYS
      const { title, goal } = lick
      const inParts = log.lastAt > log.dueAt
      const next = log.bestClean === null ? null : nextTempos(Math.round(log.bestClean), log.tense)
      return [
        {
          ...log,
          title,
          goal,
          due: dueWords(daysBetween(log.dueAt, now)),
          next,
          inParts,
          neglected,
        },
      ]
    })
    .sort((a, b) => a.dueAt - b.dueAt || a.lastAt - b.lastAt)
}

/** From when on sessions count in the chart of minutes: the day before its first, for what went past midnight. */
export function minutesFrom(now: number): number {
  return midnight(now, -SHOWN_DAYS)
}

/** Minutes of the last four weeks, day by day, to a tenth. */
export function toMinutes(records: readonly PracticeSessionRecord[], now: number) {
  const sessions = records.map(toPracticeSession)
  return minutesByDay(sessions, calendarDays(now, SHOWN_DAYS)).map(({ day, minutes }) => ({
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
  lick: LoggedLick | undefined,
  now: number,
) {
  const days = new Map<string, { day: string; clean?: number; other?: number }>()
  const grid = findGrid(lick?.grid ?? '')
  const sessions = records.map(toPracticeSession)
  for (const { at, tempo: exact, rating } of grid ? onGrid(sessions, grid) : sessions) {
    const tempo = Math.round(exact * 10) / 10
    const day = dayOf(at, now)
    const point = days.get(day) ?? { day }
    const kind = rating === 'clean' ? 'clean' : 'other'
    days.set(day, { ...point, [kind]: Math.max(tempo, point[kind] ?? 0) })
  }
  return [...days.values()]
}

/** A lick's spread over time, limb by limb: each day the rounds that were heard, added up. */
export interface EvenRow {
  readonly day: string
  /** Pooled standard deviations in milliseconds; a limb that was not heard is missing. */
  readonly limbs: Readonly<Partial<Record<Limb, number>>>
}

/**
 * How even a lick was played, day by day, and the best day of each limb. Days are weighed by their strokes.
 * Sessions in any order; those that nobody heard are left out.
 */
export function toEvenness(
  records: readonly PracticeSessionRecord[],
  now: number,
): { readonly rows: readonly EvenRow[]; readonly best: EvenRow['limbs'] } {
  const days = new Map<
    string,
    { at: number; limbs: Map<Limb, { strokes: number; squares: number }> }
  >()
  for (const { createdAt, heard } of records) {
    if (!heard) continue
    const day = dayOf(createdAt, now)
    const known = days.get(day) ?? { at: createdAt, limbs: new Map() }
    for (const { limb, strokes, spreadMs } of heard.limbs) {
      if (strokes < MIN_EVEN) continue
      const sum = known.limbs.get(limb) ?? { strokes: 0, squares: 0 }
      sum.strokes += strokes
      sum.squares += strokes * spreadMs * spreadMs
      known.limbs.set(limb, sum)
    }
    days.set(day, known)
  }
  const rows = [...days]
    .sort(([, a], [, b]) => a.at - b.at)
    .flatMap(([day, { limbs }]): EvenRow[] =>
      limbs.size === 0
        ? []
        : [
            {
              day,
              limbs: Object.fromEntries(
                [...limbs].map(([limb, { strokes, squares }]) => [
                  limb,
                  Math.round(Math.sqrt(squares / strokes) * 10) / 10,
                ]),
              ),
            },
          ],
    )
  const best: Partial<Record<Limb, number>> = {}
  for (const { limbs } of rows)
    for (const [limb, spread] of Object.entries(limbs) as [Limb, number][])
      best[limb] = Math.min(spread, best[limb] ?? spread)
  return { rows, best }
}
/** Fewer strokes of a limb than this tell no spread. */
const MIN_EVEN = 8

/** After so many days without practice a lick is listed as not practised lately. */
export const ALONE_DAYS = 7

/** The licks of the library that were not practised lately: the never practised, then by days. */
export function toNeglected(
  logs: readonly LickLog[],
  licks: readonly LoggedLick[],
  now: number,
): { readonly never: readonly LoggedLick[]; readonly alone: readonly NeglectedRow[] } {
  const byId = new Map(licks.map((lick) => [lick.id, lick]))
  const left = neglectedLicks([...byId.keys()], logs, (at) => daysBetween(at, now), ALONE_DAYS)
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
