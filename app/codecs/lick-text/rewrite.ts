import { applyTransaction, type Splice, toTransaction } from '~/core/editing'
import { EMPTY_LICK, type Lick, type NamedPart, type Swell } from '~/core/line'
import { lineTextOf, setLineText, setValues } from './edit'
import { type LickReading, parseLickText } from './read'
import { KEYS } from './rows'
import { canonicalValues } from './write'

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
  const rows = KEYS.filter((key) => key !== 'dime-lick' && key !== 'line').flatMap((key) => {
    const [old, now] = [canonicalValues(before, key), canonicalValues(after, key)]
    return same(old, now) ? [] : setValues(text, key, now)
  })
  const names = new Set([...before.unknown, ...after.unknown].map(([key]) => key))
  for (const key of names) {
    const [old, now] = [before, after].map(({ unknown }) =>
      unknown.flatMap(([name, value]) => (name === key ? [value] : [])),
    )
    if (!same(old, now)) rows.push(...setValues(text, key, now ?? []))
  }
  if (same(before.line, after.line)) return rows
  for (const typed of change ? typedLines(lineTextOf(text), reading, change) : []) {
    const splices = [...rows, ...setLineText(text, typed)]
    const read = parseLickText(applyTransaction(text, toTransaction('try', splices)))
    if (read.ok && same(read.value.lick.line, after.line)) return splices
  }
  return [...rows, ...setLineText(text, canonicalValues(after, 'line')[0] ?? '')]
}

/** What hangs on stretches of the line: its swells and its named parts. */
export interface SpanMarks {
  readonly swells: readonly Swell[]
  readonly parts: readonly NamedPart[]
}

/** The change that gives the text of a lick other swells and named parts. */
export function setSpanMarks(text: string, lick: Lick, { swells, parts }: SpanMarks): Splice[] {
  // Written without the line: of a long one, that would be most of the work of a key.
  const before = { ...lick, line: EMPTY_LICK.line, ostinatos: [] }
  const after = { ...before, frame: { ...lick.frame, swells }, parts }
  return (['swell', 'part'] as const).flatMap((key) => {
    const [old, now] = [canonicalValues(before, key), canonicalValues(after, key)]
    return same(old, now) ? [] : setValues(text, key, now)
  })
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

function same(a: unknown, b: unknown): boolean {
  return JSON.stringify(a) === JSON.stringify(b)
}
