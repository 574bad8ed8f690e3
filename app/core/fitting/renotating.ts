import { cut, rotate } from '../changes'
import { fail, isEqual, modulo, ok, type Result } from '../foundation'
import { type Groove, grooveBar, toGroove } from '../groove'
import {
  aimOf,
  frameTicks,
  type Lick,
  type Line,
  lineTicks,
  MAX_BARS,
  MAX_LEAD,
  NO_GROOVE,
  type Ostinato,
  TEMPO_RANGE,
} from '../line'
import { formatLine, parseLine } from '../notation'
import {
  ALL_GRIDS,
  findGrid,
  type Grid,
  gridName,
  gridTicks,
  meterName,
  type Swing,
  sameGrid,
  type Ticks,
} from '../time'

/** A lick written in other note values, and the groove that it needs to sound as before. */
export interface Renotated {
  readonly lick: Lick
  /** A groove that has to be saved, since none of those known sounds like it; null where none has. */
  readonly groove: Groove | null
  /** Whether as much groove goes before as did; where not, it is the next whole bars. */
  readonly leadKept: boolean
}

/** Why a lick has no such form. */
export type RenotateFault =
  | 'empty'
  | 'grid'
  | 'tempo'
  | 'swing'
  | 'place'
  | 'stop'
  | 'groove'
  | 'ostinato'

type Way = 'faster' | 'slower'

/**
 * The same sound written twice as fast (note values halved, tempo halved) or half as fast. The line
 * still ends on its barline; the groove, its stop and the ostinatos keep their instants, so that a
 * groove bar becomes two, or two equal halves one, under a name of its own.
 * Example: two bars of sixteenths at 132 with the backbeat on 3 are one bar of thirty-seconds at 66
 * with the backbeats on 2 and 4.
 */
export function renotate(
  lick: Lick,
  way: Way,
  own: readonly Groove[] = [],
): Result<Renotated, RenotateFault> {
  const { frame, line } = lick
  if (line.slots.length === 0) return fail('empty')
  const ratio = way === 'faster' ? 1 / 2 : 2
  const [tempo, goal] = [frame.tempo * ratio, frame.goal === null ? null : frame.goal * ratio]
  if ([tempo, goal ?? tempo].some((bpm) => bpm < TEMPO_RANGE.least || bpm > TEMPO_RANGE.most))
    return fail('tempo')
  const swing = scaleSwing(frame.swing, way)
  const grooveSwing = frame.grooveSwing && scaleSwing(frame.grooveSwing, way)
  if (!swing || (frame.grooveSwing && !grooveSwing)) return fail('swing')
  const grid = scaleGrid(frame.grid, way)
  const [scaledLine, pickup] = [scaleChanges(line, way), scaleChanges(lick.pickup, way)]
  if (!grid || !scaledLine || !pickup) return fail('grid')

  const { bar } = frameTicks(frame)
  const { start, target } = aimOf(lick)
  const length = (target - start) * ratio
  // The barline aimed at becomes a barline again; the start keeps its distance from it.
  const moved = modulo(-length, bar)
  const at = (tick: Ticks) => moved + (tick - start) * ratio
  const stop = frame.stop === null ? null : at(frame.stop)
  if (!Number.isInteger(length)) return fail('place')
  if (stop !== null && (!Number.isInteger(stop) || stop < 0)) return fail('stop')
  const before = -at(-frame.lead * bar) / bar
  const lead = Math.min(MAX_LEAD, Math.max(0, Math.ceil(before)))
  const grooved = scaleGroove(frame.groove, lick, way, own)
  if (!grooved) return fail('groove')

  const scaledFrame = { ...frame, grid, tempo, goal, swing, grooveSwing, start: moved, stop, lead }
  const written: Lick = {
    ...lick,
    frame: { ...scaledFrame, groove: grooved.id, bars: null },
    line: scaledLine,
    pickup,
  }
  const aimed = aimingAt(written, moved + length, frame.bars !== null)
  if (!aimed) return fail('place')
  const ostinatos = lick.ostinatos.map((one) => {
    const [from, to] = one.scope === 'fill' ? [0, 0] : [-frame.lead * bar, -lead * bar]
    return scaleOstinato(one, way, to - at(from))
  })
  if (ostinatos.some((one) => one === null)) return fail('ostinato')
  return ok({
    lick: { ...aimed, ostinatos: ostinatos.filter((one) => one !== null) },
    groove: grooved.made,
    leadKept: before === lead,
  })
}

