/** Something that is fetched when it is needed. */
export type LateState<T> =
  | { readonly kind: 'waiting' }
  | { readonly kind: 'here'; readonly value: T }
  | { readonly kind: 'failed'; readonly error: unknown }

const WAITING = { kind: 'waiting' } as const

/**
 * A value that is fetched once, when someone listens first or beforehand, and then is there for good. What
 * could not be fetched is asked for again by the next who listens after nobody did. Listeners and state go
 * together: what comes between a look at the state and listening to it is not missed.
 */
export class LateValue<T> {
  private shown: LateState<T> = WAITING
  private asked: Promise<void> | undefined
  private readonly listeners = new Set<() => void>()

  constructor(private readonly fetch: () => Promise<T>) {}

  /** The state as it stands; the same object while it stays. */
  readonly state = (): LateState<T> => this.shown

  readonly subscribe = (listener: () => void): (() => void) => {
    if (this.listeners.size === 0 && this.shown.kind === 'failed') this.shown = WAITING
    this.listeners.add(listener)
    void this.preload()
    return () => void this.listeners.delete(listener)
  }

  /** Fetches it, unless it is here or on its way. Never rejects: see the state. */
  readonly preload = (): Promise<void> => {
    if (this.shown.kind === 'here') return Promise.resolve()
    this.asked ??= this.fetch().then(
      (value) => this.tell({ kind: 'here', value }),
      (error: unknown) => {
        this.asked = undefined
        // Nobody waits for what is fetched beforehand: whoever needs it asks again.
        if (this.listeners.size > 0) this.tell({ kind: 'failed', error })
      },
    )
    return this.asked
  }

  private tell(state: LateState<T>): void {
    this.shown = state
    for (const listener of [...this.listeners]) listener()
  }
}
