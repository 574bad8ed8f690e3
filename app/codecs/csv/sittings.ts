import type { Sitting } from '~/core/practice'

const HEAD = ['date', 'lick', 'step', 'tempo', 'repeats', 'seconds', 'rating'] as const

/**
 * A practice log as CSV (RFC 4180): a head, then a row a sitting in order of time; dates in UTC by ISO
 * 8601. A cell that a spreadsheet would run as a formula is led by an apostrophe.
 */
export function formatSittings(
  sittings: readonly Sitting[],
  titleOf: (lickId: string) => string,
): string {
  const rows = [...sittings]
    .sort((a, b) => a.at - b.at)
    .map(({ at, lickId, step, tempo, repeats, seconds, rating }) => [
      new Date(at).toISOString(),
      titleOf(lickId),
      step,
      String(tempo),
      String(repeats),
      String(seconds),
      rating ?? '',
    ])
  return [HEAD, ...rows].map((row) => `${row.map(cell).join(',')}\r\n`).join('')
}

function cell(text: string): string {
  const plain = /^[=+\-@\t\r]/.test(text) ? `'${text}` : text
  return /[",\r\n]/.test(plain) ? `"${plain.replaceAll('"', '""')}"` : plain
}
