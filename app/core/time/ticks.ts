/** Whole ticks, 10080 to a quarter note, counted from the barline of the fill's bar. */
export type Ticks = number & { readonly __ticks?: never }

/** 10080 = 2^5 * 3^2 * 5 * 7: every grid of the format and most squeezes divide it exactly. */
export const TICKS_PER_QUARTER: Ticks = 10080

export const TICKS_PER_WHOLE: Ticks = 4 * TICKS_PER_QUARTER

/**
 * Seconds that one tick lasts at a tempo. `beatTicks` is the beat that the tempo counts.
 *
 * @example secondsPerTick(60, 10080) * 10080 // 1
 */
export function secondsPerTick(tempo: number, beatTicks: Ticks): number {
  return 60 / tempo / beatTicks
}
