import { findGrid, type Grid, gridName, gridTicks } from '../time'

/** How a repeat went. */
export const RATINGS = ['clean', 'rough', 'lost'] as const
export type Rating = (typeof RATINGS)[number]

/** One stretch of practice: a lick at one tempo. Times are milliseconds since 1970. */
export interface PracticeSession {
  readonly id: string
  readonly lickId: string
  readonly at: number
  /** Which part of a build-up, by its key; empty for the lick as it is. */
  readonly part: string
  /** The same in words. */
  readonly step: string
  readonly tempo: number
  readonly repeats: number
  readonly seconds: number
  /** How it went; null where it was not rated. */
  readonly rating: Rating | null
  /** Whether it felt tense. */
  readonly tense: boolean
  /** The grid that it was played on, as `1/16`; empty where that was not written down. */
  readonly grid: string
  /** The form that it was played in, as `1 + 1`; empty where that was not written down. */
  readonly form?: string
}

const DAY = 24 * 60 * 60 * 1000

/** What the log says of one step of a lick's build-up, or of the whole lick in the bar. */
export interface StepLog {
  /** Which part, by its key; empty for the lick as a whole. */
  readonly part: string
  readonly lastAt: number
  /** The fastest tempo that was clean and not tense; null for none. */
  readonly bestClean: number | null
  /** The slowest tempo that was tense, rough or lost since the best clean one; null for none. */
  readonly tense: number | null
  /** When it is due again, by the rule of `dueAfter`. */
  readonly dueAt: number
}

/** What the log says of one lick: of the whole, which is the lick in the bar, and of each step. */
export interface LickLog extends Omit<StepLog, 'part'> {
  readonly lickId: string
  readonly sessions: number
  readonly seconds: number
  readonly steps: readonly StepLog[]
}

/**
 * Days until something is due again, from how many times in a row it was clean at last: 1, 2, 4, 8,
 * then 16; rough or not rated tomorrow, lost today. Doubling gaps are the simplest form of spacing.
 *
 * @example [dueAfter(1, 'clean'), dueAfter(3, 'clean'), dueAfter(0, 'lost')] // [1, 4, 0]
 */
export function dueAfter(cleanInRow: number, last: Rating | null): number {
  if (last === 'lost') return 0
  if (last !== 'clean') return 1
  return 2 ** Math.min(4, Math.max(0, cleanInRow - 1))
}

/** The log of every lick in it, the one due first first. */
export function lickLogs(sessions: readonly PracticeSession[]): LickLog[] {
  const byLick = groupedBy(
    [...sessions].sort((a, b) => a.at - b.at),
    ({ lickId }) => lickId,
  )
  return [...byLick]
    .map(([lickId, own]) => logOf(lickId, own))
    .sort((a, b) => a.dueAt - b.dueAt || a.lastAt - b.lastAt)
}

function groupedBy<T>(list: readonly T[], key: (one: T) => string): Map<string, T[]> {
  const groups = new Map<string, T[]>()
  for (const one of list) {
    const group = groups.get(key(one))
    if (group) group.push(one)
    else groups.set(key(one), [one])
  }
  return groups
}

/** Whether a session was of the whole lick in the bar: its steps alone say nothing of that. */
export function isWhole({ part }: Pick<PracticeSession, 'part'>): boolean {
  return part === '' || part.startsWith('bar')
}

/** Whether a saved version was clean in the bar: then the lick was. */
function isCleanVersion({ part, rating, tense, form = '' }: PracticeSession): boolean {
  const inBar = form !== 'over and over' && form !== 'half and half'
  return part.startsWith('version ') && rating === 'clean' && !tense && inBar
}

/** The log of one lick from its sessions in order of time. */
function logOf(lickId: string, own: readonly PracticeSession[]): LickLog {
  const whole = stepLog(
    '',
    own.filter((one) => isWhole(one) || isCleanVersion(one)),
  )
  const steps = [...groupedBy(own, ({ part }) => part)].flatMap(([part, sessions]) =>
    isWhole({ part }) ? [] : [stepLog(part, sessions)],
  )
  const last = own.at(-1) as PracticeSession
  // Before the whole was ever played, its steps tell when it is due.
  const dueAt = Number.isFinite(whole.dueAt) ? whole.dueAt : Math.min(...steps.map((s) => s.dueAt))
  return {
    lickId,
    sessions: own.length,
    seconds: own.reduce((sum, { seconds }) => sum + seconds, 0),
    lastAt: last.at,
    bestClean: whole.bestClean,
    tense: whole.tense,
    dueAt,
    steps,
  }
}

/** The log of one step from its sessions in order of time; without any it is never due. */
function stepLog(part: string, own: readonly PracticeSession[]): StepLog {
  const clean = own.filter(({ rating, tense }) => rating === 'clean' && !tense)
  const bestClean = clean.length > 0 ? Math.max(...clean.map(({ tempo }) => tempo)) : null
  const bestAt = clean.findLast(({ tempo }) => tempo === bestClean)?.at ?? Number.NEGATIVE_INFINITY
  const tense = own
    .filter(({ at }) => at >= bestAt)
    .filter(({ rating, tense }) => tense || rating === 'rough' || rating === 'lost')
    .map(({ tempo }) => tempo)
  return {
    part,
    lastAt: own.at(-1)?.at ?? Number.NEGATIVE_INFINITY,
    bestClean,
    tense: tense.length > 0 ? Math.min(...tense) : null,
    dueAt: dueAtOf(own),
  }
}

