import type { Mode } from './resonators'

/** A mode of a circular membrane: its lines across, the zero of its Bessel function, and that function's order. */
interface HeadMode {
  readonly order: number
  readonly zero: number
}

/**
 * The nine lowest modes of a circular membrane; their ratios to the lowest are 1, 1.59, 2.14, 2.30, 2.65, 2.92,
 * 3.16, 3.50 and 3.60. Source: N. H. Fletcher and T. D. Rossing, The Physics of Musical Instruments, 2nd ed. 1998,
 * ch. 18; zeros of Bessel functions in M. Abramowitz and I. Stegun, Handbook of Mathematical Functions, table 9.5.
 */
const HEAD_MODES: readonly HeadMode[] = [
  { order: 0, zero: 2.40483 },
  { order: 1, zero: 3.83171 },
  { order: 2, zero: 5.13562 },
  { order: 0, zero: 5.52008 },
  { order: 3, zero: 6.38016 },
  { order: 1, zero: 7.01559 },
  { order: 4, zero: 7.58834 },
  { order: 2, zero: 8.41724 },
  { order: 0, zero: 8.65373 },
]

/** Ratios of the modes to the lowest. */
export const HEAD_RATIOS: readonly number[] = HEAD_MODES.map(({ zero }) => zero / 2.40483)

/**
 * The Bessel function of the first kind, by its series: enough terms for what a head has.
 * Source: M. Abramowitz and I. Stegun, Handbook of Mathematical Functions, 9.1.10.
 *
 * @example bessel(0, 0) // 1
 */
export function bessel(order: number, x: number): number {
  let term = 1
  for (let k = 1; k <= order; k += 1) term *= x / 2 / k
  let sum = term
  for (let k = 1; k < 24; k += 1) {
    term *= -((x / 2) ** 2) / (k * (k + order))
    sum += term
  }
  return sum
}

/** A head: its lowest pitch in hertz, and how long that sounds, in seconds. */
export interface Head {
  readonly hertz: number
  readonly seconds: number
  /** How much sooner higher modes die away: 0 all alike. */
  readonly damping: number
  /** How far the second head and the air between pull the lowest mode down, as a part of its pitch. */
  readonly air: number
}

/**
 * The modes of a head that is struck at a part of its radius from the centre (0) to the rim (1): in the centre the
 * round ones alone, further out more of the others. What swings in more parts is heard less from afar.
 * Law: at the rim nothing swings; at the centre only modes of order 0 do.
 */
export function modesOfHead({ hertz, seconds, damping, air }: Head, place: number): Mode[] {
  return HEAD_MODES.map(({ order, zero }, i) => {
    const ratio = HEAD_RATIOS[i] as number
    const mass = Math.abs(bessel(order + 1, zero))
    return {
      hertz: hertz * (i === 0 ? 1 - air : ratio),
      seconds: seconds / (1 + damping * (ratio - 1)),
      gain: bessel(order, zero * place) / mass / (1 + 0.6 * order),
    }
  })
}
