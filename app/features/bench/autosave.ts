import type { Result } from '~/core/foundation'
import type { LickTexts, StoreIssue } from '~/storage'

export type SaveState =
  | { readonly kind: 'saved' }
  | { readonly kind: 'waiting' }
  | { readonly kind: 'failed'; readonly issue: StoreIssue }

export type SaveTexts = (revision: number, texts: LickTexts) => Promise<Result<number, StoreIssue>>

const SAVED: SaveState = { kind: 'saved' }
const WAITING: SaveState = { kind: 'waiting' }

/** Saved this long after the last change; well within a second. */
const QUIET_MS = 350
/** A save that failed is tried again. */
const RETRY_MS = 5000

/**
 * Saves the newest texts a moment after the last change, one save at a time, each on top of the
 * revision that the one before returned. After a conflict it rests until it is told what to do.
 */
export class Autosave {
  private timer: ReturnType<typeof setTimeout> | undefined
  private pending: LickTexts | undefined
  private running: Promise<void> | undefined
  private blocked = false
  private failing = false
  private stated: SaveState = SAVED
  private readonly listeners = new Set<() => void>()

  constructor(
    private revision: number,
    private readonly save: SaveTexts,
  ) {}

  /** Calls back whenever the state becomes another. Returns the way to stop. */
  readonly subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener)
    return () => this.listeners.delete(listener)
  }

  /** The state as it stands; the same object while it stays. */
  readonly state = (): SaveState => this.stated

  private tell(state: SaveState): void {
    if (state === this.stated) return
    this.stated = state
    for (const listener of this.listeners) listener()
  }

  /** The revision in the store as far as this tab knows. */
  get known(): number {
    return this.revision
  }

  get busy(): boolean {
    return this.pending !== undefined || this.running !== undefined
  }

  change(texts: LickTexts): void {
    this.pending = texts
    this.tell(WAITING)
    if (this.blocked) return
    clearTimeout(this.timer)
    this.timer = setTimeout(() => void this.flush(), QUIET_MS)
  }

  /** Saves what is waiting, now. Resolves when nothing waits any more. */
  async flush(): Promise<void> {
    clearTimeout(this.timer)
    while (this.running) await this.running
    if (!this.pending || this.blocked) return
    const texts = this.pending
    this.pending = undefined
    this.running = this.saveOnce(texts)
    await this.running
    this.running = undefined
    if (this.pending && !this.failing) await this.flush()
  }

  /** Goes on from another revision, what waited forgotten: the other tab's version was taken. */
  restart(revision: number): void {
    clearTimeout(this.timer)
    this.pending = undefined
    this.blocked = false
    this.revision = revision
    this.tell(SAVED)
  }

  private async saveOnce(texts: LickTexts): Promise<void> {
    const saved = await this.save(this.revision, texts)
    this.failing = !saved.ok
    if (saved.ok) {
      this.revision = saved.value
      this.tell(this.pending ? WAITING : SAVED)
      return
    }
    this.blocked = saved.error.code === 'conflict'
    this.pending ??= texts
    this.tell({ kind: 'failed', issue: saved.error })
    if (!this.blocked) this.timer = setTimeout(() => void this.flush(), RETRY_MS)
  }
}
