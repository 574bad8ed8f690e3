import {
  type Key,
  type LickReading,
  type LineChange,
  lineTextOf,
  parseLickText,
  rewriteLick,
  setLineText,
  setSpanMarks,
  setValues,
  type TextIssue,
  valuesOf,
} from '~/codecs/lick-text'
import { formatVoicing, parseVoicing } from '~/codecs/voicing'
import { inPlace, type SlotMap, spliceMap } from '~/core/changes'
import {
  applyTransaction,
  commit,
  commitBeside,
  type History,
  mapOffset,
  redo,
  type Transaction,
  toBesideTransaction,
  toHistory,
  toTransaction,
  undo,
} from '~/core/editing'
import { keepEqual } from '~/core/foundation'
import { EMPTY_LICK, type Lick } from '~/core/line'
import { hasMarks, moveMarks, type Pin, PLAIN_VOICING, type Voicing } from '~/core/voicing'
import type { LickTexts } from '~/storage'
import { type Typing, typedMarks, typingAfter } from './typed-marks'

/** The lick on the bench: its text with its history, and the last state that could be read. */
export interface BenchDocument {
  readonly history: History
  readonly good: LickReading
  /** The text that `good` was read from. */
  readonly goodText: string
  /** How the sticking is laid on the kit. */
  readonly voicing: Voicing
  /** Why the text as typed cannot be read; empty where it can. */
  readonly issues: readonly TextIssue[]
  /** The typing that goes on at one place, as far as pins and notes have to go with it. */
  readonly typing: Typing | null
}

/** A key of the text and the values that it is to have; none takes its rows out. */
export type SetRow = readonly [key: Key, values: readonly string[]]

/** Which slots a change typed anew, and where each of them was before; slot for slot unless told. */
export interface SlotChange extends LineChange {
  readonly origins?: readonly (number | null)[]
}

/** What was copied in the line: its text, how many strokes it has, and the voices that were struck in it. */
export interface Pasted {
  readonly text: string
  readonly slots: number
  /** Slots from 0, the first that was copied. */
  readonly pins: readonly Pin[]
}

export type BenchCommand =
  /** The line as it is typed now, and the caret in it; with the voices of what was put in before the caret. */
  | {
      readonly kind: 'type-line'
      readonly typed: string
      readonly caret: number
      readonly pasted?: Pasted
    }
  | { readonly kind: 'set'; readonly rows: readonly SetRow[] }
  | { readonly kind: 'replace-text'; readonly text: string }
  | {
      readonly kind: 'change'
      readonly label: string
      readonly lick: Lick
      readonly change?: SlotChange
      /** The voicing, where it changes along with the lick. */
      readonly voicing?: Voicing
    }
  | { readonly kind: 'voice'; readonly label: string; readonly voicing: Voicing }
  /** Text and voicing of a saved version. */
  | { readonly kind: 'restore'; readonly text: string; readonly voicing: string }
  | { readonly kind: 'undo' }
  | { readonly kind: 'redo' }

const NO_ISSUES: readonly TextIssue[] = []

/** Opens stored texts: the draft is what is edited, the text what shows until the draft can be read. */
export function openDocument({ text, draft, voicing }: LickTexts): BenchDocument {
  const read = parseLickText(text)
  const start: BenchDocument = {
    history: toHistory(text, voicing),
    good: read.ok ? read.value : { lick: EMPTY_LICK, spans: [] },
    goodText: text,
    voicing: voicingOf(voicing),
    issues: read.ok ? NO_ISSUES : read.error,
    typing: null,
  }
  return draft === null ? start : judged(start, toHistory(draft, voicing))
}

/** Carries a command out. A command that changes nothing returns the same document. */
export function runCommand(document: BenchDocument, command: BenchCommand): BenchDocument {
  const { history } = document
  const { text } = history
  switch (command.kind) {
    case 'type-line':
      return pinned(typedOn(document, command.typed, command.caret), command)
    case 'set': {
      const splices = command.rows.flatMap(([key, values]) => setValues(text, key, values))
      const label = `set ${command.rows.map(([key]) => key).join(' and ')}`
      return judged(document, commit(history, toTransaction(label, splices)))
    }
    case 'replace-text': {
      const whole = { at: 0, removed: text, inserted: command.text }
      return judged(document, commit(history, toTransaction('edit text', [whole])))
    }
    case 'change': {
      // Changes are of what can be read: while the text cannot be, there is nothing to change.
      if (text !== document.goodText) return document
      const { label, lick, change, voicing } = command
      const transaction = toTransaction(label, rewriteLick(text, document.good, lick, change))
      const marked = voicing ?? document.voicing
      const moved =
        change && hasMarks(marked)
          ? moveMarks(marked, changeMap(document.good.lick, lick, change))
          : marked
      if (moved === document.voicing) return judged(document, commit(history, transaction))
      return judged(document, commit(history, withVoicing(transaction, history, moved)))
    }
    case 'voice': {
      const next = formatVoicing(command.voicing)
      const change = toBesideTransaction(command.label, history.beside, next)
      return judged(document, commit(history, change))
    }
    case 'restore': {
      // What it is called is no part of what is brought back.
      const titled = applyTransaction(
        command.text,
        toTransaction('', setValues(command.text, 'title', valuesOf(text, 'title'))),
      )
      const whole = { at: 0, removed: text, inserted: titled }
      const { beside } = toBesideTransaction('', history.beside, command.voicing)
      const change = toTransaction('restore', [whole])
      return judged(document, commit(history, { ...change, ...(beside && { beside }) }))
    }
    case 'undo':
      return judged(document, undo(history))
    case 'redo':
      return judged(document, redo(history))
  }
}

