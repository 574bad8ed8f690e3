/**
 * How many rows a text takes in a field of so many columns of a monospaced face, broken between words
 * as a browser breaks it: a space at a row's end hangs over, a word longer than a row is cut.
 * Known without asking the browser, a field can grow while it is typed in without a new layout.
 */
export function wrappedRows(text: string, columns: number): number {
  const width = Math.max(1, columns)
  return text.split('\n').reduce((rows, line) => rows + rowsOfLine(line, width), 0)
}

function rowsOfLine(line: string, columns: number): number {
  let rows = 1
  let at = 0
  for (const word of line.split(' ')) {
    if (at > 0 && word !== '' && at + word.length > columns) {
      rows += 1
      at = 0
    }
    // A long word goes on over as many rows as it fills.
    const more = Math.max(0, Math.ceil(word.length / columns) - 1)
    rows += at === 0 ? more : 0
    at = (at === 0 ? word.length - more * columns : at + word.length) + 1
  }
  return rows
}
