import { GRACE_VELOCITY } from '../line'
import type { Limb, Voice } from '../sticking'
import type { SoundStroke } from './events'
import { graceLeads } from './grace'

/** One hit of a stroke: its graces, and the stroke itself. */
export interface Strike {
  readonly surface: Voice
  readonly limb: Limb
  /** 1 to 127. */
  readonly velocity: number
  /** How long before the stroke's time it sounds, in milliseconds; 0 for the stroke itself. */
  readonly leadMs: number
}

/**
 * What sounds for a stroke, in order: its graces, then itself. `secondsPerTick` is the tempo, for what the
 * stroke before leaves of the graces' lead.
 * Example: a flam is two strikes, the first 30 ms before the second.
 */
export function strikesOf(stroke: SoundStroke, secondsPerTick: number): Strike[] {
  const { surface, limb, velocity, graces, since } = stroke
  const sinceMs = since === null ? Number.POSITIVE_INFINITY : since * secondsPerTick * 1000
  const grace = {
    surface: stroke.graceSurface ?? surface,
    limb: stroke.graceLimb ?? limb,
    velocity: GRACE_VELOCITY,
  }
  return [
    ...graceLeads(graces, sinceMs).map((leadMs) => ({ ...grace, leadMs })),
    { surface, limb, velocity, leadMs: 0 },
  ]
}
