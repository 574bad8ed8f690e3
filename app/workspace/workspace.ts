import { type Key, lineTextOf, parseLickText } from '~/codecs/lick-text'
import { mapSlot, type Phrase, type SlotRange } from '~/core/changes'
import type { Transaction } from '~/core/editing'
import type { PatternPlace } from '~/core/groove'
import { type Lick, lickSlots, type TimedSlot } from '~/core/line'
import { moveMarks, type Voicing } from '~/core/voicing'
import { Contour } from './contour'
import { Derived } from './derived'
import {
  type BenchCommand,
  type BenchDocument,
  caretAfter,
  changeMap,
  type Pasted,
  type SetRow,
} from './document'
import type { LickSession } from './documents/lick-session'
import type { Edit } from './edits/edits'
import { speedNotice, withRows } from './frame-change'
import { NOTHING_WAITING, type PendingModifiers } from './rows/waiting'
import {
  type Selection,
  type StepUnit,
  selectionAt,
  selectionAtEnd,
  selectionOf,
  settled,
  steppedSlot,
  type TextRange,
  widened,
} from './selection'
import { Shown } from './shown'
import { Slices } from './slices'

/** Something said at the bench: what was not done and why, or what a change kept; with another way. */
export interface Notice {
  readonly message: string
  readonly offer?: { readonly label: string; readonly act: () => void }
}

/** The rows of the ruler that keys are typed in; of a pattern under the line, which slot has them. */
export type EditedRow = 'sticking' | 'voices' | PatternPlace

/** The bench as it stands. Every part is a value; one that did not change is the same object. */
export interface WorkspaceState {
  readonly document: BenchDocument
  readonly selection: Selection
  /** The row that the keys of the ruler go to. */
  readonly row: EditedRow
  /** What the next letter in the sticking row does besides. */
  readonly waiting: PendingModifiers
  readonly notice: Notice | null
  /** What an offer that is pointed at would make of the lick; null for none. */
  readonly preview: Preview | null
  /** The tempo that is played, which is not the lick's own. */
  readonly tempo: number
}

/** Ways to end a line, and the line that they end. */
export interface LineEndings {
  readonly of: Lick | null
  readonly phrases: readonly Phrase[]
}

/** What an offer would make of the lick, and which of its slots that changes. */
export interface Preview {
  readonly lick: Lick
  readonly voicing: Voicing
  readonly range: SlotRange
}

/**
 * The bench without its page: the lick with its history, what is marked, what is said of it. Rows and
 * panels read slices of its state and ask it for changes; it asks nothing of them. What is marked is
 * what a change is about; after a change the changed slots are marked, and undo brings back what was.
 */
export class Workspace extends Slices<WorkspaceState> {
  readonly derived = new Derived()
  readonly contour = new Contour()
  /** Ways to end the line, the best first, while it is short of its space. */
  readonly endings = new Shown<LineEndings>({ of: null, phrases: [] })
  /** What was marked before and after each step of the history. */
  private readonly marks = new WeakMap<Transaction, { before: Selection; after: Selection }>()
  /** What was copied in the line last. */
  private copied: Pasted | null = null
  /** Whether a command of its own is being carried out. */
  private running = false
  /** The document that a notice is about; another one makes it void. */
  private noticeAbout: BenchDocument | null = null

  constructor(readonly session: LickSession) {
    const document = session.content
    super({
      document,
      selection: selectionAtEnd(document),
      row: 'sticking',
      waiting: NOTHING_WAITING,
      notice: null,
      preview: null,
      tempo: document.good.lick.frame.tempo,
    })
  }

  get document(): BenchDocument {
    return this.current.document
  }

  /** The lick as it was last readable. */
  get lick(): Lick {
    return this.current.document.good.lick
  }

  /** The slots of its line at their ticks. */
  get slots(): readonly TimedSlot[] {
    return lickSlots(this.lick)
  }

  /** The slots that a change is about: those marked, or the whole line. */
  get range(): SlotRange {
    return rangeOf(this.current)
  }

  /** The slot of a pattern under the line that has the keys; null while another row has them. */
  get place(): PatternPlace | null {
    const { row } = this.current
    return typeof row === 'string' ? null : row
  }

  /** Follows the session: what another tab saved, or what was decided about a conflict. */
  readonly follow = (): void => {
    const document = this.session.content
    if (this.running || document === this.current.document) return
    this.adopt(document, this.current.selection)
  }

  /** Takes the line as it is typed, and the caret in it. */
  type(typed: string, caret: number): void {
    const { selection } = this.current
    const document = this.run({ kind: 'type-line', typed, caret })
    this.adopt(document, selectionAt(document, { from: caret, to: caret }), selection)
  }

