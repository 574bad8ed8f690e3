import { aimOf, fittingStart, frameTicks, type Lick, lineTicks } from '../line'
import { ALL_GRIDS, barTicks, type Grid, gridTicks, type Meter, type Ticks, toMeter } from '../time'

/** The same strokes at another subdivision: where they would end, and where they would begin. */
export interface Rate {
  readonly grid: Grid
  /** Length in ticks, and in beats of the metre, perhaps a fraction. */
  readonly ticks: Ticks
  readonly beats: number
  readonly fits: boolean
  /** Slots of that grid left (or, negative, over) from the present start. */
  readonly left: number
  /** Where in the bar it would begin to end on a barline. */
  readonly start: Ticks
}

/**
 * A lick on another grid: strokes, groups and start stay, the end moves. Grid changes go.
 *
 * @example gridName(onGrid(lickOf('line: RL'), findGrid('1/8t')).frame.grid) // '1/8t'
 */
export function onGrid(lick: Lick, grid: Grid): Lick {
  return { ...lick, frame: { ...lick.frame, grid }, line: { ...lick.line, gridChanges: [] } }
}

/**
 * The same strokes on every grid, plain ones first.
 *
 * @example ratesOf(lickOf('line: RLRL*4')).map(({ grid }) => gridName(grid)).slice(0, 3) // ['1/4', '1/4t', '1/4q']
 */
export function ratesOf(lick: Lick): Rate[] {
  const { beat } = frameTicks(lick.frame)
  return ALL_GRIDS.map((grid) => {
    const moved = onGrid(lick, grid)
    const { left } = aimOf(moved)
    const ticks = lineTicks(moved.line, grid)
    return {
      grid,
      ticks,
      beats: ticks / beat,
      fits: left === 0,
      left: left / gridTicks(grid),
      start: fittingStart(moved),
    }
  })
}

/** A metre whose bars the line fills exactly, and how many of them. */
export interface FilledMetre {
  readonly meter: Meter
  readonly bars: number
}

const MAX_UNITS = 21
const MAX_FILLED = 8

/**
 * The metres that the line's own length fills exactly, fewest bars first.
 *
 * @example filledMetres(lickOf('line: RLRL*4')).map(({ meter }) => meterName(meter)) // ['4/4', '2/4']
 */
export function filledMetres(lick: Lick): FilledMetre[] {
  const used = lineTicks(lick.line, lick.frame.grid)
  if (used === 0) return []
  const found: FilledMetre[] = []
  for (const unit of [4, 8, 16] as const) {
    for (let count = 2; count <= MAX_UNITS; count += 1) {
      const meter = toMeter(count, unit)
      const bars = used / barTicks(meter)
      // 6/4 and 12/8 are other metres than 3/2; 4/8 and 8/16 are nobody's names for 2/4.
      const usual = unit === 4 || count % 2 === 1 || (count % 3 === 0 && unit === 8)
      if (usual && Number.isInteger(bars) && bars <= MAX_FILLED) found.push({ meter, bars })
    }
  }
  return found.sort((a, b) => a.bars - b.bars || a.meter.unit - b.meter.unit)
}
