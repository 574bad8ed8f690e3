import type { Level } from '../sticking'
import type { Swell } from './lick'

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
 * The velocity of a stroke in a slot: its level's, and for plain strokes under a swell a value that
 * changes evenly from slot to slot. The last swell over a slot wins.
 * Example: `0..4 ghost>accent` over taps gives 36 55 74 93 112.
 */
export function strokeVelocity(level: Level, slot: number, swells: readonly Swell[]): number {
  if (level !== 'tap') return VELOCITIES[level]
  const swell = swells.findLast(({ from, to }) => slot >= from && slot <= to)
  return swell ? swellVelocity(swell, slot) : VELOCITIES.tap
}

/** The velocity of a plain stroke in a slot of a swell; of a swell of one slot, that of its end. */
export function swellVelocity(swell: Swell, slot: number): number {
  const [start, end] = [VELOCITIES[swell.start], VELOCITIES[swell.end]]
  const steps = swell.to - swell.from
  return steps === 0 ? end : Math.round(start + ((end - start) * (slot - swell.from)) / steps)
}
