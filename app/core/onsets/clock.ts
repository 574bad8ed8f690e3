import { firstWhere } from '../foundation'

/** Two clocks at one moment, both in milliseconds. */
export interface ClockPair {
  readonly device: number
  readonly page: number
}

const MAX_PAIRS = 64

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
    this.differences = [...this.differences, difference].slice(-MAX_PAIRS)
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

/** A stroke is told of within so many milliseconds, however busy the page is. */
const KEPT_MS = 10_000

/**
 * Where a device's clock stood at any moment of the page's last ten seconds, in milliseconds: also where it
 * stood still or fell behind in between, which no constant difference tells. A straight line between the pairs
 * on either side (linear interpolation); before the first pair and after the last the clocks go alike.
 * Law: of pairs that both go up, a later moment of the page is never an earlier one of the device.
 *
 * @example pairs 0-100, 10-110, 10-150: the page's 130 is the device's 10, and 155 is 15
 */
export class ClockTrail {
  private readonly pairs: ClockPair[] = []

  /** Takes a pair, read later than the others. */
  add(pair: ClockPair): void {
    const { pairs } = this
    while (pairs[0] && pairs[0].page < pair.page - KEPT_MS) pairs.shift()
    pairs.push(pair)
  }

  /** A time of the page on the device's clock; undefined before the first pair. */
  toDevice(page: number): number | undefined {
    const { pairs } = this
    const after = firstWhere(pairs, (pair) => pair.page > page)
    const [from, to] = [pairs[after - 1] ?? pairs[0], pairs[after]]
    if (!from) return undefined
    if (!to || to === from) return from.device + (page - from.page)
    const share = (page - from.page) / (to.page - from.page)
    return from.device + share * (to.device - from.device)
  }
}
