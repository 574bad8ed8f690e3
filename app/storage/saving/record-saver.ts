import type { Result } from '~/core/foundation'
import type { StoreIssue } from '../issue'
import { type Kept, type KeptTable, type RecordOf, sameContent } from '../tables'
import type { Journal } from './journal'

/** Whether what a page holds of a record is in the store. */
export type SaveState<R> =
  | { readonly kind: 'saved' }
  /** Written down in the journal, and on its way. */
  | { readonly kind: 'waiting' }
  /** Tried again by itself until it works. */
  | { readonly kind: 'failed'; readonly issue: StoreIssue }
  /** Changed elsewhere since: both are kept until someone decides. Theirs is null where it is deleted. */
  | { readonly kind: 'conflict'; readonly theirs: Kept<R> | null }

/** What a saver asks of the store and of the clock. */
export interface SaverPorts<R> {
  /** Saves the change of a number, made on a revision. */
  readonly save: (
    record: R,
    base: number | null,
    count: number,
  ) => Promise<Result<number, StoreIssue>>
  /** The record as it is stored; undefined where it is deleted, or not there. */
  readonly load: () => Promise<Result<Kept<R> | undefined, StoreIssue>>
  readonly journal: Pick<Journal, 'next' | 'note' | 'drop'>
}

/** A change is in the store this long after it was made, also while more changes follow. */
const WITHIN_MS = 120
/** A save that failed is tried again. */
const RETRY_MS = 3000

const SAVED = { kind: 'saved' } as const
const WAITING = { kind: 'waiting' } as const

/**
 * Keeps one record in the store as it changes. Every change is journalled in the same step; the newest
 * is saved at most 120 ms later, one save at a time, each on the revision that the one before
 * returned. States: saved, waiting, failed (tried again), conflict (rests until it is decided, while
 * further changes are still journalled).
 */
export class RecordSaver<T extends KeptTable> {
  private timer: ReturnType<typeof setTimeout> | undefined
  private pending: RecordOf[T] | undefined
  /** The number of the newest change. */
  private count = 0
  private running: Promise<void> | undefined
  private stated: SaveState<RecordOf[T]> = SAVED
  private readonly listeners = new Set<() => void>()
  /** False where the journal had no room: leaving now would lose it. */
  journalled = true

  constructor(
    readonly table: T,
    readonly id: string,
    private revision: number | null,
    private readonly ports: SaverPorts<RecordOf[T]>,
    /** What is known to be stored at that revision; undefined where it was never read. */
    private known?: RecordOf[T],
  ) {}

