import { WIDTH_DATA } from './width-data'

/** What a character that the text face lacks is taken to be wide, in thousandths of the em. */
const UNKNOWN = 620

/** How wide a text is, in the unit of `size`. Example: `textWidth('11', 10, false)` is 11.2. */
export function textWidth(text: string, size: number, bold: boolean): number {
  const widths = WIDTH_DATA[bold ? 'bold' : 'regular']
  let sum = 0
  for (const character of text) sum += widths[character.codePointAt(0) ?? 0] ?? UNKNOWN
  return (sum * size) / 1000
}

/**
 * A text in rows no wider than `width`: broken at spaces, within a word only where it is longer than a
 * row by itself; what the player broke stays broken. Law: the rows joined have the same characters but
 * for spaces.
 *
 * @example wrapped('Before the doors open', 12, false, 60) // ['Before the', 'doors', 'open']
 */
export function wrapped(text: string, size: number, bold: boolean, width: number): string[] {
  const rows: string[] = []
  for (const paragraph of text.split(/\r?\n/)) {
    let row = ''
    for (const word of paragraph
      .split(/\s+/)
      .filter(Boolean)
      .flatMap((one) => broken(one, size, bold, width))) {
      const longer = row === '' ? word : `${row} ${word}`
      if (textWidth(longer, size, bold) <= width || row === '') row = longer
      else {
        rows.push(row)
        row = word
      }
    }
    rows.push(row)
  }
  return rows
}

/** A word in pieces that each fit a row: one character at least. */
function broken(word: string, size: number, bold: boolean, width: number): string[] {
  if (textWidth(word, size, bold) <= width) return [word]
  const pieces: string[] = []
  let piece = ''
  for (const character of word) {
    if (piece !== '' && textWidth(piece + character, size, bold) > width) {
      pieces.push(piece)
      piece = ''
    }
    piece += character
  }
  return [...pieces, piece]
}

/**
 * A text cut to a width, with an ellipsis where something is cut.
 *
 * @example cutToWidth('Before the doors open', 12, false, 60) // 'Before th…'
 */
export function cutToWidth(text: string, size: number, bold: boolean, width: number): string {
  if (textWidth(text, size, bold) <= width) return text
  const characters = [...text]
  while (characters.length > 0 && textWidth(`${characters.join('')}…`, size, bold) > width)
    characters.pop()
  return `${characters.join('').trimEnd()}…`
}
