import type { SlotContent } from '../sticking'
import { findGrid, type Grid } from '../time'
import { plainSlots, readSlot, skipStranger, startsSlot } from './read-slot'
import type { Scanner } from './scanner'

/** A piece of source: from..to are offsets into the typed line. */
export interface SourceSpan {
  readonly from: number
  readonly to: number
}

/** What a line is made of before its repeats are written out. */
export type Item =
  | { readonly kind: 'slot'; readonly content: SlotContent; readonly span: SourceSpan }
  /** Slots of a letter each, from a place of the text on: most of most lines. */
  | { readonly kind: 'plain'; readonly contents: readonly SlotContent[]; readonly from: number }
  | { readonly kind: 'grid'; readonly grid: Grid }
  | { readonly kind: 'bar-check'; readonly span: SourceSpan }
  | { readonly kind: 'group-end' }
  | {
      readonly kind: 'repeat'
      readonly items: readonly Item[]
      readonly times: number
      readonly span: SourceSpan
    }

const MAX_REPEATS = 4096
const DEEPEST_BRACKETS = 8
const GRID = /1\/(?:64|32|16|8|4)(?!\d)[tqsn]?/y
const REPEAT = /\*(\d*)/y
/** A whole group of letters and rests with nothing at them. */
const PLAIN_GROUP = /[RLXKHJrlxkhj-]+(?=\s|$)/y

/** Reads one piece of a line, at whose first character the scanner is: a group, or brackets with all in them. */
export function readPiece(scanner: Scanner): Item[] {
  if (scanner.next !== ']') return readPart(scanner, 0)
  const at = scanner.position
  scanner.position += 1
  scanner.report('not-opened', at, 'no ]: there is no [ before it')
  scanner.takeMatch(REPEAT)
  return []
}

function readPart(scanner: Scanner, depth: number): Item[] {
  return scanner.next === '[' ? readBrackets(scanner, depth) : readGroup(scanner)
}

/** Reads groups, brackets, grid changes and bar checks until the end or a closing bracket. */
function readItems(scanner: Scanner, depth: number): Item[] {
  const items: Item[] = []
  for (;;) {
    scanner.skipSpace()
    if (scanner.done || scanner.next === ']') return items
    items.push(...readPart(scanner, depth))
  }
}

function readBrackets(scanner: Scanner, depth: number): Item[] {
  const open = scanner.position
  scanner.take('[')
  if (depth >= DEEPEST_BRACKETS) {
    scanner.position = scanner.text.length
    scanner.report('too-deep', open, `brackets at most ${DEEPEST_BRACKETS} deep`, open + 1)
    return []
  }
  const items = readItems(scanner, depth + 1)
  if (!scanner.take(']')) {
    scanner.report('not-closed', open, 'a closing ]', open + 1)
    return []
  }
  if (!hasSlots(items)) {
    scanner.report('repeat-of-nothing', open, 'a group between [ and ]')
    return []
  }
  return repeated(scanner, items)
}

function readGroup(scanner: Scanner): Item[] {
  const start = scanner.position
  const plain = scanner.takeMatch(PLAIN_GROUP)?.[0]
  if (plain !== undefined)
    return [{ kind: 'plain', contents: plainSlots(plain), from: start }, { kind: 'group-end' }]
  const items: Item[] = []
  while (!scanner.atBreak && scanner.next !== ']' && scanner.next !== '*') {
    const from = scanner.position
    if (startsSlot(scanner.next)) {
      const content = readSlot(scanner)
      if (content) items.push({ kind: 'slot', content, span: { from, to: scanner.position } })
    } else if (scanner.take('|')) {
      items.push({ kind: 'bar-check', span: { from, to: scanner.position } })
    } else if (scanner.take('@')) {
      const grid = readGrid(scanner)
      if (grid) items.push({ kind: 'grid', grid })
    } else if (scanner.next === ')' || scanner.next === '}') {
      scanner.position += 1
      const opener = scanner.text[from] === ')' ? '(' : '{'
      scanner.report(
        'not-opened',
        from,
        `no ${scanner.text[from]}: there is no ${opener} before it`,
      )
    } else if (scanner.next === '[') {
      scanner.report('brackets-need-space', from, 'a space before [', from + 1)
      break
    } else {
      skipStranger(scanner)
    }
  }
  if (scanner.next === '*' && scanner.position === start) {
    scanner.takeMatch(REPEAT)
    scanner.report('repeat-of-nothing', start, 'a group right before *')
    return []
  }
  const slots = items.some((item) => item.kind === 'slot')
  if (!slots) return items
  return repeated(scanner, [...items, { kind: 'group-end' }])
}

/** Reads `*n` after a group or brackets, if there is one. */
function repeated(scanner: Scanner, items: Item[]): Item[] {
  const from = scanner.position
  const match = scanner.takeMatch(REPEAT)
  if (!match) return items
  const times = Number(match[1])
  if (match[1] === '' || times < 1 || times > MAX_REPEATS) {
    scanner.report('repeat-count', from, `a number of times from 1 to ${MAX_REPEATS} after *`)
    return items
  }
  if (!scanner.atBreak && scanner.next !== ']') {
    const stray = scanner.position
    while (!scanner.atBreak && scanner.next !== ']') scanner.position += 1
    scanner.report('repeat-not-at-end', stray, 'a space after the repeat')
  }
  return [{ kind: 'repeat', items, times, span: { from, to: from + match[0].length } }]
}

/**
 * Reads a grid's name after @. A letter of the tuplet kinds right after it always belongs to it;
 * a semicolon closes the name, so that a ruff can follow a plain grid inside a group (`@1/16;tR`).
 */
function readGrid(scanner: Scanner): Grid | undefined {
  const from = scanner.position
  const grid = findGrid(scanner.takeMatch(GRID)?.[0] ?? '')
  if (!grid) {
    scanner.takeMatch(/[\d/]*[tqsn]?/y)
    scanner.report('no-such-grid', from, 'a grid such as 1/8t, 1/16 or 1/32')
    return undefined
  }
  scanner.take(';')
  return grid
}

function hasSlots(items: readonly Item[]): boolean {
  return items.some(({ kind }) => kind === 'slot' || kind === 'plain' || kind === 'repeat')
}