  readonly subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener)
    return () => this.listeners.delete(listener)
  }

  /** The state as it stands; the same object while it stays. */
  readonly state = (): SaveState<RecordOf[T]> => this.stated

  /** Whether something is not in the store yet. */
  get busy(): boolean {
    return this.pending !== undefined || this.running !== undefined
  }

  /** What waits to be saved, or is being decided about. */
  get waiting(): RecordOf[T] | undefined {
    return this.pending
  }

  /** Takes the newest state: journalled now, in the store a moment later. */
  change(record: RecordOf[T]): void {
    this.pending = record
    this.count = this.ports.journal.next()
    this.journalled = this.noteDown(record)
    if (this.stated.kind === 'conflict') return
    if (this.stated.kind !== 'failed') this.tell(WAITING)
    this.timer ??= setTimeout(() => void this.flush(), this.journalled ? WITHIN_MS : 0)
  }

  private noteDown(record: RecordOf[T]): boolean {
    return this.ports.journal.note(this.table, this.id, this.revision, record, this.count)
  }

  /** Saves what waits, now. Resolves when nothing waits any more, or it cannot be saved. */
  async flush(): Promise<void> {
    clearTimeout(this.timer)
    this.timer = undefined
    while (this.running) await this.running
    const record = this.pending
    if (record === undefined || this.stated.kind === 'conflict') return
    this.pending = undefined
    this.running = this.saveOnce(record).finally(() => {
      this.running = undefined
    })
    await this.running
    if (this.pending !== undefined && this.stated.kind === 'waiting') await this.flush()
  }

  private async saveOnce(record: RecordOf[T]): Promise<void> {
    const saved = await this.ports.save(record, this.revision, this.count)
    if (saved.ok) {
      this.revision = saved.value
      this.known = record
      if (this.pending === undefined) this.ports.journal.drop(this.table, this.id)
      else this.noteDown(this.pending)
      this.tell(this.pending === undefined ? SAVED : WAITING)
      return
    }
    this.pending ??= record
    const { code } = saved.error
    if (code === 'conflict' || code === 'deleted' || code === 'missing') await this.detectConflict()
    else this.failedBy(saved.error)
  }

  private failedBy(issue: StoreIssue): void {
    this.tell({ kind: 'failed', issue })
    clearTimeout(this.timer)
    this.timer = setTimeout(() => void this.flush(), RETRY_MS)
  }

  /** What is stored is not what was known: the same after all, or another version to be decided about. */
  private async detectConflict(): Promise<void> {
    const stored = await this.ports.load()
    if (!stored.ok) {
      this.failedBy(stored.error)
      return
    }
    const ours = this.pending
    // It was given up while the store was asked.
    if (ours === undefined) return
    if (stored.value && sameContent<T>(ours, stored.value)) {
      this.rebase(stored.value)
      return
    }
    this.tell({ kind: 'conflict', theirs: stored.value ?? null })
  }

  /**
   * Tells that the store has changed. Returns what is stored where that is newer than what is here and
   * nothing of ours waits: the page takes it over. Where something waits, it is a conflict. What was never
   * stored cannot have been deleted.
   */
  async checkStored(): Promise<Kept<RecordOf[T]> | 'deleted' | undefined> {
    while (this.running) await this.running
    const before = this.revision
    const stored = await this.ports.load()
    // A save of ours that was on its way meanwhile meets by itself whatever is newer, and what was read may be older
    // than that save. It is not read again: asked after each save, a page that is typed in would only read.
    if (!stored.ok || this.running || this.revision !== before) return undefined
    const theirs = stored.value
    const known = this.revision
    if (known === null ? !theirs : theirs && theirs.revision <= known) return undefined
    if (this.pending !== undefined) {
      await this.detectConflict()
      return this.pending === undefined ? this.checkStored() : undefined
    }
    if (!theirs) return 'deleted'
    this.revision = theirs.revision
    this.known = theirs
    return theirs
  }

  /** Ours stays, if it still waits: it is saved over what is stored, which is kept elsewhere. */
  keepMine(stored: Kept<RecordOf[T]>): void {
    if (this.pending === undefined) return
    this.revision = stored.revision
    this.known = stored
    this.tell(WAITING)
    void this.flush()
  }

  /**
   * It came back from the bin: what waits is saved on top of what was known to be there. Where that is another
   * version by now, it is a conflict.
   */
  async forceSave(): Promise<void> {
    const stored = await this.ports.load()
    if (!stored.ok || !stored.value || this.pending === undefined) return
    const isKnown = this.known === undefined || sameContent<T>(this.known, stored.value)
    if (isKnown) this.keepMine(stored.value)
    else await this.detectConflict()
  }

  /** What is stored stays: what waited is forgotten, and the record goes on from there. */
  rebase(stored: Kept<RecordOf[T]>): void {
    this.revision = stored.revision
    this.known = stored
    this.giveUp()
  }

  /** What waits is given up: it is kept elsewhere. */
  giveUp(): void {
    clearTimeout(this.timer)
    this.timer = undefined
    this.pending = undefined
    this.ports.journal.drop(this.table, this.id)
    this.tell(SAVED)
  }

  private tell(state: SaveState<RecordOf[T]>): void {
    if (state === this.stated) return
    this.stated = state
    for (const listener of [...this.listeners]) listener()
  }
}
