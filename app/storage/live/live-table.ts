import type { Result } from '~/core/foundation'
import { onStoreChange } from '../changes'
import type { StoreIssue } from '../issue'

/** What a page sees of a table: its rows as far as they are here, and whether that is all. */
export type LiveState<T> =
  | { readonly kind: 'opening'; readonly rows: readonly T[] }
  | { readonly kind: 'ready'; readonly rows: readonly T[]; readonly unreadable: number }
  | { readonly kind: 'failed'; readonly rows: readonly T[]; readonly issue: StoreIssue }

/** A row as a table gave it: what a page shows of it, nothing where it is not to be shown. */
export interface ReadRow<T> {
  readonly id: string
  /** Undefined for what is deleted; null for what cannot be read. */
  readonly value: T | undefined | null
}

/** Where a live table reads from. */
export interface LiveSource<T> {
  readonly table: string
  /** Rows in the order of their ids, from behind one on; fewer than asked for at the end. */
  readonly chunk: (
    after: string,
    most: number,
  ) => Promise<Result<{ rows: readonly ReadRow<T>[]; last: string | null }, StoreIssue>>
  /** Rows by their ids; those that are not there are left out. */
  readonly some: (ids: readonly string[]) => Promise<Result<readonly ReadRow<T>[], StoreIssue>>
  readonly order?: (a: T, b: T) => number
  /** Whether it is forgotten when nobody listens any more, and read anew for the next who does. */
  readonly passing?: boolean
}

const CHUNK = 400
/** Of many rows, what comes in quick succession is told together: so many milliseconds apart. */
const MANY_ROWS = 1000
const APART_MS = 200

/**
 * The rows of a table as they are, in this tab and in every other: read once, in chunks that leave the
 * page alive, then row by row as they change. A failure is a state, and is tried again by `open`.
 * States: opening, then ready or failed; a failed one opens again when asked.
 */
export class LiveTable<T> {
  private readonly values = new Map<string, T>()
  private readonly broken = new Set<string>()
  private readonly dirty = new Set<string>()
  private readonly listeners = new Set<() => void>()
  private state: LiveState<T> = { kind: 'opening', rows: [] }
  private opening: Promise<LiveState<T>> | undefined
  private reading: Promise<void> | undefined
  private toldAt = Number.NEGATIVE_INFINITY
  private stopListening: (() => void) | undefined

  constructor(private readonly source: LiveSource<T>) {}

  /** The rows as they are known; the same object while they stay. */
  readonly snapshot = (): LiveState<T> => this.state

  /** Calls back after every change; opens the table if it is not. Returns the way to stop. */
  readonly subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener)
    void this.open()
    return () => {
      this.listeners.delete(listener)
      if (this.source.passing && this.listeners.size === 0) this.forget()
    }
  }

  private forget(): void {
    this.stopListening?.()
    this.stopListening = undefined
    this.opening = undefined
    this.state = { kind: 'opening', rows: this.state.rows }
  }

  /** Resolves when everything has been read, or could not be. */
  open(): Promise<LiveState<T>> {
    if (this.state.kind === 'failed') this.opening = undefined
    this.opening ??= this.readAll()
    return this.opening
  }

  /** Resolves when the first rows are here, or that failed: enough for a page to begin with. */
  started(): Promise<void> {
    void this.open()
    if (this.state.kind !== 'opening' || this.state.rows.length > 0) return this.idle()
    return new Promise((resolve) => {
      const listener = () => {
        this.listeners.delete(listener)
        resolve()
      }
      this.listeners.add(listener)
    })
  }

  private async idle(): Promise<void> {
    while (this.reading) await this.reading
  }

  /** Resolves when what has changed so far is in the rows. */
  async settled(): Promise<LiveState<T>> {
    await this.open()
    await this.idle()
    return this.state
  }

  private async readAll(): Promise<LiveState<T>> {
    this.stopListening ??= onStoreChange(({ table, ids }) => {
      if (table === this.source.table) this.heard(ids)
    })
    this.values.clear()
    this.broken.clear()
    this.toldAt = Number.NEGATIVE_INFINITY
    let after = ''
    for (;;) {
      const read = await this.source.chunk(after, CHUNK)
      if (!read.ok) {
        this.tell({ kind: 'failed', rows: [...this.values.values()], issue: read.error })
        return this.state
      }
      for (const row of read.value.rows) this.take(row)
      if (read.value.last === null) break
      after = read.value.last
      // The first rows at once; the others now and then.
      if (performance.now() - this.toldAt >= APART_MS)
        this.tell({ kind: 'opening', rows: this.sorted() })
    }
    this.ready()
    if (this.dirty.size > 0) this.heard([])
    return this.state
  }

  private heard(ids: readonly string[]): void {
    for (const id of ids) this.dirty.add(id)
    if (this.state.kind === 'ready') this.reading ??= this.readDirty()
  }

  private async readDirty(): Promise<void> {
    while (this.dirty.size > 0) {
      const ids = [...this.dirty]
      this.dirty.clear()
      const read = await this.source.some(ids)
      if (!read.ok) {
        this.reading = undefined
        this.tell({ kind: 'failed', rows: this.sorted(), issue: read.error })
        return
      }
      const found = new Set(read.value.map(({ id }) => id))
      for (const id of ids) if (!found.has(id)) this.take({ id, value: undefined })
      for (const row of read.value) this.take(row)
    }
    await this.pause()
    if (this.dirty.size > 0) return this.readDirty()
    this.reading = undefined
    this.ready()
  }

  /** Waits, where there are many rows and they were told of a moment ago. */
  private async pause(): Promise<void> {
    const left = this.values.size < MANY_ROWS ? 0 : APART_MS - (performance.now() - this.toldAt)
    if (left > 0) await new Promise((resolve) => setTimeout(resolve, left))
  }

  private take({ id, value }: ReadRow<T>): void {
    if (value === null) this.broken.add(id)
    else this.broken.delete(id)
    if (value === undefined || value === null) this.values.delete(id)
    else this.values.set(id, value)
  }

  private ready(): void {
    this.tell({ kind: 'ready', rows: this.sorted(), unreadable: this.broken.size })
  }

  private sorted(): T[] {
    const rows = [...this.values.values()]
    return this.source.order ? rows.sort(this.source.order) : rows
  }

  private tell(state: LiveState<T>): void {
    this.state = state
    this.toldAt = performance.now()
    for (const listener of [...this.listeners]) listener()
  }
}
