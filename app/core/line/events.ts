import { firstWhere } from '../foundation'
import {
  compareLimbs,
  type Graces,
  graceLimb,
  graceSurface,
  type Level,
  type Limb,
  type Stroke,
  strokeLimb,
  strokeSurface,
  strokesInSlot,
  type Voice,
} from '../sticking'
import type { Grid, Ticks } from '../time'
import type { Lick, Ostinato } from './lick'
import { lineTicks } from './line'
import { ostinatoSpan } from './ostinato-slots'
import { type TimedLine, type TimedSlot, timedAlong, timedSlots } from './timed-slots'

/** A stroke at its notated tick. `layer` 0 is the line, 1 and on the ostinatos under it. */
export interface StrokeEvent {
  readonly tick: Ticks
  readonly layer: number
  readonly limb: Limb
  readonly surface: Voice
  readonly dynamic: Level
  readonly grace: Graces
  readonly graceLimb?: Limb
  readonly graceSurface?: Voice
  /** The slot it lies in, from 0, and that slot's grid; slots of a pick-up count down to -1. */
  readonly slot: number
  readonly grid: Grid
  readonly slotTick: Ticks
  /** Which part of a squeeze it is, from 0; 0 for a slot that is not squeezed. */
  readonly nth: number
}

/**
 * Every stroke of the line with its pick-up, and of the ostinatos, by tick, then layer, then limb.
 * Notated, unswung.
 *
 * @example strokeEvents(lickOf('line: RL')).map(({ tick }) => tick) // [0, 2520]
 */
export function strokeEvents(lick: Lick): readonly StrokeEvent[] {
  if (lick.ostinatos.length === 0 && lick.pickup.slots.length === 0) return lineEvents(lick)
  const known = allEventsOfLick.get(lick)
  if (known) return known
  const events = [
    ...pickupEvents(lick),
    ...lineEvents(lick),
    ...lick.ostinatos.flatMap((layer, i) => ostinatoEvents(lick, layer, i + 1)),
  ].sort(compareEvents)
  allEventsOfLick.set(lick, events)
  return events
}

/**
 * The strokes of line and ostinatos in [from, to), in the same order, at the cost of that stretch
 * alone. Law: it is what `strokeEvents` has there.
 *
 * @example strokeEventsBetween(lickOf('line: RLRL'), 2520, 7560).map(({ limb }) => limb) // ['LH', 'RH']
 */
export function strokeEventsBetween(lick: Lick, from: Ticks, to: Ticks): StrokeEvent[] {
  const slots = lickSlots(lick)
  // A squeeze may begin before the stretch and reach into it: one slot more than its own.
  const first = Math.max(0, firstFrom(slots, from) - 1)
  const line = slotsEvents(slots.slice(first, firstFrom(slots, to)), 0)
  const pickup = from < lick.frame.start ? pickupEvents(lick) : []
  const ostinatos = lick.ostinatos.flatMap((layer, i) =>
    ostinatoEvents(lick, layer, i + 1, from, to),
  )
  const within = [...pickup, ...line, ...ostinatos].filter(({ tick }) => tick >= from && tick < to)
  return lick.ostinatos.length === 0 ? within : within.sort(compareEvents)
}

/**
 * Tells the strokes of a lick that are no groove: those of its line and of what sounds under that. What is
 * printed, and what limits the line, are these; a layer under the groove alone belongs to the groove.
 */
export function isNoGroove({ ostinatos }: Lick): (event: Pick<StrokeEvent, 'layer'>) => boolean {
  return ({ layer }) => layer === 0 || ostinatos[layer - 1]?.scope !== 'groove'
}

/** The index of the first of a list in order of time that begins at a tick or later. */
export function firstFrom(list: readonly { readonly tick: Ticks }[], tick: Ticks): number {
  return firstWhere(list, (one) => one.tick >= tick)
}

function compareEvents(a: StrokeEvent, b: StrokeEvent): number {
  return a.tick - b.tick || a.layer - b.layer || compareLimbs(a.limb, b.limb)
}

const allEventsOfLick = new WeakMap<Lick, readonly StrokeEvent[]>()

/**
 * The slots of a lick's line at their ticks. Worked out once a lick, which never changes; slots that the
 * lick before it had at the same place are the same objects.
 *
 * @example lickSlots(lickOf('start: 2\nline: RL')).map(({ tick }) => tick) // [10080, 12600]
 */
export function lickSlots(lick: Lick): readonly TimedSlot[] {
  const known = slotsOfLick.get(lick)
  if (known) return known
  const placed = { line: lick.line, base: lick.frame.grid, start: lick.frame.start }
  const slots = timedAlong(placed, lineBefore)
  slotsOfLick.set(lick, slots)
  lineBefore = { ...placed, slots }
  return slots
}

const slotsOfLick = new WeakMap<Lick, readonly TimedSlot[]>()
/** Of the lick asked about last: mostly the same line, a key ago. */
let lineBefore: TimedLine | undefined

/**
 * The slots of the pick-up at their ticks, numbered up to -1: they end where the line starts.
 *
 * @example pickupSlots(lickOf('pickup: RL\nline: R')).map(({ tick }) => tick) // [-5040, -2520]
 */
export function pickupSlots({ pickup, frame }: Lick): TimedSlot[] {
  const count = pickup.slots.length
  const start = frame.start - lineTicks(pickup, frame.grid)
  return timedSlots(pickup, frame.grid, start).map((slot) => ({
    ...slot,
    index: slot.index - count,
  }))
}