  /** Puts text into the line in place of what is marked there; what was copied in the line with its voices. */
  insertText(inserted: string): void {
    const { document, selection } = this.current
    const line = lineTextOf(document.history.text)
    const { from, to } = selection.text
    const pasted = this.copied?.text === inserted ? this.copied : undefined
    const typed = line.slice(0, from) + inserted + line.slice(to)
    const caret = from + inserted.length
    const next = this.run({ kind: 'type-line', typed, caret, ...(pasted && { pasted }) })
    this.adopt(next, selectionAt(next, { from: caret, to: caret }), selection)
  }

  /** Remembers what is marked in the line with its voices, as a text that is copied or cut. */
  copy(text: string): void {
    const { document, selection } = this.current
    const { range } = selection
    const { pins } = document.voicing
    const inside = range ? pins.filter(({ slot }) => slot >= range.from && slot < range.to) : []
    this.copied = {
      text,
      slots: range ? range.to - range.from : 0,
      pins: inside.map((pin) => ({ ...pin, slot: pin.slot - (range?.from ?? 0) })),
    }
  }

  /** Whether a text is what was copied in the line last. */
  hasCopied(text: string): boolean {
    return text !== '' && this.copied?.text === text
  }

  /** The typed line shows another caret or selection. */
  selectText(text: TextRange): void {
    const { selection, document } = this.current
    // Marks that the line cannot show, as the second round of a repeat, stay while it shows the same.
    if (selection.text.from === text.from && selection.text.to === text.to) return
    this.patch({ selection: selectionAt(document, text), waiting: NOTHING_WAITING })
  }

  /** Marks exactly these slots. */
  select({ from, to }: SlotRange): void {
    this.mark(from, to - 1)
  }

  /** Marks from a slot to another, either way round. */
  mark(anchor: number, head: number): void {
    const { document } = this.current
    this.patch({
      selection: selectionOf(document, anchor, head),
      waiting: NOTHING_WAITING,
      ...(this.place && { row: 'sticking' }),
    })
  }

  /** Marks the groups around what is marked, then the whole line. */
  widen(): void {
    const { selection } = this.current
    if (this.lick.line.slots.length > 0) this.select(widened(this.lick.line, selection.range))
  }

  /** Marks the slot that a step comes to; with `extend` everything on the way. */
  step(way: 1 | -1, unit: StepUnit, extend: boolean): void {
    const { selection } = this.current
    const size = this.lick.line.slots.length
    const atEnd = selection.range === null
    if (atEnd && way === 1) return
    const from = atEnd ? size : selection.head
    if (!extend && !atEnd && way === 1 && from === size - 1) {
      this.toEnd()
      return
    }
    const to = steppedSlot(this.lick.line, from, way, unit)
    this.mark(extend && !atEnd ? selection.anchor : to, to)
  }

  /** The caret behind the last stroke, where what is typed next goes. */
  toEnd(): void {
    const { document } = this.current
    this.patch({
      selection: selectionAtEnd(document),
    })
  }

  /** Sends the keys of the ruler to a row. */
  editRow(row: EditedRow): void {
    this.patch({ row, waiting: NOTHING_WAITING })
  }

  /** What the next letter does besides. */
  wait(waiting: PendingModifiers): void {
    if (waiting !== this.current.waiting) this.patch({ waiting })
  }

  /**
   * Makes an edit that was worked out from a lick; refused, and said, where another is on the bench,
   * the text cannot be read as it stands, or the line would be too long. Tells whether it was made.
   */
  edit(edit: Edit, base: Lick = this.lick): boolean {
    const { document, selection } = this.current
    if (document.history.text !== document.goodText) {
      this.refuse('The text cannot be read as it stands: fix it first, then change the line.')
      return false
    }
    // What was worked out from an older line would undo what was typed since.
    if (base !== document.good.lick) {
      this.refuse('The line changed in the meantime, so nothing was done. Try it again.')
      return false
    }
    const { label, lick, change, voicing } = edit
    let done = false
    this.together(() => {
      done = this.carryOut({
        kind: 'change',
        label,
        lick,
        ...(change && { change }),
        ...(voicing && { voicing }),
      })
      const next = this.session.content
      this.adopt(next, done ? this.selectionAfter(edit, base, next) : selection, selection)
      if (next !== document) this.tellSpeed(base, lick)
    })
    return done
  }

  /** Sets rows of the text; a change of metre or grid says what it kept. */
  set(rows: readonly SetRow[]): void {
    const { document, selection } = this.current
    this.adopt(this.run({ kind: 'set', rows }), selection)
    if (!rows.some(([key]) => key === 'meter' || key === 'grid')) return
    const read = parseLickText(withRows(document.history.text, rows))
    if (read.ok) this.tellSpeed(document.good.lick, read.value.lick)
  }

