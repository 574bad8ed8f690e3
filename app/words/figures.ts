/** Figures as they are shown: never more digits than a drummer reads, and nothing wrongly joined. */

const RULES = new Intl.PluralRules('en-GB')
const LIST = new Intl.ListFormat('en-GB', { type: 'conjunction' })

/** Slots, to a hundredth where a grid change leaves a fraction. */
export function slots(count: number): string {
  return String(Math.round(count * 100) / 100)
}

/** Milliseconds as the model has them: whole, since it is no more exact. */
export function wholeMs(ms: number): string {
  return String(Math.round(ms))
}

/** Rates, and milliseconds that were measured, to a tenth. */
export function tenth(value: number): string {
  return value.toFixed(1)
}

/**
 * A tempo of the model, in whole beats a minute: the model is no more exact. Down, so that what is said to be
 * playable is.
 *
 * @example wholeTempo(136.36) is '136'
 */
export function wholeTempo(bpm: number): string {
  return String(Math.floor(bpm + 1e-6))
}

/** A tempo that was played or typed: to a tenth, without a nought behind the point. */
export function tempoFigure(tempo: number): string {
  return String(Math.round(tempo * 10) / 10)
}

/** A number of things: `1 bar`, `2 bars`; of a word that takes no `s`, `many` is its plural. */
export function plural(count: number, word: string, many = `${word}s`): string {
  return `${count} ${RULES.select(count) === 'one' ? word : many}`
}

/** Things one after the other: `2`, `2 and 4`, `2, 3 and 4`. */
export function listWords(things: readonly (string | number)[]): string {
  return LIST.format(things.map(String))
}

/** Slots from one to before another, counted from 1: `slot 6`, `slots 6 and 7`, `slots 3 to 8`. */
export function slotsWords({ from, to }: { readonly from: number; readonly to: number }): string {
  if (to - from <= 1) return `slot ${from + 1}`
  return to - from === 2 ? `slots ${from + 1} and ${to}` : `slots ${from + 1} to ${to}`
}

/** `once`, `twice`, `3 times`. */
export function often(count: number): string {
  return ['not once', 'once', 'twice'][count] ?? `${count} times`
}