/** A lick that aims at a tick: by itself, or with its bars said; null where neither does. */
function aimingAt(lick: Lick, target: Ticks, said: boolean): Lick | null {
  if (!said && aimOf(lick).target === target) return lick
  const bars = target / frameTicks(lick.frame).bar
  if (!Number.isInteger(bars) || bars < 1 || bars > MAX_BARS) return null
  const aiming = { ...lick, frame: { ...lick.frame, bars } }
  return aimOf(aiming).target === target ? aiming : null
}

function scaleGrid(grid: Grid, way: Way): Grid | null {
  const value = way === 'faster' ? grid.value * 2 : grid.value / 2
  return ALL_GRIDS.find((known) => sameGrid(known, { ...grid, value } as Grid)) ?? null
}

/** A line whose changes of grid are scaled; null where one has no such grid. */
function scaleChanges(line: Line, way: Way): Line | null {
  const gridChanges = line.gridChanges.flatMap(({ at, grid: old }) => {
    const grid = scaleGrid(old, way)
    return grid ? [{ at, grid }] : []
  })
  return gridChanges.length < line.gridChanges.length ? null : { ...line, gridChanges }
}

function scaleSwing(swing: Swing, way: Way): Swing | null {
  if (swing.percent === 50) return swing
  if (way === 'faster') return swing.pairs === 8 ? { ...swing, pairs: 16 } : null
  return swing.pairs === 16 ? { ...swing, pairs: 8 } : null
}

/** An ostinato that begins so many ticks into what it was: its strokes keep their instants. */
function scaleOstinato(ostinato: Ostinato, way: Way, later: Ticks): Ostinato | null {
  const grid = scaleGrid(ostinato.grid, way)
  const { line } = ostinato
  if (!grid || line.gridChanges.length > 0) return null
  const steps = modulo(later, lineTicks(line, grid)) / gridTicks(grid)
  return Number.isInteger(steps)
    ? { ...ostinato, grid, line: { ...line, ...rotate(line, steps) } }
    : null
}

/**
 * The groove that sounds in other note values as one does in its own: two of its bars in one, or the
 * half of its bar where both halves are equal; one that is known already under its own name.
 */
function scaleGroove(
  id: string,
  { frame: { meter } }: Lick,
  way: Way,
  own: readonly Groove[],
): { readonly id: string; readonly made: Groove | null } | null {
  if (id === NO_GROOVE) return { id, made: null }
  const groove = toGroove(id, own)
  const bar = grooveBar(groove, meter)
  const base = findGrid(bar.grid)
  const grid = base && scaleGrid(base, way)
  const read = base && parseLine(bar.line, { grid: base, start: 0, bar: null })
  if (!grid || !read?.ok || read.value.line.gridChanges.length > 0) return null
  const { line } = read.value
  const half = line.slots.length / 2
  if (way === 'slower' && !isTwice(line.slots)) return null
  const written =
    way === 'faster'
      ? { ...line, slots: [...line.slots, ...line.slots], groups: [...line.groups, ...line.groups] }
      : { ...line, ...cut(line, half) }
  const scaled = { grid: gridName(grid), line: formatLine(written) }
  const known = own.find((one) => {
    const there = grooveBar(one, meter)
    return there.grid === scaled.grid && there.line === scaled.line
  })
  if (known) return { id: known.id, made: null }
  const made: Groove = {
    id: `${id}-${way === 'faster' ? 'double' : 'half'}`.slice(0, 60),
    name: `${groove.name}, ${way === 'faster' ? 'twice' : 'half'} as fast`,
    keeper: groove.keeper,
    own: true,
    bars: { [meterName(meter)]: scaled },
  }
  return { id: made.id, made }
}

/** Whether slots are their first half twice. */
function isTwice(slots: readonly unknown[]): boolean {
  const half = slots.length / 2
  return Number.isInteger(half) && isEqual(slots.slice(0, half), slots.slice(half))
}
