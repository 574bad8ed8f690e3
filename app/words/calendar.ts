import type { CalendarDay } from '~/core/log'

/** The midnight that a day of the player's calendar begins at; some days later or earlier. */
export function midnight(at: number, daysLater = 0): number {
  const date = new Date(at)
  return new Date(date.getFullYear(), date.getMonth(), date.getDate() + daysLater).getTime()
}

/** The last days of the player's calendar up to now, the oldest first: of 23, 24 or 25 hours. */
export function calendarDays(now: number, count: number): CalendarDay[] {
  return Array.from({ length: count }, (_, i) => {
    const from = midnight(now, i + 1 - count)
    return { day: dayOf(from, now), from, to: midnight(from, 1) }
  })
}

/** Days of the calendar from one time to another: 1 from tonight to tomorrow morning, negative backwards. */
export function daysBetween(from: number, to: number): number {
  // Rounded: a day may have an hour more or less.
  return Math.round((midnight(to) - midnight(from)) / (24 * 60 * 60 * 1000))
}

/**
 * When something is due, by the days of the calendar since it was; negative for what is still to come.
 * Example: 0, -1, 1, -3, 15 are `due today`, `due tomorrow`, `due yesterday`, `due in 3 days`, `due 15 days ago`.
 */
export function dueWords(overdue: number): string {
  if (overdue === 0) return 'due today'
  if (Math.abs(overdue) === 1) return overdue > 0 ? 'due yesterday' : 'due tomorrow'
  return overdue > 0 ? `due ${overdue} days ago` : `due in ${-overdue} days`
}

/** The day of a time where the player is, as `23 Nov`; with its year where that is not this year. */
export function dayOf(at: number, now: number): string {
  const date = new Date(at)
  if (Number.isNaN(date.getTime())) return 'no date'
  const thisYear = date.getFullYear() === new Date(now).getFullYear()
  const day = `${date.getDate()} ${MONTHS[date.getMonth()]}`
  return thisYear ? day : `${day} ${date.getFullYear()}`
}

// Made once: a list asks for hundreds of days, and to make a formatter takes longer than to use it a hundred times.
const MONTHS = Array.from({ length: 12 }, (_, month) =>
  new Intl.DateTimeFormat('en-GB', { month: 'short', timeZone: 'UTC' }).format(
    Date.UTC(2024, month, 15),
  ),
)