/**
 * The grid that the pick-up is written in: its own, or the frame's.
 *
 * @example gridName(pickupGrid(lickOf('pickup: @1/8t RLR\nline: R'))) // '1/8t'
 */
export function pickupGrid({ pickup, frame }: Pick<Lick, 'pickup' | 'frame'>): Grid {
  return pickup.gridChanges[0]?.grid ?? frame.grid
}

/** The strokes of the pick-up. Example: `pickup: RL` before `start: 1` lies at ticks -5040 and -2520. */
export function pickupEvents(lick: Lick): readonly StrokeEvent[] {
  return lick.pickup.slots.length === 0 ? [] : slotsEvents(pickupSlots(lick), 0)
}

/**
 * The strokes of one slot at its tick, as a part of the line.
 *
 * @example slotEvents(lickSlots(lickOf('line: (RK)'))[0]).map(({ limb }) => limb) // ['RH', 'RF']
 */
export function slotEvents(slot: TimedSlot): StrokeEvent[] {
  return slotsEvents([slot], 0)
}

/**
 * The strokes of the line alone, by tick, then limb. Worked out once a lick, which never changes.
 *
 * @example lineEvents(lickOf('line: R-K')).map(({ limb }) => limb) // ['RH', 'RF']
 */
export function lineEvents(lick: Lick): readonly StrokeEvent[] {
  const known = eventsOfLick.get(lick)
  if (known) return known
  const events = slotsEvents(lickSlots(lick), 0)
  eventsOfLick.set(lick, events)
  return events
}

const eventsOfLick = new WeakMap<Lick, readonly StrokeEvent[]>()

/**
 * The strokes of the line that sound last, together; none where the line has no stroke. At the cost
 * of the slots after them alone, since no slot reaches into the next. Law: they are the strokes of
 * `lineEvents` at its last tick.
 *
 * @example lastStrokes(lickOf('line: RL(RK)')).map(({ limb }) => limb) // ['RH', 'RF']
 */
export function lastStrokes(lick: Lick): readonly StrokeEvent[] {
  const slots = lickSlots(lick)
  for (let last = slots.length - 1; last >= 0; last -= 1) {
    const events = slotsEvents([slots[last] as TimedSlot], 0)
    const tick = events.at(-1)?.tick
    if (tick !== undefined) return events.filter((event) => event.tick === tick)
  }
  return []
}

/**
 * The slot of the line that a tick lies in, found by halving; undefined beside the line.
 *
 * @example slotAt(lickOf('line: RLRL'), 2600).index // 1
 */
export function slotAt(lick: Lick, tick: Ticks): TimedSlot | undefined {
  const slots = lickSlots(lick)
  const slot = slots[firstFrom(slots, tick + 1) - 1]
  return slot && tick < slot.tick + slot.ticks ? slot : undefined
}

/**
 * The strokes of an ostinato where it sounds. Rounds that do not touch [from, to) are not written out.
 */
function ostinatoEvents(
  lick: Lick,
  layer: Ostinato,
  number: number,
  from = Number.NEGATIVE_INFINITY,
  to = Number.POSITIVE_INFINITY,
): StrokeEvent[] {
  const length = lineTicks(layer.line, layer.grid)
  if (length === 0) return []
  const span = ostinatoSpan(lick, layer)
  const once = slotsEvents(timedSlots(layer.line, layer.grid, 0), number)
  const events: StrokeEvent[] = []
  const skipped = Math.max(0, Math.floor((from - span.counted) / length))
  const until = Math.min(span.to, to)
  for (let round = span.counted + skipped * length; round < until; round += length) {
    for (const event of once) {
      const tick = round + event.tick
      if (tick >= span.from && tick < span.to) {
        events.push({ ...event, tick, slotTick: round + event.slotTick })
      }
    }
  }
  return events
}

/** The strokes of slots in order of time, then of limbs. */
function slotsEvents(slots: readonly TimedSlot[], layer: number): StrokeEvent[] {
  const events: StrokeEvent[] = []
  for (const slot of slots) {
    const { content, tick, ticks } = slot
    if (content.kind === 'rest') continue
    const [only, ...more] = content.kind === 'struck' ? content.strokes : []
    if (only && more.length === 0) {
      events.push(strokeEvent(only, tick, slot, layer, 0))
      continue
    }
    // A squeeze that does not divide its slot lies at the floor of the exact position.
    const inSlot = strokesInSlot(content).map(({ stroke, top, bottom }) =>
      strokeEvent(stroke, tick + Math.floor((top * ticks) / bottom), slot, layer, top),
    )
    events.push(...inSlot.sort((a, b) => a.tick - b.tick || compareLimbs(a.limb, b.limb)))
  }
  return events
}

function strokeEvent(
  stroke: Stroke,
  tick: Ticks,
  slot: TimedSlot,
  layer: number,
  nth: number,
): StrokeEvent {
  const event = {
    tick,
    layer,
    limb: strokeLimb(stroke),
    surface: strokeSurface(stroke),
    dynamic: stroke.level,
    grace: stroke.graces,
    slot: slot.index,
    grid: slot.grid,
    slotTick: slot.tick,
    nth,
  }
  if (stroke.graces === 0) return event
  return { ...event, graceLimb: graceLimb(stroke), graceSurface: graceSurface(stroke) }
}
