import { aimOf, frameTicks, type Lick, lineTicks, MAX_BARS } from '../line'
import {
  ALL_GRIDS,
  barTicks,
  type Grid,
  gridTicks,
  type Meter,
  type Swing,
  sameGrid,
  type Ticks,
  toMeter,
} from '../time'

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

/** A lick on another grid: strokes, groups and start stay, the end moves. Grid changes go. */
export function onGrid(lick: Lick, grid: Grid): Lick {
  return { ...lick, frame: { ...lick.frame, grid }, line: { ...lick.line, gridChanges: [] } }
}

/** The same strokes on every grid, plain ones first. */
export function ratesOf(lick: Lick): Rate[] {
  const { bar, beat } = frameTicks(lick.frame)
  return ALL_GRIDS.map((grid) => {
    const moved = onGrid(lick, grid)
    const { end, target } = aimOf(moved)
    const ticks = lineTicks(moved.line, grid)
    return {
      grid,
      ticks,
      beats: ticks / beat,
      fits: end === target,
      left: (target - end) / gridTicks(grid),
      start: (bar - (ticks % bar)) % bar,
    }
  })
}

/** A metre whose bars the line fills exactly, and how many of them. */
export interface FilledMetre {
  readonly meter: Meter
  readonly bars: number
}

const MOST_UNITS = 21
const MOST_FILLED = 8

/** The metres that the line's own length fills exactly, fewest bars first. */
export function filledMetres(lick: Lick): FilledMetre[] {
  const used = lineTicks(lick.line, lick.frame.grid)
  if (used === 0) return []
  const found: FilledMetre[] = []
  for (const unit of [4, 8, 16] as const) {
    for (let count = 2; count <= MOST_UNITS; count += 1) {
      const meter = toMeter(count, unit)
      const bars = used / barTicks(meter)
      // 6/4 and 12/8 are other metres than 3/2; 4/8 and 8/16 are nobody's names for 2/4.
      const usual = unit === 4 || count % 2 === 1 || (count % 3 === 0 && unit === 8)
      if (usual && Number.isInteger(bars) && bars <= MOST_FILLED) found.push({ meter, bars })
    }
  }
  return found.sort((a, b) => a.bars - b.bars || a.meter.unit - b.meter.unit)
}

/**
 * The same sound written twice as fast (grids halved, tempo halved) or half as fast; null where a
 * grid or the tempo has no such form. The line still ends on its barline.
 */
export function renotate(lick: Lick, way: 'faster' | 'slower'): Lick | null {
  const { frame } = lick
  const top = way === 'faster' ? 1 : 2
  const bottom = way === 'faster' ? 2 : 1
  const grid = scaleGrid(frame.grid, way)
  const tempo = (frame.tempo * top) / bottom
  const goal = frame.goal === null ? null : (frame.goal * top) / bottom
  const swing = scaleSwing(frame.swing, way)
  const gridChanges = lick.line.gridChanges.map(({ at, grid: old }) => ({
    at,
    grid: scaleGrid(old, way),
  }))
  const ostinatos = lick.ostinatos.map((layer) => ({ ...layer, grid: scaleGrid(layer.grid, way) }))
  const tempos = [tempo, goal ?? tempo]
  if (!grid || !swing || tempos.some((bpm) => bpm < 20 || bpm > 400)) return null
  if ([...gridChanges, ...ostinatos].some((part) => part.grid === null)) return null
  if (lick.ostinatos.some(({ line }) => line.gridChanges.length > 0)) return null
  const { bar } = frameTicks(frame)
  const { start, target } = aimOf(lick)
  // The barline aimed at becomes a barline again; the start keeps its distance from it.
  const length = ((target - start) * top) / bottom
  const moved = ((-length % bar) + bar) % bar
  if (!Number.isInteger(length) || lick.line.slots.length === 0) return null
  const turned = (bars: number | null): Lick => ({
    ...lick,
    frame: { ...frame, grid, tempo, goal, swing, start: moved, stop: null, bars },
    line: { ...lick.line, gridChanges: gridChanges as Lick['line']['gridChanges'] },
    ostinatos: ostinatos as Lick['ostinatos'],
  })
  const lands = (after: Lick) => aimOf(after).target === moved + length
  const nearest = turned(null)
  if (frame.bars === null && lands(nearest)) return nearest
  // Where the nearest barline is another one now, the bars are said; a beat cannot be.
  const bars = (moved + length) / bar
  const said = turned(bars)
  return bars >= 1 && bars <= MAX_BARS && lands(said) ? said : null
}

function scaleGrid(grid: Grid, way: 'faster' | 'slower'): Grid | null {
  const value = way === 'faster' ? grid.value * 2 : grid.value / 2
  return ALL_GRIDS.find((known) => sameGrid(known, { ...grid, value } as Grid)) ?? null
}

function scaleSwing(swing: Swing, way: 'faster' | 'slower'): Swing | null {
  if (swing.percent === 50) return swing
  if (way === 'faster') return swing.pairs === 8 ? { ...swing, pairs: 16 } : null
  return swing.pairs === 16 ? { ...swing, pairs: 8 } : null
}
