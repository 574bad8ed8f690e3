import type { Rating } from './ladder'

/** One stretch of practice: a lick at one tempo. Times are milliseconds since 1970. */
export interface Sitting {
  readonly id: string
  readonly lickId: string
  readonly at: number
  /** Which step of a build-up, in words; empty for the lick as it is. */
  readonly step: string
  readonly tempo: number
  readonly repeats: number
  readonly seconds: number
  /** How it went; null where it was not said. */
  readonly rating: Rating | null
}

const DAY = 24 * 60 * 60 * 1000

/** What the log says of one lick. */
export interface LickLog {
  readonly lickId: string
  readonly sittings: number
  readonly seconds: number
  readonly lastAt: number
  readonly bestClean: number | null
  /** The slowest tempo that was rough or lost since the best clean one was played; null for none. */
  readonly tense: number | null
  /** When it is due again, by the rule of `dueAfter`. */
  readonly dueAt: number
}

/**
 * Days until a lick is due again, from how many times in a row it was clean at last: 1, 2, 4, 8, then 16;
 * rough or not rated tomorrow, lost today. Doubling gaps are the simplest form of spacing.
 */
export function dueAfter(cleanInRow: number, last: Rating | null): number {
  if (last === 'lost') return 0
  if (last !== 'clean') return 1
  return 2 ** Math.min(4, Math.max(0, cleanInRow - 1))
}

/** The log of every lick in it, the one due first first. */
export function lickLogs(sittings: readonly Sitting[]): LickLog[] {
  const byLick = new Map<string, Sitting[]>()
  for (const sitting of [...sittings].sort((a, b) => a.at - b.at)) {
    byLick.set(sitting.lickId, [...(byLick.get(sitting.lickId) ?? []), sitting])
  }
  return [...byLick]
    .map(([lickId, own]) => logOf(lickId, own))
    .sort((a, b) => a.dueAt - b.dueAt || a.lastAt - b.lastAt)
}

/** The log of one lick from its sittings in order of time. */
function logOf(lickId: string, own: readonly Sitting[]): LickLog {
  const last = own.at(-1) as Sitting
  const clean = own.filter(({ rating }) => rating === 'clean')
  const bestClean = clean.length > 0 ? Math.max(...clean.map(({ tempo }) => tempo)) : null
  const bestAt = clean.findLast(({ tempo }) => tempo === bestClean)?.at ?? Number.NEGATIVE_INFINITY
  const tense = own
    .filter(({ rating, at }) => at >= bestAt && (rating === 'rough' || rating === 'lost'))
    .map(({ tempo }) => tempo)
  return {
    lickId,
    sittings: own.length,
    seconds: own.reduce((sum, { seconds }) => sum + seconds, 0),
    lastAt: last.at,
    bestClean,
    tense: tense.length > 0 ? Math.min(...tense) : null,
    dueAt: last.at + dueAfter(cleanTimes(own), last.rating) * DAY,
  }
}

/** Rungs of one evening are one time. */
const APART = DAY / 2

/** How many times in a row a lick was clean at last: sittings at least half a day apart. */
function cleanTimes(own: readonly Sitting[]): number {
  let times = 0
  let before = Number.POSITIVE_INFINITY
  for (const { at, rating } of [...own].reverse()) {
    if (rating !== 'clean') break
    if (before - at >= APART) {
      times += 1
      before = at
    }
  }
  return times
}

/** Minutes of each day from one to another, both included, days without any too. */
export function minutesByDay(
  sittings: readonly Sitting[],
  from: number,
  to: number,
  dayOf: (at: number) => string,
): { readonly day: string; readonly minutes: number }[] {
  const days = new Map<string, number>()
  for (let at = from; at <= to; at += DAY) days.set(dayOf(at), 0)
  days.set(dayOf(to), 0)
  for (const { at, seconds } of sittings) {
    const day = dayOf(at)
    const before = days.get(day)
    if (before !== undefined) days.set(day, before + seconds / 60)
  }
  return [...days].map(([day, minutes]) => ({ day, minutes }))
}
