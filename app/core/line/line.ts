import type { SlotContent, Struck } from '../sticking'
import { type Grid, gridTicks, sameGrid, type Ticks } from '../time'

/** From slot `at` on, the line stands on another grid. */
export interface GridChange {
  readonly at: number
  readonly grid: Grid
}

/**
 * Slots in order, with rulers over them that own nothing: groups (their sizes, summing to the
 * slots), and grid changes (ascending, each a real change from the grid before it).
 */
export interface Line {
  readonly slots: readonly SlotContent[]
  readonly groups: readonly number[]
  readonly gridChanges: readonly GridChange[]
}

export const EMPTY_LINE: Line = { slots: [], groups: [], gridChanges: [] }
export const MAX_SLOTS = 4096
/** Strokes of a line at the most: four for each slot that it may have. */
export const MAX_STROKES = 16_384
export const MAX_BARS = 64

/**
 * How long a line is, in ticks.
 *
 * @example lineTicks(lickOf('line: RLRL').line, findGrid('1/16')) // 10080
 */
export function lineTicks(line: Line, base: Grid): Ticks {
  let total = 0
  let from = 0
  let slot = gridTicks(base)
  for (const { at, grid } of line.gridChanges) {
    total += (at - from) * slot
    from = at
    slot = gridTicks(grid)
  }
  return total + (line.slots.length - from) * slot
}

/**
 * What a line is made of: strokes and graces are counted apart from slots.
 *
 * @example countStrokes(lickOf('line: RLLK').line) // { strokes: 4, graces: 0 }
 */
export function countStrokes(line: Line): { strokes: number; graces: number } {
  let strokes = 0
  let graces = 0
  const count = (struck: Struck) => {
    strokes += struck.strokes.length
    for (const stroke of struck.strokes) graces += stroke.graces
  }
  for (const slot of line.slots) {
    if (slot.kind === 'struck') count(slot)
    if (slot.kind === 'squeeze') {
      for (const part of slot.parts) if (part.kind === 'struck') count(part)
    }
  }
  return { strokes, graces }
}

/** Drops changes that change nothing or lie past the end, so that equal lines are equal data. */
export function normalGridChanges(
  changes: readonly GridChange[],
  base: Grid,
  slots: number,
): GridChange[] {
  const kept: GridChange[] = []
  for (const change of changes) {
    if (change.at >= slots) continue
    if (kept.at(-1)?.at === change.at) kept.pop()
    if (!sameGrid(kept.at(-1)?.grid ?? base, change.grid)) kept.push(change)
  }
  return kept
}
