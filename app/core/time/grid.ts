import { TICKS_PER_WHOLE, type Ticks } from './ticks'

export const GRID_VALUES = [4, 8, 16, 32, 64] as const
export type GridValue = (typeof GRID_VALUES)[number]

/** t: 3 in the time of 2. q: 5 in the time of 4. s: 7 in the time of 4. n: 9 in the time of 8. */
export const TUPLET_KINDS = ['t', 'q', 's', 'n'] as const
export type TupletKind = (typeof TUPLET_KINDS)[number]

/** A subdivision: equal slots of one note value, perhaps as a tuplet. */
export interface Grid {
  readonly value: GridValue
  readonly tuplet: TupletKind | null
}

/** How a kind of tuplet squeezes its notes: `notes` in the time of `inTimeOf`. */
export const TUPLET_RATIOS: Readonly<Record<TupletKind, { notes: number; inTimeOf: number }>> = {
  t: { notes: 3, inTimeOf: 2 },
  q: { notes: 5, inTimeOf: 4 },
  s: { notes: 7, inTimeOf: 4 },
  n: { notes: 9, inTimeOf: 8 },
}

/** Whole ticks of one slot. Example: `1/16t` is 1680. */
export function gridTicks(grid: Grid): Ticks {
  const plain = TICKS_PER_WHOLE / grid.value
  if (grid.tuplet === null) return plain
  const { notes, inTimeOf } = TUPLET_RATIOS[grid.tuplet]
  return (plain / notes) * inTimeOf
}

/**
 * Whether two grids have the same slots under the same name.
 *
 * @example sameGrid(findGrid('1/8t'), findGrid('1/8')) // false
 */
export function sameGrid(a: Grid, b: Grid): boolean {
  return a.value === b.value && a.tuplet === b.tuplet
}

/**
 * The name of a grid as it is typed: `1/16t`.
 *
 * @example gridName(findGrid('1/8t')) // '1/8t'
 */
export function gridName(grid: Grid): string {
  return `1/${grid.value}${grid.tuplet ?? ''}`
}

/** Reads a grid's name, or undefined where there is no such grid. */
export function findGrid(name: string): Grid | undefined {
  return BY_NAME.get(name)
}

/** Every grid of the format, in order of value, plain before tuplets. */
export const ALL_GRIDS: readonly Grid[] = GRID_VALUES.flatMap((value) => [
  { value, tuplet: null },
  ...TUPLET_KINDS.map((tuplet) => ({ value, tuplet })),
])

const BY_NAME = new Map(ALL_GRIDS.map((grid) => [gridName(grid), grid]))
