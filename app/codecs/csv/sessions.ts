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
 * 8601. A cell that a spreadsheet would run as a formula is led by an apostrophe.
 */
export function formatSessions(
  sessions: readonly LoggedSession[],
  titleOf: (lickId: string) => string,
): string {
  const rows = [...sessions]
    .sort((a, b) => a.at - b.at)
    .map((session) => [
      new Date(session.at).toISOString(),
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

function cell(text: string): string {
  const plain = /^[=+\-@\t\r]/.test(text) ? `'${text}` : text
  return /[",\r\n]/.test(plain) ? `"${plain.replaceAll('"', '""')}"` : plain
}
