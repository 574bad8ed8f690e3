import { FORMAT_VERSION_NAME } from './version'

/** The row that every lick text begins with. */
const HEAD = /^[ \t]*dime-lick[ \t]*:/i

/**
 * Several licks as one text, each with its head row, a blank row between.
 *
 * @example splitLickTexts(joinLickTexts(['line: R', 'line: L'])).length // 2
 */
export function joinLickTexts(texts: readonly string[]): string {
  return texts
    .map((text) =>
      (HEAD.test(text) ? text : `dime-lick: ${FORMAT_VERSION_NAME}\n${text}`).trimEnd(),
    )
    .join('\n\n')
    .concat('\n')
}

/**
 * The licks of a text that has several, each from its head row to the next; the whole where it has one or
 * none. Law: what `joinLickTexts` joins comes apart again.
 */
export function splitLickTexts(text: string): string[] {
  const licks: string[][] = [[]]
  for (const row of text.split(/\r\n?|\n/)) {
    const begun = licks.at(-1) as string[]
    if (HEAD.test(row) && begun.some((one) => one.trim() !== '')) licks.push([row])
    else begun.push(row)
  }
  if (licks.length === 1) return [text]
  return licks.map((rows) => `${rows.join('\n').trimEnd()}\n`)
}
