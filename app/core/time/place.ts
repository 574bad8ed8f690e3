import { gcd } from '../foundation'
import { barTicks, beatTicks, type Meter } from './meter'
import type { Ticks } from './ticks'

/** The names that drummers give to parts of a beat, as exact fractions of it. */
const NAMED_PARTS: readonly (readonly [name: string, top: number, bottom: number])[] = [
  ['e', 1, 4],
  ['&', 1, 2],
  ['a', 3, 4],
  ['trip', 1, 3],
  ['let', 2, 3],
]

/**
 * Reads a place in the bar, such as `3`, `2&`, `4trip` or `3+1/6`, as ticks from the barline.
 * Undefined where it is no place, lies outside the bar, or on no whole tick.
 *
 * @example findPlace('3&', toMeter(4, 4)) // 25200
 */
export function findPlace(text: string, meter: Meter): Ticks | undefined {
  const match = /^(\d{1,3})(?:(e|&|a|trip|let)|\+(\d{1,5})\/(\d{1,5}))?$/.exec(text)
  if (!match) return undefined
  const beat = Number(match[1])
  let [top, bottom] = [0, 1]
  const named = NAMED_PARTS.find(([name]) => name === match[2])
  if (named) [, top, bottom] = named
  else if (match[3] !== undefined) [top, bottom] = [Number(match[3]), Number(match[4])]
  if (bottom === 0 || top >= bottom) return undefined
  const ticks = (beat - 1) * beatTicks(meter) + (top * beatTicks(meter)) / bottom
  if (beat < 1 || !Number.isInteger(ticks) || ticks >= barTicks(meter)) return undefined
  return ticks
}

/**
 * The canonical name of a place in the bar: the inverse of `findPlace`.
 *
 * @example placeName(25200, toMeter(4, 4)) // '3&'
 */
export function placeName(ticks: Ticks, meter: Meter): string {
  const beat = beatTicks(meter)
  if (!Number.isInteger(ticks) || ticks < 0 || ticks >= barTicks(meter)) {
    throw new RangeError(`place ${ticks}: must be whole ticks from 0 to below ${barTicks(meter)}`)
  }
  const number = Math.floor(ticks / beat) + 1
  const part = ticks % beat
  if (part === 0) return String(number)
  const named = NAMED_PARTS.find(([, top, bottom]) => part * bottom === top * beat)
  if (named) return `${number}${named[0]}`
  const shared = gcd(part, beat)
  return `${number}+${part / shared}/${beat / shared}`
}
