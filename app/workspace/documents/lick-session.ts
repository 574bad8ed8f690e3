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
} from '../document'
import { turnTexts } from '../turned'
import type { HistoryMemory } from './history-memory'
import { type Follow, type Keeping, StoredDocument } from './stored-document'

/** Texts longer than this cannot be stored: see the record. */
const MAX_TEXT = 65_536

/** Says why something was not done. */
export type Refuse = (message: string) => void

/** How a lick is kept, with its letters turned or not: of two versions, one is kept among its versions. */
export function lickKeeping(record: LickRecord, turned: boolean): Keeping<'licks', BenchDocument> {
  return {
    toRecord: (document) => ({ ...record, ...turnTexts(textsOf(document), turned) }),
    fromRecord: (theirs) => openDocument(turnTexts(theirs, turned)),
    onTopOf: (theirs, ours) => resumed(theirs, ours.history),
    // Hardly ever asked: fetched then.
    setAside: async (theirs, why) => (await import('./lick-aside')).lickAside(theirs, why),
  }
}

/**
 * A lick on the bench: a stored document whose content has a history of its own, of its text. What another
 * tab saves is one more step of that.
 */
export class LickSession extends StoredDocument<'licks', BenchDocument> {
  constructor(
    private readonly opened: Kept<LickRecord>,
    private readonly turned: boolean,
    saver: RecordSaver<'licks'>,
    private readonly memory: HistoryMemory,
    follow?: Follow<'licks'>,
  ) {
    const document = openDocument(turnTexts(opened, turned))
    const known = memory.read(opened.id, turned)
    const start = known ? resumed(document, known) : document
    super(saver, start, null, lickKeeping(opened, turned), follow)
  }

  /**
   * Carries a command out, unless it would make more than a lick can be: then says so. Tells whether it was
   * carried out.
   */
  run(command: BenchCommand, refuse?: Refuse): boolean {
    const { content } = this
    const next = runCommand(content, command)
    if (next === content) return true
    const fault = limitFault(next, content) || changeFault(command, next)
    if (fault) {
      refuse?.(fault)
      this.refuse(fault)
      return false
    }
    const { text, beside } = content.history
    const same = next.history.text === text && next.history.beside === beside
    if (same) this.show(next)
    else this.put(next)
    return true
  }

  /** What is on the bench, as it is stored. */
  texts(): LickTexts {
    return turnTexts(textsOf(this.content), this.turned)
  }

  /** Remembers the history for the next time that this tab opens the lick. */
  remember(): void {
    this.memory.write(this.opened.id, this.turned, this.content.history)
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
  if (text.length > MAX_TEXT && text.length > before.history.text.length) {
    return 'That would make the lick longer than 65,536 characters, so nothing was changed.'
  }
  if (beside === before.history.beside) return ''
  const read = parseVoicing(beside)
  return read.ok ? '' : `That is more than a lick can hold, so nothing was changed: ${read.error}.`
}
