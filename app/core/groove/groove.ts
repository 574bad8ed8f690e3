import { fail, ok, type Result } from '../foundation'
import { EMPTY_LICK, type Line, lineEvents, lineTicks, type StrokeEvent } from '../line'
import { parseLine } from '../notation'
import { isOneHand, type Limb, otherHand } from '../sticking'
import {
  barTicks,
  findGrid,
  type Grid,
  gridTicks,
  groupStarts,
  type Meter,
  meterName,
  TICKS_PER_QUARTER,
} from '../time'
import { GROOVES, type Groove, type GrooveBar } from './data'

/** The groove of an id, the player's own first; the first of the list where there is none. */
export function toGroove(id: string, own: readonly Groove[] = []): Groove {
  return [...own, ...GROOVES].find((groove) => groove.id === id) ?? (GROOVES[0] as Groove)
}

/** A groove of the player's own as it is kept: one bar for one metre. */
export interface OwnGroove extends GrooveBar {
  readonly id: string
  readonly name: string
  readonly meter: string
}

/** Grooves as they are kept, as they are played. */
export function toOwnGrooves(kept: readonly OwnGroove[]): Groove[] {
  return kept.map(({ id, name, meter, grid, line }) => ({
    id,
    name,
    keeper: 'hh' as const,
    own: true,
    bars: { [meter]: { grid, line } },
  }))
}

/**
 * Whether there is a groove of this id.
 *
 * @example ['eighths', 'polka'].map((id) => hasGroove(id)) // [true, false]
 */
export function hasGroove(id: string, own: readonly Groove[] = []): boolean {
  return [...own, ...GROOVES].some((groove) => groove.id === id)
}

/**
 * The strokes of one bar of a groove, ticks from its barline. A metre the groove was not made for
 * gets a plain one: time on the eighths, kick and snare by turns on the metre's groups.
 */
export function grooveEvents(
  id: string,
  meter: Meter,
  own: readonly Groove[] = [],
): readonly StrokeEvent[] {
  const bar = grooveBar(toGroove(id, own), meter)
  const key = `${bar.grid} ${bar.line}`
  const known = cache.get(key)
  if (known) return known
  const events = barEvents(bar)
  cache.set(key, events)
  return events
}

/** A groove with its hands changed places: open-handed, or by a left-handed player. Twice is the same. */
export function swapHands<T extends Pick<StrokeEvent, 'limb' | 'graceLimb'>>(
  events: readonly T[],
): T[] {
  const other = (limb: Limb): Limb => (isOneHand(limb) ? otherHand(limb) : limb)
  return events.map((event) => ({
    ...event,
    limb: other(event.limb),
    ...(event.graceLimb && { graceLimb: other(event.graceLimb) }),
  }))
}

const cache = new Map<string, readonly StrokeEvent[]>()

/**
 * The bar of a groove in a metre, in the line's notation. A bar that ships is for the usual grouping of
 * its metre; in another one the plain bar follows the groups. Example: eighths in `7/8 3+2+2`.
 */
export function grooveBar(groove: Groove, meter: Meter): GrooveBar {
  const ungrouped = groove.own ? groove.bars[`${meter.count}/${meter.unit}`] : undefined
  return groove.bars[meterName(meter)] ?? ungrouped ?? plainBar(groove, meter)
}

/**
 * Reads a bar of groove as it is typed: it must fill the metre's bar exactly. The failure says, in
 * words, what is wrong and where.
 */
export function parseGrooveBar({ grid, line }: GrooveBar, meter: Meter): Result<Line, string> {
  const base = findGrid(grid)
  if (!base) return fail(`there is no grid ${grid}`)
  const read = parseLine(line, { grid: base, start: 0, bar: barTicks(meter) })
  if (!read.ok) {
    const [first] = read.error
    return fail(`at character ${(first?.at ?? 0) + 1}: expected ${first?.expected ?? 'a stroke'}`)
  }
  const missing = (barTicks(meter) - lineTicks(read.value.line, base)) / gridTicks(base)
  if (missing === 0) return ok(read.value.line)
  const slots = Math.round(Math.abs(missing) * 100) / 100
  return fail(`${slots} ${slots === 1 ? 'slot' : 'slots'} ${missing > 0 ? 'missing' : 'too many'}`)
}

function barEvents(bar: GrooveBar): readonly StrokeEvent[] {
  const { grid, line } = grooveLine(bar)
  return lineEvents({ ...EMPTY_LICK, frame: { ...EMPTY_LICK.frame, grid }, line })
}

const lines = new Map<string, { grid: Grid; line: Line }>()

/** A bar of groove as a line on its grid; throws RangeError for one that cannot be read. */
export function grooveLine(bar: GrooveBar): { readonly grid: Grid; readonly line: Line } {
  const key = `${bar.grid} ${bar.line}`
  const known = lines.get(key)
  if (known) return known
  const grid = findGrid(bar.grid)
  const read = grid && parseLine(bar.line, { grid, start: 0, bar: null })
  if (!grid || !read?.ok) throw new RangeError(`groove bar ${bar.line}: cannot be read`)
  const made = { grid, line: read.value.line }
  lines.set(key, made)
  return made
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
