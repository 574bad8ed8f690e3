import type { Sitting } from '~/core/log'

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

/** A sitting with the words that only people read. */
export interface LoggedSitting extends Sitting {
  readonly form: string
  readonly note: string
}

/**
 * A practice log as CSV (RFC 4180): a head, then a row a sitting in order of time; dates in UTC by ISO
 * 8601. A cell that a spreadsheet would run as a formula is led by an apostrophe.
 */
export function formatSittings(
  sittings: readonly LoggedSitting[],
  titleOf: (lickId: string) => string,
): string {
  const rows = [...sittings]
    .sort((a, b) => a.at - b.at)
    .map((sitting) => [
      new Date(sitting.at).toISOString(),
      titleOf(sitting.lickId),
      sitting.step,
      sitting.form,
      sitting.grid,
      String(sitting.tempo),
      String(sitting.repeats),
      String(sitting.seconds),
      sitting.rating ?? '',
      sitting.tense ? 'tense' : '',
      sitting.note,
    ])
  return [HEAD, ...rows].map((row) => `${row.map(cell).join(',')}\r\n`).join('')
}

function cell(text: string): string {
  const plain = /^[=+\-@\t\r]/.test(text) ? `'${text}` : text
  return /[",\r\n]/.test(plain) ? `"${plain.replaceAll('"', '""')}"` : plain
}
