/**
 * A state without a page, that rows and panels read in slices. Every part of it is a value; one that did
 * not change is the same object. What several changes make together is told once.
 * Example: a page subscribes, reads `state()`, and asks the class that extends this for changes.
 */
export class Slices<S extends object> {
  private readonly listeners = new Set<() => void>()
  /** How many changes are being made as one, one in the other. */
  private depth = 0
  /** The state that was last told. */
  private told: S

  constructor(protected current: S) {
    this.told = current
  }

  readonly subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener)
    return () => void this.listeners.delete(listener)
  }

  /** The state as it stands; the same object while it stays. */
  readonly state = (): S => this.current

  /** Does several things as one: who listens hears of them once, at the end. */
  together(work: () => void): void {
    this.depth += 1
    try {
      work()
    } finally {
      this.depth -= 1
      this.tellChange()
    }
  }

  protected patch(changed: Partial<S>): void {
    this.current = { ...this.current, ...changed }
    this.tellChange()
  }

  private tellChange(): void {
    if (this.depth > 0 || this.told === this.current) return
    this.told = this.current
    for (const listener of [...this.listeners]) listener()
  }
}