  /** Sets one row of the text. */
  readonly setRow = (key: Key, values: readonly string[]): void => this.set([[key, values]])

  voice(label: string, voicing: Voicing): void {
    this.adopt(this.run({ kind: 'voice', label, voicing }), this.current.selection)
  }

  /** Puts a saved state in place of what is on the bench; its title stays. Says what was brought back. */
  restore(text: string, voicing: string, name: string): void {
    this.together(() => {
      const before = this.document
      this.adopt(this.run({ kind: 'restore', text, voicing }), this.current.selection)
      if (this.document !== before)
        this.tell({
          message: `Brought back from ${name}: the line, its bar settings and its voices. The title stays.`,
        })
    })
  }

  replaceText(text: string): void {
    this.adopt(this.run({ kind: 'replace-text', text }), this.current.selection)
  }

  /** Goes a step back or forth in the history, and marks what was marked there. */
  travel(kind: 'undo' | 'redo'): void {
    const before = this.current.document
    const { past, future } = before.history
    const step = kind === 'undo' ? past.at(-1) : future[0]
    if (!step) {
      this.refuse(`Nothing to ${kind}.`)
      return
    }
    const next = this.run({ kind })
    const known = this.marks.get(step)
    const caret = caretAfter(before, next)
    const marked = kind === 'undo' ? known?.before : known?.after
    this.adopt(next, marked ?? selectionAt(next, { from: caret, to: caret }))
  }

  setTempo(tempo: number): void {
    this.patch({ tempo })
  }

  /** Shows what an offer would make of the lick; null ends it. */
  show(edit: Edit | null): void {
    const { preview, document } = this.current
    if (!edit) {
      if (preview) this.patch({ preview: null })
      return
    }
    const { voicing, good } = document
    const moved = edit.change
      ? moveMarks(voicing, changeMap(good.lick, edit.lick, edit.change))
      : voicing
    this.patch({ preview: { lick: edit.lick, voicing: moved, range: edit.select ?? this.range } })
  }

  /** Shows what another voicing would make of the lick; null ends it. */
  showVoicing(voicing: Voicing | null): void {
    if (voicing) this.patch({ preview: { lick: this.lick, voicing, range: this.range } })
    else this.show(null)
  }

  /** Says why something was not done. */
  readonly refuse = (message: string): void => this.tell({ message })

  tell(notice: Notice): void {
    this.noticeAbout = this.current.document
    this.patch({ notice })
  }

  dismiss(): void {
    this.patch({ notice: null })
  }

  private selectionAfter(edit: Edit, base: Lick, next: BenchDocument): Selection {
    const { selection } = this.current
    if (edit.select) return selectionOf(next, edit.select.from, edit.select.to - 1)
    const { range } = selection
    if (!range || !edit.change) return selection
    const map = changeMap(base, edit.lick, edit.change)
    const [from, to] = [mapSlot(map, range.from), mapSlot(map, range.to - 1)]
    return from === null || to === null ? selection : selectionOf(next, from, to)
  }

  private run(command: BenchCommand): BenchDocument {
    this.carryOut(command)
    return this.session.content
  }

  /** Whether a command was carried out; where not, why not is said. */
  private carryOut(command: BenchCommand): boolean {
    this.running = true
    try {
      return this.session.run(command, this.refuse)
    } finally {
      this.running = false
    }
  }

  /** Shows a document with a selection; remembers what was marked around the step that led to it. */
  private adopt(document: BenchDocument, selection: Selection, before = this.current.selection) {
    const old = this.current.document
    const step = document.history.past.at(-1)
    if (step && document !== old && document.history.past.length >= old.history.past.length) {
      const joined = old.history.past.at(-1)
      const known =
        joined && old.history.past.length === document.history.past.length
          ? this.marks.get(joined)
          : undefined
      if (!this.marks.has(step)) {
        this.marks.set(step, { before: known?.before ?? before, after: selection })
      }
    }
    const { tempo } = document.good.lick.frame
    const kept = this.noticeAbout === document || document === old
    this.patch({
      document,
      selection: settled(document, selection),
      preview: null,
      waiting: NOTHING_WAITING,
      ...(!kept && { notice: null }),
      ...(tempo !== old.good.lick.frame.tempo && { tempo }),
    })
  }

  private tellSpeed(before: Lick, after: Lick): void {
    const notice = speedNotice(before, after)
    if (!notice) return
    const { message, offer } = notice
    const act = () => offer && this.set(offer.rows)
    this.tell({ message, ...(offer && { offer: { label: offer.label, act } }) })
  }
}

/** The slots that a change is about: those marked, or the whole line. */
export function rangeOf({ document, selection }: WorkspaceState): SlotRange {
  return selection.range ?? { from: 0, to: document.good.lick.line.slots.length }
}
