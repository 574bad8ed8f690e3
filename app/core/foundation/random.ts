/** A stream of numbers in [0, 1) that is the same for the same seed. */
export type RandomStream = () => number

/**
 * A seeded stream: a 32-bit multiplicative generator with an additive counter (mulberry32,
 * T. Ettinger, public domain). Good enough for noise and for drawing; not for secrets.
 *
 * @example toRandomStream(7)() === toRandomStream(7)() // true
 */
export function toRandomStream(seed: number): RandomStream {
  let state = seed >>> 0
  return () => {
    state = (state + 0x6d2b79f5) >>> 0
    let mixed = state
    mixed = Math.imul(mixed ^ (mixed >>> 15), mixed | 1)
    mixed ^= mixed + Math.imul(mixed ^ (mixed >>> 7), mixed | 61)
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 4294967296
  }
}
