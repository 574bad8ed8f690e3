/** Two clocks at one moment, both in milliseconds. */
export interface ClockPair {
  readonly device: number
  readonly page: number
}

const MOST_PAIRS = 64

/**
 * Maps a device's clock to the page's by the median of what many pairs say: single pairs are late by
 * whatever kept the page from reading them, never by a constant. A device that stopped and began anew is
 * noticed, since its pairs leave the others by more than any delay, and the older ones are forgotten.
 * Law: of pairs with one true difference, and any lateness in fewer than half of them, that difference.
 *
 * @example pairs 0-100, 10-110, 20-127: 30 on the device is 130 on the page
 */
export class ClockMap {
  private differences: number[] = []

  /** Takes a pair. */
  add({ device, page }: ClockPair): void {
    const difference = page - device
    if (this.known && Math.abs(difference - this.middle()) > STOPPED_MS) this.differences = []
    this.differences = [...this.differences, difference].slice(-MOST_PAIRS)
  }

  /** Whether anything can be mapped yet. */
  get known(): boolean {
    return this.differences.length > 0
  }

  /** A time of the device on the page's clock. */
  toPage(device: number): number {
    return device + this.middle()
  }

  private middle(): number {
    const sorted = [...this.differences].sort((a, b) => a - b)
    return sorted[(sorted.length - 1) >> 1] ?? 0
  }
}

/** No lateness of a page is this long; a pause of the device is. */
const STOPPED_MS = 500
