import { EMPTY_LICK, lineEvents, type StrokeEvent } from '../line'
import { parseLine } from '../notation'
import { barTicks, findGrid, groupStarts, type Meter, TICKS_PER_QUARTER } from '../time'
import { GROOVES, type Groove, type GrooveBar } from './data'

/** The groove of an id; the first of the list where this app has none of that id. */
export function toGroove(id: string): Groove {
  return GROOVES.find((groove) => groove.id === id) ?? (GROOVES[0] as Groove)
}

/** Whether the app knows a groove of this id. */
export function hasGroove(id: string): boolean {
  return GROOVES.some((groove) => groove.id === id)
}

/**
 * The strokes of one bar of a groove, ticks from its barline. A metre the groove was not made for
 * gets a plain one: time on the eighths, kick and snare by turns on the metre's groups.
 */
export function grooveEvents(id: string, meter: Meter): readonly StrokeEvent[] {
  const groove = toGroove(id)
  const key = `${meter.count}/${meter.unit} ${groove.id} ${meter.groups.join('+')}`
  const known = cache.get(key)
  if (known) return known
  const bar = groove.bars[`${meter.count}/${meter.unit}`] ?? plainBar(groove, meter)
  const events = barEvents(bar)
  cache.set(key, events)
  return events
}

const cache = new Map<string, readonly StrokeEvent[]>()

function barEvents(bar: GrooveBar): readonly StrokeEvent[] {
  const grid = findGrid(bar.grid)
  const read = grid && parseLine(bar.line, { grid, start: 0, bar: null })
  if (!grid || !read?.ok) throw new RangeError(`groove bar ${bar.line}: cannot be read`)
  const frame = { ...EMPTY_LICK.frame, grid }
  return lineEvents({ ...EMPTY_LICK, frame, line: read.value.line })
}

function plainBar(groove: Groove, meter: Meter): GrooveBar {
  const value = meter.unit === 16 ? 16 : 8
  const slot = (TICKS_PER_QUARTER * 4) / value
  const starts = groupStarts(meter)
  let line = ''
  for (let tick = 0; tick < barTicks(meter); tick += slot) {
    const group = starts.indexOf(tick)
    const keeper = `R:${groove.keeper}`
    line += group < 0 ? keeper : `(${keeper}${group % 2 === 0 ? 'K' : 'L'})`
  }
  return { grid: `1/${value}`, line }
}