/** Rungs of one evening are one time. */
const APART = DAY / 2

/**
 * When something is due again, from its sessions in order of time. Clean times in a row, half a day
 * apart, lengthen the time; a clean that was tense, or below the tempo reached before, leaves the date
 * where it is, or comes again tomorrow where that has passed.
 */
function dueAtOf(own: readonly PracticeSession[]): number {
  let dueAt = Number.POSITIVE_INFINITY
  let times = 0
  let countedAt = Number.NEGATIVE_INFINITY
  let reached = 0
  for (const { at, rating, tense, tempo } of own) {
    if (rating !== 'clean') {
      times = 0
      dueAt = at + dueAfter(0, rating) * DAY
    } else if (tense || tempo < reached) {
      if (dueAt <= at || !Number.isFinite(dueAt)) dueAt = at + DAY
    } else {
      if (times === 0 || at - countedAt >= APART) {
        times += 1
        countedAt = at
      }
      reached = tempo
      dueAt = at + dueAfter(times, 'clean') * DAY
    }
  }
  return dueAt
}

/**
 * Sessions with their tempos as they would be on another grid: as many strokes a minute. So a lick
 * that is now written in thirty-seconds is not taken to be twice as fast as it was ever played.
 *
 * @example onGrid([{ tempo: 120, grid: '1/16' }], findGrid('1/32'))[0].tempo // 60
 */
export function onGrid<S extends Pick<PracticeSession, 'tempo' | 'grid'>>(
  sessions: readonly S[],
  grid: Grid,
): S[] {
  return sessions.map((session) => {
    const own = findGrid(session.grid)
    if (!own) return session
    const tempo = session.tempo * (gridTicks(grid) / gridTicks(own))
    return { ...session, tempo, grid: gridName(grid) }
  })
}

/**
 * How many times as fast one tempo on a grid is as another on another grid.
 * Example: from 54 in `1/16` to 58 in `1/32` is 2.15 times.
 */
export function speedJump(
  from: { readonly tempo: number; readonly grid: Grid },
  to: { readonly tempo: number; readonly grid: Grid },
): number {
  return to.tempo / gridTicks(to.grid) / (from.tempo / gridTicks(from.grid))
}

/** A lick and how long it was left alone; null days where it was never practised. */
export interface Neglected {
  readonly lickId: string
  readonly days: number | null
}

/**
 * The licks left alone for more than so many days, never practised ones first, then the longest. What a day is
 * says `daysSince`, which tells how many ago a time (in milliseconds) was: the player's calendar is not ours.
 * Example: last practised on the 13th, seen on the 28th, is 15 days, whatever the hours.
 */
export function neglectedLicks(
  lickIds: readonly string[],
  logs: readonly LickLog[],
  daysSince: (at: number) => number,
  days: number,
): Neglected[] {
  const lastAt = new Map(logs.map((log) => [log.lickId, log.lastAt]))
  return lickIds
    .map((lickId) => {
      const last = lastAt.get(lickId)
      return { lickId, days: last === undefined ? null : daysSince(last) }
    })
    .filter((one) => one.days === null || one.days > days)
    .sort(
      (a, b) => (b.days ?? Number.POSITIVE_INFINITY) - (a.days ?? Number.POSITIVE_INFINITY) || 0,
    )
}

/** A day of the player's calendar: from its first millisecond to the first of the next. */
export interface CalendarDay {
  readonly day: string
  readonly from: number
  readonly to: number
}

/**
 * Minutes of practice on each of some days, days without any too. A session that goes on past midnight
 * is split there. Law: the minutes of days that cover all sessions add up to theirs.
 * Example: 20 minutes from 23:50 are 10 on the one day and 10 on the next.
 */
export function minutesByDay(
  sessions: readonly Pick<PracticeSession, 'at' | 'seconds'>[],
  days: readonly CalendarDay[],
): { readonly day: string; readonly minutes: number }[] {
  const minutes = days.map(() => 0)
  for (const { at, seconds } of sessions) {
    const end = at + seconds * 1000
    for (const [i, { from, to }] of days.entries()) {
      const inDay = Math.min(end, to) - Math.max(at, from)
      if (inDay > 0) minutes[i] = (minutes[i] ?? 0) + inDay / 60_000
    }
  }
  return days.map(({ day }, i) => ({ day, minutes: minutes[i] ?? 0 }))
}

/**
 * What the log says of one lick, from all of its sessions, as its tempos would be on the grid that it has now: the
 * one place from which every page has it. Undefined where it was never practised.
 *
 * @param now milliseconds since 1970; what is dated more than a day ahead is left out
 * @example sessions clean at 90, and at 180 dated a year ahead, are clean at 90
 */
export function logOfLick(
  sessions: readonly PracticeSession[],
  grid: Grid | null,
  now: number,
): LickLog | undefined {
  const counted = notAhead(sessions, now)
  return lickLogs(grid ? onGrid(counted, grid) : counted)[0]
}

/**
 * Sessions without those that a clock set wrong has put ahead of now, by more than a day: what they
 * say of due dates would hold for as long as the clock was ahead. Where there are no others, they are
 * taken to be of now.
 */
export function notAhead<S extends Pick<PracticeSession, 'at'>>(
  sessions: readonly S[],
  now: number,
): S[] {
  const past = sessions.filter(({ at }) => at <= now + DAY)
  return past.length > 0 ? past : sessions.map((session) => ({ ...session, at: now }))
}
