import { TICKS_PER_WHOLE, type Ticks } from './ticks'

/** A metre: n units of a note value, and how its units are grouped into beats that are felt. */
export interface Meter {
  readonly count: number
  readonly unit: 2 | 4 | 8 | 16
  /** The beat grouping in units; sums to `count`. */
  readonly groups: readonly number[]
}

/** No metre in use is longer; the limit keeps a bar drawable. */
export const MAX_METER_COUNT = 64

/**
 * The grouping a metre has when none is written: over 8 and 16, a multiple of three above three
 * goes in threes, all else in twos with a last three; over 2 and 4 every unit is a beat.
 *
 * @example defaultMeterGroups(7, 8) // [2, 2, 3]
 */
export function defaultMeterGroups(count: number, unit: Meter['unit']): number[] {
  if (unit < 8) return Array.from({ length: count }, () => 1)
  if (count > 3 && count % 3 === 0) return Array.from({ length: count / 3 }, () => 3)
  if (count < 4) return [count]
  const twos = Array.from({ length: Math.floor(count / 2) }, () => 2)
  return count % 2 === 0 ? twos : [...twos.slice(1), 3]
}

/**
 * A metre with its default grouping.
 *
 * @example toMeter(7, 8).groups // [2, 2, 3]
 */
export function toMeter(count: number, unit: Meter['unit']): Meter {
  return { count, unit, groups: defaultMeterGroups(count, unit) }
}

/**
 * Compound: over 8 or 16, more than three units, all in threes. Its beat is three units long.
 *
 * @example isCompound(toMeter(6, 8)) // true
 */
export function isCompound(meter: Meter): boolean {
  return meter.unit >= 8 && meter.count > 3 && meter.groups.every((group) => group === 3)
}

/**
 * Ticks of one unit: the note value under the line.
 *
 * @example unitTicks(toMeter(6, 8)) // 5040
 */
export function unitTicks(meter: Meter): Ticks {
  return TICKS_PER_WHOLE / meter.unit
}

/** Ticks of the beat that tempo and counting go by. Example: 6/8 15120, 7/8 5040, 4/4 10080. */
export function beatTicks(meter: Meter): Ticks {
  return unitTicks(meter) * (isCompound(meter) ? 3 : 1)
}

/**
 * Ticks of a bar.
 *
 * @example barTicks(toMeter(3, 4)) // 30240
 */
export function barTicks(meter: Meter): Ticks {
  return unitTicks(meter) * meter.count
}

/**
 * How many beats a bar has.
 *
 * @example beatsPerBar(toMeter(12, 8)) // 4
 */
export function beatsPerBar(meter: Meter): number {
  return barTicks(meter) / beatTicks(meter)
}

/**
 * Where the felt groups of a bar begin, in ticks from its barline; the first is 0.
 *
 * @example groupStarts(toMeter(7, 8)) // [0, 10080, 20160]
 */
export function groupStarts(meter: Meter): Ticks[] {
  let at = 0
  return meter.groups.map((group) => {
    const start = at
    at += group * unitTicks(meter)
    return start
  })
}

/**
 * The name of a metre as it is typed; the grouping only where it is not the default.
 *
 * @example meterName(toMeter(5, 4)) // '5/4'
 */
export function meterName(meter: Meter): string {
  const plain = `${meter.count}/${meter.unit}`
  const usual = defaultMeterGroups(meter.count, meter.unit)
  const asUsual =
    usual.length === meter.groups.length && usual.every((size, i) => size === meter.groups[i])
  return asUsual ? plain : `${plain} ${meter.groups.join('+')}`
}

/**
 * Reads `7/8` or `7/8 2+2+3`, or undefined where it is no metre or the groups do not add up.
 *
 * @example findMeter('6/8').count // 6
 */
export function findMeter(text: string): Meter | undefined {
  const match = /^(\d{1,3})\/(2|4|8|16)(?:\s+(\d+(?:\s*\+\s*\d+)*))?$/.exec(text)
  if (!match) return undefined
  const count = Number(match[1])
  const unit = Number(match[2]) as Meter['unit']
  if (count < 1 || count > MAX_METER_COUNT) return undefined
  if (match[3] === undefined) return toMeter(count, unit)
  const groups = match[3].split('+').map((part) => Number(part.trim()))
  const total = groups.reduce((sum, group) => sum + group, 0)
  return total === count && groups.every((group) => group > 0) ? { count, unit, groups } : undefined
}
