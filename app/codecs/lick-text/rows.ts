import type { OstinatoScope } from '~/core/line'

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
  'groove swing',
  'swell',
  'kit',
  'pickup',
  'line',
  'part',
  'under',
  'under fill',
  'under groove',
] as const
export type Key = (typeof KEYS)[number]

/**
 * The key of a layer's rows: `under`, `under fill` or `under groove`.
 *
 * @example layerKey('fill') // 'under fill'
 */
export function layerKey(scope: OstinatoScope): Key {
  return scope === 'all' ? 'under' : `under ${scope}`
}

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

/** The text that was cut into rows last: one key asks for its rows from many sides. */
let last: { readonly text: string; readonly rows: readonly Row[] } = { text: '', rows: [] }

/**
 * The rows of a text that say something; comments and blank rows are passed over.
 *
 * @example textRows('# a note\nline: RL').length // 1
 */
export function textRows(text: string): readonly Row[] {
  if (text !== last.text) last = { text, rows: cutRows(text) }
  return last.rows
}

function cutRows(text: string): Row[] {
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
  const indent = blanksAt(said, 0)
  const body = said.slice(indent)
  if (body.trim() === '') return { next }
  const match = KNOWN_KEY.exec(body) ?? UNKNOWN_KEY.exec(body)
  const key = match?.[1] ?? 'line'
  const known = KEYS.find((candidate) => candidate === key.toLowerCase())
  const keyEnd = indent + (match?.[0].length ?? 0)
  const rawAt = match && whole[keyEnd] === ' ' ? keyEnd + 1 : keyEnd
  const rest = said.slice(keyEnd)
  const blanks = blanksAt(rest, 0)
  return {
    saying: {
      number,
      key: known ?? key,
      known,
      value: withoutBlanksBehind(rest.slice(blanks)),
      valueFrom: from + keyEnd + blanks,
      raw: whole.slice(rawAt),
      rawFrom: from + rawAt,
      rowFrom: from,
      rowTo: to,
    },
    next,
  }
}

/** A row up to its comment: a `#` at its beginning or behind a blank. Once over the row, from the front. */
function withoutComment(row: string): string {
  for (let at = row.indexOf('#'); at >= 0; at = row.indexOf('#', at + 1)) {
    if (at === 0) return ''
    if (isBlank(row[at - 1])) return row.slice(0, at - 1)
  }
  return row
}

function isBlank(character: string | undefined): boolean {
  return character === ' ' || character === '\t'
}

/** How many blanks stand at a place. */
function blanksAt(text: string, from: number): number {
  let to = from
  while (isBlank(text[to])) to += 1
  return to - from
}

function withoutBlanksBehind(text: string): string {
  let to = text.length
  while (to > 0 && isBlank(text[to - 1])) to -= 1
  return text.slice(0, to)
}

/**
 * The sticking as typed: what stands in all `line` rows, one under the other.
 *
 * @example joinedLine(textRows('line: RL\nline: LK')) // 'RL\nLK'
 */
export function joinedLine(rows: readonly Row[]): string {
  return lineRows(rows)
    .map((row) => row.raw)
    .join('\n')
}

/**
 * The sticking as it is read: comments are blank, so that every offset stays what it was.
 *
 * @example readableLine(textRows('line: RL\nline: LK')) // 'RL\nLK'
 */
export function readableLine(rows: readonly Row[]): string {
  return lineRows(rows)
    .map(({ raw }) => withoutComment(raw).padEnd(raw.length))
    .join('\n')
}

function lineRows(rows: readonly Row[]): Row[] {
  return rows.filter((row) => row.known === 'line')
}
