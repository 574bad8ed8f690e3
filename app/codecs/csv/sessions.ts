import type { PracticeSession } from '~/core/log'

const HEAD = [
  'date',
  'lick',
  'step',
  'form',
  'grid',
  'tempo',
  'repeats',
  'seconds',
  'rating',
  'tense',
  'note',
] as const

/** A session with the words that only people read. */
export interface LoggedSession extends PracticeSession {
  readonly form: string
  readonly note: string
}

/**
 * A practice log as CSV (RFC 4180): a head, then a row a session in order of time; dates in UTC by ISO
 * 8601, nothing where a calendar has no such date. What a spreadsheet would run as a formula is led by
 * an apostrophe, at the beginning of a cell and after a semicolon, which separates cells where the comma
 * is the decimal mark.
 */
export function formatSessions(
  sessions: readonly LoggedSession[],
  titleOf: (lickId: string) => string,
): string {
  const rows = [...sessions]
    .sort((a, b) => a.at - b.at)
    .map((session) => [
      dateOf(session.at),
      titleOf(session.lickId),
      session.step,
      session.form,
      session.grid,
      String(session.tempo),
      String(session.repeats),
      String(session.seconds),
      session.rating ?? '',
      session.tense ? 'tense' : '',
      session.note,
    ])
  return [HEAD, ...rows].map((row) => `${row.map(cell).join(',')}\r\n`).join('')
}

function dateOf(at: number): string {
  const date = new Date(at)
  return Number.isNaN(date.getTime()) ? '' : date.toISOString()
}

function cell(text: string): string {
  const plain = text.replaceAll(/(^|;)(?=[=+\-@\t\r])/g, "$1'")
  return /[",;\r\n]/.test(plain) ? `"${plain.replaceAll('"', '""')}"` : plain
}
