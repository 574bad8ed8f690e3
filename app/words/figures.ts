/** Figures as they are shown: never more digits than a drummer reads. */

/** Slots, to a hundredth where a grid change leaves a fraction. */
export function slots(count: number): string {
  return String(Math.round(count * 100) / 100)
}

/** Milliseconds and rates, to a tenth. */
export function tenth(value: number): string {
  return value.toFixed(1)
}

/** `1 bar`, `2 bars`. */
export function plural(count: number, word: string): string {
  return `${count} ${word}${count === 1 ? '' : 's'}`
}

/** `once`, `twice`, `3 times`. */
export function often(count: number): string {
  return ['not once', 'once', 'twice'][count] ?? `${count} times`
}
