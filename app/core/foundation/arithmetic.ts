/**
 * The greatest common divisor of two whole numbers; `gcd(0, n)` is n. Euclid's algorithm.
 *
 * @example gcd(12, 18) // 6
 */
export function gcd(a: number, b: number): number {
  let [x, y] = [Math.abs(a), Math.abs(b)]
  while (y !== 0) [x, y] = [y, x % y]
  return x
}

/**
 * The least common multiple of two positive whole numbers. Throws RangeError on anything below 1.
 *
 * @example lcm(4, 6) // 12
 */
export function lcm(a: number, b: number): number {
  if (a < 1 || b < 1) throw new RangeError(`lcm of ${a} and ${b}: both must be at least 1`)
  return (a / gcd(a, b)) * b
}

/**
 * The remainder that is never negative: `modulo(-1, 4)` is 3.
 *
 * @example modulo(-1, 4) // 3
 */
export function modulo(value: number, by: number): number {
  const rest = value % by
  // Never -0: it is equal to 0, but does not look it.
  return rest < 0 ? rest + by : rest + 0
}

/**
 * The whole number nearest to value, halves going up: `roundHalfUp(0.5)` is 1, of -0.5 it is 0.
 *
 * @example [2.5, -2.5].map(roundHalfUp) // [3, -2]
 */
export function roundHalfUp(value: number): number {
  return Math.floor(value + 0.5)
}

/**
 * The middle of some numbers; 0 of none.
 *
 * @example medianOf([9, 1, 4, 2]) // 3
 */
export function medianOf(values: readonly number[]): number {
  const sorted = [...values].sort((a, b) => a - b)
  const middle = sorted.length >> 1
  if (sorted.length === 0) return 0
  return sorted.length % 2 === 1
    ? (sorted[middle] as number)
    : ((sorted[middle - 1] as number) + (sorted[middle] as number)) / 2
}
