/** Keys that the format knows, in the order in which they are written. */
export const KEYS = [
  'dime-lick',
  'title',
  'tags',
  'meter',
  'tempo',
  'goal',
  'grid',
  'start',
  'stop',
  'lead',
  'groove',
  'bars',
  'landing',
  'swing',
  'swell',
  'kit',
  'line',
  'under',
  'under fill',
] as const
export type Key = (typeof KEYS)[number]

/** One meaningful row of a text. Offsets are UTF-16, into the whole text. */
export interface Row {
  readonly number: number
  /** The known key, lower case; or an unknown one as written. */
  readonly key: string
  readonly known: Key | undefined
  readonly value: string
  readonly rowFrom: number
  readonly rowTo: number
  readonly valueFrom: number
}

const KNOWN_KEY = new RegExp(`^(${[...KEYS].reverse().join('|')})[ \\t]*:`, 'i')
const UNKNOWN_KEY = /^([A-Za-z][\w-]*(?: [A-Za-z][\w-]*)*):(?=[ \t]|$)/
const COMMENT = /(?:^|[ \t])#.*$/
const BLANKS_AROUND = /^[ \t]*|[ \t]*$/g

/** The rows of a text that say something; comments and blank rows are passed over. */
export function textRows(text: string): Row[] {
  const rows: Row[] = []
  let from = text.startsWith('\uFEFF') ? 1 : 0
  let number = 1
  while (from <= text.length) {
    const row = rowAt(text, from, number)
    if (row.saying) rows.push(row.saying)
    from = row.next
    number += 1
  }
  return rows
}

function rowAt(text: string, from: number, number: number): { saying?: Row; next: number } {
  let to = from
  while (to < text.length && text[to] !== '\n' && text[to] !== '\r') to += 1
  const next = to + (text.startsWith('\r\n', to) ? 2 : 1)
  const said = text.slice(from, to).replace(COMMENT, '')
  const indent = said.length - said.trimStart().length
  const body = said.slice(indent)
  if (body === '') return { next }
  const match = KNOWN_KEY.exec(body) ?? UNKNOWN_KEY.exec(body)
  const key = match?.[1] ?? 'line'
  const known = KEYS.find((candidate) => candidate === key.toLowerCase())
  const rest = body.slice(match?.[0].length ?? 0)
  const valueFrom =
    from + said.length - rest.length + (rest.length - rest.replace(/^[ \t]+/, '').length)
  return {
    saying: {
      number,
      key: known ?? key,
      known,
      value: rest.replace(BLANKS_AROUND, ''),
      rowFrom: from,
      rowTo: to,
      valueFrom,
    },
    next,
  }
}

/** The sticking as typed: the values of all `line` rows, one under the other. */
export function joinedLine(rows: readonly Row[]): string {
  return rows
    .filter((row) => row.known === 'line')
    .map((row) => row.value)
    .join('\n')
}
