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
  'pickup',
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
  /** The value as it counts: without comment and blanks around it. */
  readonly value: string
  readonly valueFrom: number
  /** Everything typed after the key, comment and blanks included. */
  readonly raw: string
  readonly rawFrom: number
  readonly rowFrom: number
  readonly rowTo: number
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

const LINE_END = /[\r\n]/g

function rowAt(text: string, from: number, number: number): { saying?: Row; next: number } {
  LINE_END.lastIndex = from
  const to = LINE_END.exec(text)?.index ?? text.length
  const next = to + (text.startsWith('\r\n', to) ? 2 : 1)
  const whole = text.slice(from, to)
  const said = withoutComment(whole)
  const indent = said.length - said.replace(/^[ \t]+/, '').length
  const body = said.slice(indent)
  if (body.trim() === '') return { next }
  const match = KNOWN_KEY.exec(body) ?? UNKNOWN_KEY.exec(body)
  const key = match?.[1] ?? 'line'
  const known = KEYS.find((candidate) => candidate === key.toLowerCase())
  const keyEnd = indent + (match?.[0].length ?? 0)
  const rawAt = match && whole[keyEnd] === ' ' ? keyEnd + 1 : keyEnd
  const rest = said.slice(keyEnd)
  const blanks = rest.length - rest.replace(/^[ \t]+/, '').length
  return {
    saying: {
      number,
      key: known ?? key,
      known,
      value: rest.replace(BLANKS_AROUND, ''),
      valueFrom: from + keyEnd + blanks,
      raw: whole.slice(rawAt),
      rawFrom: from + rawAt,
      rowFrom: from,
      rowTo: to,
    },
    next,
  }
}

function withoutComment(row: string): string {
  return row.replace(COMMENT, '')
}

/** The sticking as typed: what stands in all `line` rows, one under the other. */
export function joinedLine(rows: readonly Row[]): string {
  return lineRows(rows)
    .map((row) => row.raw)
    .join('\n')
}

/** The sticking as it is read: comments are blank, so that every offset stays what it was. */
export function readableLine(rows: readonly Row[]): string {
  return lineRows(rows)
    .map(({ raw }) => withoutComment(raw).padEnd(raw.length))
    .join('\n')
}

function lineRows(rows: readonly Row[]): Row[] {
  return rows.filter((row) => row.known === 'line')
}
