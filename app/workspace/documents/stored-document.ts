import type { Result } from '~/core/foundation'
import { followRecord, type Kept, type RecordSaver, type StoreIssue } from '~/storage'
import type { KeptTable, RecordOf } from '~/storage/tables'
import { Slices } from '../slices'
import {
  NO_STEPS,
  type Stepped,
  stepBack,
  stepDone,
  stepForth,
  stepFrom,
  type UndoStack,
} from './steps'

/** Why one of two versions of a record is kept beside the other. */
export type WhyAside = 'from another tab' | 'before the change'

/** How the content of a document is kept in a table. */
export interface Keeping<K extends KeptTable, T> {
  /** The record that stores a content. */
  readonly toRecord: (content: T) => RecordOf[K]
  /** The content that a record stores; null where it cannot be read. */
  readonly fromRecord: (record: RecordOf[K]) => T | null
  /** Keeps a version that is not used; nothing is decided where that fails. */
  readonly setAside: (record: RecordOf[K], why: WhyAside) => Promise<Result<unknown, StoreIssue>>
  /** Why a content cannot follow another, in words; empty where it can. */
  readonly faultOf?: (next: T, before: T) => string
  /** What is shown of a version from elsewhere, where a content has a history of its own. */
  readonly onTopOf?: (theirs: T, ours: T) => T
}

/** How a document hears of what is stored elsewhere. Returns the way to stop. */
export type Follow<K extends KeptTable> = (
  saver: RecordSaver<K>,
  hear: (theirs: Kept<RecordOf[K]> | 'deleted') => void,
) => () => void

/** A document as it stands. */
export interface DocumentState<T, V = null> {
  readonly content: T
  /** How the player looks at it: no change of this is kept or undone. */
  readonly view: V
  /** What can be undone and redone. */
  readonly steps: UndoStack<T>
  /** Whether it was deleted elsewhere. */
  readonly deleted: boolean
  /** Why the last change was not made, or what could not be decided, in words; empty where it was. */
  readonly refused: string
}

/**
 * Something that the player works on and that is kept as it changes: a lick, a kit, a set, a solo or a plan.
 * A change is made to the content as it stands when the change is made, and is handed to the saver in the
 * same step. What another tab saves while nothing waits here is shown, as one more step of undo; where
 * something waits, the saver is in conflict, and both versions are kept until someone decides: see `decisions`.
 *
 * @example document.edit((set) => ({ ...set, name: 'Wet' }), 'name'); document.undo()
 */
export class StoredDocument<K extends KeptTable, T, V = null> extends Slices<DocumentState<T, V>> {
  constructor(
    readonly saver: RecordSaver<K>,
    content: T,
    view: V,
    readonly keeping: Keeping<K, T>,
    private readonly follow: Follow<K> = followRecord,
  ) {
    super({ content, view, steps: NO_STEPS, deleted: false, refused: '' })
  }

  /** The content as it stands; the same object while it stays. */
  get content(): T {
    return this.current.content
  }

  /** The content as it is stored. */
  get record(): RecordOf[K] {
    return this.keeping.toRecord(this.content)
  }

  /** Follows what is stored for as long as the document is open. Returns the way to leave it. */
  open(): () => void {
    return this.follow(this.saver, this.hear)
  }

  /**
   * Changes the content as it stands now; a change that gives the same is none. Changes one after the other
   * that are `about` the same, as the letters of a name are, are one step of undo.
   */
  readonly edit = (change: (content: T) => T, about = ''): void => {
    const { content, steps } = this.current
    const next = change(content)
    if (next === content) return
    const refused = this.keeping.faultOf?.(next, content) ?? ''
    if (refused === '') this.put(next, stepFrom(steps, content, about))
    else this.patch({ refused })
  }

  readonly undo = (): void => this.goTo(stepBack(this.current.steps, this.content))
  readonly redo = (): void => this.goTo(stepForth(this.current.steps, this.content))

  /** The next change is a step of its own, whatever it is about. */
  endStep(): void {
    this.patch({ steps: stepDone(this.current.steps) })
  }

  /** Shows a content that is stored as it is. */
  protected show(content: T): void {
    this.patch({ content, refused: '' })
  }

  /** Looks at it otherwise. */
  protected look(view: V): void {
    this.patch({ view } as Partial<DocumentState<T, V>>)
  }

  /** Shows a content and hands it on to be saved. */
  protected put(content: T, steps: UndoStack<T> = this.current.steps): void {
    this.patch({ content, steps, refused: '' })
    this.saver.change(this.keeping.toRecord(content))
  }

  /** Tells why something was not done, in words; with none, that all is well. */
  readonly refuse = (refused: string): void => this.patch({ refused })

  private goTo(step: Stepped<T> | null): void {
    if (step) this.put(step.state, step.steps)
  }

  /** What is stored is newer than what is here, of which nothing waits. */
  readonly hear = (theirs: Kept<RecordOf[K]> | 'deleted'): void => {
    if (theirs === 'deleted') this.patch({ deleted: true })
    else this.take(theirs)
  }

  private take(theirs: Kept<RecordOf[K]>): void {
    const { content, steps } = this.current
    const read = this.keeping.fromRecord(theirs)
    if (read === null) return
    const { onTopOf } = this.keeping
    this.patch({
      deleted: false,
      refused: '',
      ...(onTopOf
        ? { content: onTopOf(read, content) }
        : { content: read, steps: stepFrom(steps, content) }),
    })
  }

  /** It is in use again. */
  isBack(): void {
    this.patch({ deleted: false })
  }

  /** Theirs is shown, and ours forgotten: it is kept elsewhere. */
  giveUp(theirs: Kept<RecordOf[K]>): void {
    this.saver.rebase(theirs)
    this.take(theirs)
  }
}
