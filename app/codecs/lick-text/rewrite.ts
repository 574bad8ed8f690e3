import { applyTransaction, type Splice, toTransaction } from '~/core/editing'
import { isEqual } from '~/core/foundation'
import type { Hairpin, Lick, NamedPart } from '~/core/line'
import { formatLine } from '~/core/notation'
import { lineTextOf, setLineText, setValues } from './edit'
import { type LickReading, parseLickText } from './read'
import { KEYS } from './rows'
import { headerValues } from './write'

/** Slots of the line that a change replaced, and what stands there now, as it is typed. */
export interface LineChange {
  readonly from: number
  readonly to: number
  readonly typed: string
}

/**
 * The change of a text that makes it read as another lick. Rows that say the same stay as they were
 * typed, comments too. Where `change` tells what became of the line, only those slots are typed
 * anew, as far as the text then reads as the lick; else the line is written out.
 */
export function rewriteLick(
  text: string,
  reading: LickReading,
  after: Lick,
  change?: LineChange,
): Splice[] {
  const before = reading.lick
  const names = [...before.unknown, ...after.unknown].map(([key]) => key)
  const keys = new Set([...KEYS.filter((key) => key !== 'dime-lick' && key !== 'line'), ...names])
  const rows = changedRows(text, before, after, [...keys])
  if (isEqual(before.line, after.line)) return rows
  for (const typed of change ? typedLines(lineTextOf(text), reading, change) : []) {
    const splices = [...setLineText(text, typed), ...rows]
    const read = parseLickText(applyTransaction(text, toTransaction('try', splices)))
    if (read.ok && isEqual(read.value.lick.line, after.line)) return splices
  }
  // The line first: what comes to stand at its end may be rows that follow it.
  return [...setLineText(text, formatLine(after.line)), ...rows]
}

/** The change of a text by which some keys have the values of another lick. */
function changedRows(text: string, before: Lick, after: Lick, keys: readonly string[]): Splice[] {
  const [old, now] = [headerValues(before), headerValues(after)]
  return keys.flatMap((key) => {
    const [was, is] = [old.get(key) ?? [], now.get(key) ?? []]
    return isEqual(was, is) ? [] : setValues(text, key, is)
  })
}

/** What hangs on stretches of the line: its swells and its named parts. */
export interface SpanMarks {
  readonly swells: readonly Hairpin[]
  readonly parts: readonly NamedPart[]
}

/** The change that gives the text of a lick other swells and named parts. */
export function setSpanMarks(text: string, lick: Lick, { swells, parts }: SpanMarks): Splice[] {
  const after = { ...lick, frame: { ...lick.frame, swells }, parts }
  return changedRows(text, lick, after, ['swell', 'part'])
}

/** The typed line with some slots typed anew, with and without a space around them. */
function* typedLines(line: string, { spans }: LickReading, change: LineChange): Generator<string> {
  const [first, last] = [spans[change.from], spans[change.to - 1]]
  const cut = change.to > change.from
  const from = first ? first.from : line.trimEnd().length
  const to = cut ? (last?.to ?? from) : from
  if (to < from) return
  const [head, tail] = [line.slice(0, from), line.slice(to)]
  if (change.typed === '') {
    yield head.trimEnd() + (tail.trim() === '' ? '' : head.trim() === '' ? tail.trimStart() : tail)
    yield head + tail
    return
  }
  for (const [before, after] of [
    ['', ''],
    ['', ' '],
    [' ', ''],
    [' ', ' '],
  ]) {
    yield `${head}${before}${change.typed}${after}${tail}`
  }
}
