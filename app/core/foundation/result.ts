/** The outcome of reading or changing something that may foreseeably fail: a value, or issues as data. */
export type Result<T, E> =
  | { readonly ok: true; readonly value: T }
  | { readonly ok: false; readonly error: E }

/**
 * Wraps a value as a success.
 *
 * @example ok(4) // { ok: true, value: 4 }
 */
export function ok<T>(value: T): Result<T, never> {
  return { ok: true, value }
}

/**
 * Wraps issues as a failure.
 *
 * @example fail('too long') // { ok: false, error: 'too long' }
 */
export function fail<E>(error: E): Result<never, E> {
  return { ok: false, error }
}