/** What a change did to the slots of a line. */
export function changeMap(before: Lick, after: Lick, { from, to, origins }: SlotChange): SlotMap {
  const size = before.line.slots.length
  const grown = after.line.slots.length - size
  return spliceMap(size, { from, to }, origins ?? inPlace(to - from, to - from + grown))
}

/** Takes what is typed; pins, notes, swells and named parts go with their strokes. */
function typedOn(document: BenchDocument, typed: string, caret: number): BenchDocument {
  const { history } = document
  const transaction = toTransaction('type', setLineText(history.text, typed))
  const typing = typingAfter({ ...document, text: history.text }, typed, caret)
  if (!typing) return judged(document, commit(history, transaction))
  const read = parseLickText(applyTransaction(history.text, transaction))
  if (!read.ok) return typedAs(document, commit(history, transaction), read, typing)
  const { lick } = read.value
  const { voicing, spanMarks } = typedMarks(typing, read.value, document.voicing)
  const written = withVoicing(transaction, history, voicing)
  const marked = setSpanMarks(history.text, lick, spanMarks)
  if (marked.length === 0) return typedAs(document, commit(history, written), read, typing)
  const splices = [...written.splices, ...marked]
  const moved = commit(history, { ...written, ...toTransaction('type', splices) })
  return typedAs(document, moved, parseLickText(moved.text), typing)
}

/** Strikes what was pasted as it was struck where it was copied; a step with the paste itself. */
function pinned(
  document: BenchDocument,
  { caret, pasted }: Extract<BenchCommand, { kind: 'type-line' }>,
): BenchDocument {
  if (!pasted || pasted.pins.length === 0 || document.issues.length > 0) return document
  const { good, history, voicing } = document
  const from = caret - pasted.text.length
  const slots = good.spans.flatMap((span, slot) =>
    span.from >= from && span.to <= caret ? [slot] : [],
  )
  // Cut by what it was put into, it is something else.
  if (slots.length !== pasted.slots) return document
  const others = voicing.pins.filter(({ slot }) => !slots.includes(slot))
  const own = pasted.pins.map((pin) => ({ ...pin, slot: slots[pin.slot] as number }))
  const pins = [...others, ...own].sort((a, b) => a.slot - b.slot)
  const next = formatVoicing({ ...voicing, pins })
  return judged(document, commitBeside(history, next))
}

function typedAs(
  document: BenchDocument,
  history: History,
  read: ReturnType<typeof parseLickText>,
  typing: Typing,
): BenchDocument {
  return history === document.history ? document : { ...judgedAs(document, history, read), typing }
}

/** A transaction that changes the voicing too. */
function withVoicing(transaction: Transaction, { beside }: History, voicing: Voicing): Transaction {
  const next = formatVoicing(voicing)
  return next === beside
    ? transaction
    : { ...transaction, beside: { removed: beside, inserted: next } }
}

/** Reads what is typed; what cannot be read leaves the last good state standing. */
function judged(document: BenchDocument, history: History): BenchDocument {
  if (history === document.history) return document
  if (history.text !== document.history.text)
    return judgedAs(document, history, parseLickText(history.text))
  return { ...document, history, voicing: voicingIn(document, history), typing: null }
}

function judgedAs(
  document: BenchDocument,
  history: History,
  read: ReturnType<typeof parseLickText>,
): BenchDocument {
  const voicing = voicingIn(document, history)
  return read.ok
    ? {
        history,
        good: kept(document.good, read.value),
        goodText: history.text,
        voicing,
        issues: NO_ISSUES,
        typing: null,
      }
    : { ...document, history, voicing, issues: read.error, typing: null }
}

/** A reading whose parts beside the line are those of before, where they are the same. */
function kept(before: LickReading, after: LickReading): LickReading {
  const { line, ...others } = after.lick
  const { line: _line, ...known } = before.lick
  return { ...after, lick: { ...keepParts(known, others), line } }
}

/** An object with those of its parts that equal the parts of before as they were. */
function keepParts<T extends object>(before: T, after: T): T {
  const parts = Object.entries(after).map(([key, part]) => [
    key,
    keepEqual(before[key as keyof T], part as T[keyof T]),
  ])
  return Object.fromEntries(parts) as T
}

function voicingIn(document: BenchDocument, history: History): Voicing {
  return history.beside === document.history.beside ? document.voicing : voicingOf(history.beside)
}

/** What to store: the last good text, and the text as typed where that is another. */
export function textsOf({ history, goodText }: BenchDocument): LickTexts {
  return {
    text: goodText,
    draft: history.text === goodText ? null : history.text,
    voicing: history.beside,
  }
}

/** A stored voicing; one that cannot be read voices nothing. */
function voicingOf(json: string): Voicing {
  const read = parseVoicing(json)
  return read.ok ? read.value : PLAIN_VOICING
}

/** Where the caret belongs after an undo or redo, in the typed line. */
export function caretAfter(before: BenchDocument, after: BenchDocument): number {
  const [old, now] = [lineTextOf(before.history.text), lineTextOf(after.history.text)]
  const splices = setLineText(`line: ${old}`, now)
  const shift = 'line: '.length
  return splices.length === 0 ? now.length : Math.max(0, lastEdge(splices) - shift)
}

function lastEdge(splices: readonly { at: number; removed: string; inserted: string }[]): number {
  const transaction = toTransaction('caret', splices)
  const last = transaction.splices.at(-1)
  return last ? mapOffset(last.at + last.removed.length, transaction) : 0
}
