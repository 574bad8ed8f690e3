import type { Level, SlotContent } from '../sticking'
import { type Grid, gridTicks, type Ticks } from '../time'
import type { Hairpin, Lick } from './lick'

/** How hard each level is struck, as a MIDI velocity from 1 to 127. */
export const VELOCITIES: Readonly<Record<Level, number>> = {
  ghost: 36,
  soft: 58,
  tap: 80,
  accent: 112,
  strong: 124,
}
export const GRACE_VELOCITY = 32

/**
 * The velocity of a stroke at a place of the line: its level's, and for plain strokes under a swell a
 * value that changes evenly, within a squeezed slot too. The last swell over a slot wins.
 * `place` is the slot, and how far in it the stroke lies. `lastIn` tells where in a slot its last
 * stroke lies, from 0 to below 1: there the swell of that slot is over.
 * Example: `0..4 ghost>accent` over taps gives 36 55 74 93 112.
 */
export function strokeVelocity(
  level: Level,
  place: number,
  swells: readonly Hairpin[],
  lastIn: (slot: number) => number = () => 0,
): number {
  if (level !== 'tap') return VELOCITIES[level]
  const slot = Math.floor(place)
  const swell = swells.findLast(({ from, to }) => slot >= from && slot <= to)
  return swell ? swellVelocity(swell, place, lastIn(swell.to)) : VELOCITIES.tap
}

/**
 * The velocity of a plain stroke at a place of a swell; of a swell of one stroke, that of its end.
 *
 * @example swellVelocity({ from: 0, to: 4, start: 'ghost', end: 'accent' }, 2) // 74
 */
export function swellVelocity(swell: Hairpin, place: number, lastIn = 0): number {
  const [start, end] = [VELOCITIES[swell.start], VELOCITIES[swell.end]]
  const length = swell.to + lastIn - swell.from
  if (length === 0) return end
  return Math.round(start + (end - start) * Math.min(1, (place - swell.from) / length))
}

/** The velocity of a stroke of a lick's line, from 1 to 127, its swells counted. */
export function eventVelocity(
  lick: Lick,
  { layer, slot, tick, slotTick, grid, dynamic }: VelocityEvent,
): number {
  if (layer > 0 || slot < 0) return strokeVelocity(dynamic, 0, [])
  const place = slot + (tick - slotTick) / gridTicks(grid)
  return strokeVelocity(dynamic, place, lick.frame.swells, (at) => lastInSlot(lick.line.slots[at]))
}

/** What of a stroke its velocity depends on. */
interface VelocityEvent {
  readonly layer: number
  readonly slot: number
  readonly tick: Ticks
  readonly slotTick: Ticks
  readonly grid: Grid
  readonly dynamic: Level
}

/** Where in a slot its last stroke lies: 0, or of a squeeze the place of its last struck part. */
function lastInSlot(content: SlotContent | undefined): number {
  if (content?.kind !== 'squeeze') return 0
  return content.parts.findLastIndex(({ kind }) => kind === 'struck') / content.parts.length
}
