import { DEFAULT_FRAME, type Line } from '~/core/line'
import { parseLine } from '~/core/notation'
import type { Grid } from '~/core/time'

/** A cell as it is typed, on a grid; null where it cannot be read or has no stroke. */
export function toLine(typed: string, grid: Grid = DEFAULT_FRAME.grid): Line | null {
  const read = parseLine(typed, { grid, start: 0, bar: null })
  return read.ok && read.value.line.slots.length > 0 ? read.value.line : null
}
