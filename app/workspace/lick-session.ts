import type { TextIssue } from '~/codecs/lick-text'
import { parseVoicing } from '~/codecs/voicing'
import { type History, toTransaction } from '~/core/editing'
import type { Kept, LickRecord, LickTexts, RecordSaver } from '~/storage'
import {
  type BenchCommand,
  type BenchDocument,
  openDocument,
  runCommand,
  textsOf,
} from './document'
import type { HistoryMemory } from './history-memory'
import { turnTexts } from './turned'

/** Texts longer than this cannot be stored: see the record. */
const MOST_TEXT = 65_536

/** Says why something was not done. */
export type Refuse = (message: string) => void

/** What became of the lick elsewhere. */
export type Elsewhere = 'here' | 'deleted'

/**
 * A lick on the bench: the document with its history, kept in the store as it changes. Framework-free:
 * the page reads `document` and `elsewhere` and listens. What another tab saves while nothing waits here
 * is taken over as one more step of the history, so that undo goes back over it; where something waits,
 * both are kept and the saver is in conflict until someone decides.
 */
export class LickSession {
  private shown: BenchDocument
  private place: Elsewhere = 'here'
  private readonly listeners = new Set<() => void>()

  constructor(
    private readonly record: Kept<LickRecord>,
    private readonly turned: boolean,
    readonly saver: RecordSaver<'licks'>,
    private readonly memory: HistoryMemory,
  ) {
    this.shown = openDocument(turnTexts(record, turned))
    const known = memory.read(record.id, turned)
    if (known) this.shown = resumed(this.shown, known)
  }

  readonly subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener)
    return () => this.listeners.delete(listener)
  }

  /** The document as it stands; the same object while it stays. */
  readonly document = (): BenchDocument => this.shown
  readonly elsewhere = (): Elsewhere => this.place

  /**
   * Carries a command out, unless it would make more than a lick can be: then says so. Tells whether it was
   * carried out.
   */
  run(command: BenchCommand, refuse?: Refuse): boolean {
    const next = runCommand(this.shown, command)
    if (next === this.shown) return true
    const fault = limitFault(next, this.shown) || changeFault(command, next)
    if (fault) {
      refuse?.(fault)
      this.tell()
      return false
    }
    this.show(next)
    return true
  }

  /** What is on the bench, as it is stored. */
  texts(): LickTexts {
    return turnTexts(textsOf(this.shown), this.turned)
  }

  /** What is stored is newer than what is here, of which nothing waits: it is shown. */
  readonly follow = (theirs: Kept<LickRecord> | 'deleted'): void => {
    if (theirs === 'deleted') this.place = 'deleted'
    else this.takeOver(theirs)
    this.tell()
  }

  /** Takes what another tab saved, as a step that can be undone; what waited here is given up. */
  takeTheirs(theirs: Kept<LickRecord>): void {
    this.saver.goOn(theirs.revision)
    this.takeOver(theirs)
    this.tell()
  }

  /** Back from the bin: what is here is saved on what was there. */
  async restored(): Promise<void> {
    this.place = 'here'
    await this.saver.onTop()
    this.tell()
  }

  /** Remembers the history for the next time that this tab opens the lick. */
  remember(): void {
    this.memory.write(this.record.id, this.turned, this.shown.history)
  }

  private takeOver(theirs: Kept<LickRecord>): void {
    this.place = 'here'
    this.shown = resumed(openDocument(turnTexts(theirs, this.turned)), this.shown.history)
  }

  private show(next: BenchDocument): void {
    const { text, beside } = this.shown.history
    this.shown = next
    if (next.history.text !== text || next.history.beside !== beside) {
      this.saver.change(this.toRecord())
    }
    this.tell()
  }

  private toRecord(): LickRecord {
    return { ...this.record, ...this.texts() }
  }

  private tell(): void {
    for (const listener of [...this.listeners]) listener()
  }
}

/** A document with an earlier history under it: a step leads from where that ended to what is there now. */
export function resumed(opened: BenchDocument, before: History): BenchDocument {
  const { text, beside } = opened.history
  if (before.text === text && before.beside === beside) return { ...opened, history: before }
  const change = toTransaction('changed elsewhere', [
    { at: 0, removed: before.text, inserted: text },
  ])
  const step =
    before.beside === beside
      ? change
      : { ...change, beside: { removed: before.beside, inserted: beside } }
  return { ...opened, history: { text, beside, past: [...before.past, step], future: [] } }
}

/** Why a change makes no line, in words; empty where it does. What is typed may be anything. */
function changeFault({ kind }: BenchCommand, { history, goodText, issues }: BenchDocument): string {
  if (kind !== 'change' || history.text === goodText) return ''
  return issues.some(({ code }) => TOO_LONG.has(code))
    ? 'That would make the line longer than a line can be, so nothing was changed.'
    : 'What that makes of the line cannot be read, so nothing was changed.'
}

const TOO_LONG: ReadonlySet<TextIssue['code']> = new Set([
  'too-many-slots',
  'too-many-bars',
  'repeat-count',
])

/** Why a document cannot be stored, in words; empty where it can. */
function limitFault(next: BenchDocument, before: BenchDocument): string {
  const { text, beside } = next.history
  if (text.length > MOST_TEXT && text.length > before.history.text.length) {
    return 'That would make the lick longer than 65,536 characters, so nothing was changed.'
  }
  if (beside === before.history.beside) return ''
  const read = parseVoicing(beside)
  return read.ok ? '' : `That is more than a lick can hold, so nothing was changed: ${read.error}.`
}
