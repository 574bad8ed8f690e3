import type { Splice } from '~/core/editing'
import { commonEnd, commonStart } from '~/core/foundation'
import { joinedLine, KEYS, type Key, type Row, textRows } from './rows'

/**
 * The sticking of a text as it was typed, rows joined by line breaks.
 *
 * @example lineTextOf('title: Walk\nline: RLL K') // 'RLL K'
 */
export function lineTextOf(text: string): string {
  return joinedLine(textRows(text))
}

/**
 * The values of every row with a key, in order, as they were typed.
 *
 * @example valuesOf('tags: a\nline: R', 'tags') // ['a']
 */
export function valuesOf(text: string, key: Key): string[] {
  return textRows(text)
    .filter((row) => row.known === key)
    .map((row) => row.value)
}

/**
 * The change that gives a key these values: values stand where they stood, further ones below,
 * surplus rows go. Everything else in the text, comments too, stays as typed. A key that the format does
 * not know is matched as it is written.
 *
 * @example setValues('line: R', 'tags', ['fives']).length // 1
 */
export function setValues(text: string, key: string, values: readonly string[]): Splice[] {
  return replaceRows(text, key, values, (row) => [row.valueFrom, row.value])
}

/** Where a row's replaceable part stands, and what it is. */
type Part = (row: Row) => readonly [at: number, old: string]

function replaceRows(text: string, key: string, values: readonly string[], part: Part): Splice[] {
  const all = textRows(text)
  const rows = all.filter((row) => (row.known ?? row.key) === key)
  const splices: Splice[] = []
  for (const [i, row] of rows.entries()) {
    const value = values[i]
    if (value === undefined) splices.push(removeRow(text, row))
    else splices.push(...replaceText(...part(row), value))
  }
  const added = values.slice(rows.length)
  if (added.length > 0) splices.push(insertRows(text, all, rows.at(-1), key, added))
  return splices
}

/** The change that replaces the sticking, line break by line break. */
export function setLineText(text: string, typed: string): Splice[] {
  return replaceRows(text, 'line', typed.split(/\r\n|\r|\n/), (row) => [row.rawFrom, row.raw])
}

/** Only what really differs is replaced, so that undo and the caret stay fine-grained. */
function replaceText(from: number, old: string, value: string): Splice[] {
  if (old === value) return []
  const same = commonStart(old, value)
  const tail = commonEnd(old, value, Math.min(old.length, value.length) - same)
  const at = from + same
  const removed = old.slice(same, old.length - tail)
  const inserted = value.slice(same, value.length - tail)
  return [{ at, removed, inserted }]
}

function removeRow(text: string, row: Row): Splice {
  return { at: row.rowFrom, removed: text.slice(row.rowFrom, endOf(text, row)), inserted: '' }
}

/** Behind a row and its line break, where it has one. */
function endOf(text: string, { rowTo }: Row): number {
  return text.startsWith('\r\n', rowTo) ? rowTo + 2 : Math.min(rowTo + 1, text.length)
}

/** Rows behind the one they follow and its line break, so that this one can be removed at once. */
function insertRows(
  text: string,
  rows: readonly Row[],
  last: Row | undefined,
  key: string,
  values: readonly string[],
): Splice {
  const rank = (KEYS as readonly string[]).indexOf(key)
  const comesBefore = ({ known }: Row) => known && (rank < 0 || KEYS.indexOf(known) <= rank)
  const before = last ?? rows.findLast(comesBefore)
  const written = values.map((value) => `${key}: ${value}`).join('\n')
  if (!before) return { at: 0, removed: '', inserted: `${written}\n` }
  const at = endOf(text, before)
  const inserted = at === before.rowTo ? `\n${written}` : `${written}\n`
  return { at, removed: '', inserted }
}
