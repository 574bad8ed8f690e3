/** What a number field takes: whole numbers, or with decimals, from `min` to `max`. */
export interface NumberRange {
  readonly min: number
  readonly max: number
  readonly whole?: boolean
}

/**
 * What is typed in a number field: a number that is taken at once; one that more digits could still
 * turn into another, taken when the typing ends; or none, and why.
 */
export type NumberReading =
  | { readonly kind: 'taken'; readonly value: number }
  | { readonly kind: 'waiting'; readonly value: number }
  | { readonly kind: 'wrong'; readonly message: string }

/**
 * Reads what is typed. Example: from 20 to 400, `12` is wrong but may go on, `72` is taken at once
 * since no longer number is in the range, `30` waits, for it may become 300.
 */
export function readNumber(typed: string, range: NumberRange): NumberReading {
  const { min, max, whole = true } = range
  const text = typed.trim().replace(',', '.')
  const pattern = whole ? /^-?\d{1,6}$/ : /^-?\d{1,6}(\.\d{0,4})?$/
  const value = pattern.test(text) ? Number(text) : Number.NaN
  if (!(value >= min && value <= max)) {
    const kind = whole ? 'a whole number' : 'a number'
    return { kind: 'wrong', message: `Type ${kind} from ${min} to ${max}` }
  }
  const goesOn = Math.abs(value) * 10 <= Math.max(Math.abs(min), Math.abs(max)) || !whole
  return { kind: goesOn ? 'waiting' : 'taken', value }
}

/** A number so many steps on, within the range. */
export function stepNumber(value: number, by: number, { min, max }: NumberRange): number {
  const stepped = Math.round((value + by) * 1e4) / 1e4
  return Math.min(max, Math.max(min, stepped))
}

/** A number as a field shows it: to four decimals at the most. */
export function showNumber(value: number): string {
  return String(Math.round(value * 1e4) / 1e4)
}
