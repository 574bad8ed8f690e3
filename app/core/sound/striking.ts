import { HOME_SURFACE, UNDECIDED_SURFACE, type Voice } from '../sticking'
import type { SoundName } from './kit-sounds'

/** Below this velocity a snare stroke is a ghost, with a sound of its own. */
const GHOST_BELOW = 50

/** How fast a choke is, in seconds: after this time a twentieth is left. */
export const CHOKE_SECONDS = 0.03
/** How loud a click is, 0 to 1. */
export const CLICK_GAIN = 0.8

/**
 * Which sound a surface makes at a velocity (1 to 127). An undecided surface is the snare.
 *
 * @example soundOf('sn', 112) // 'sn'
 */
export function soundOf(surface: Voice, velocity: number): SoundName {
  const struck = surface === UNDECIDED_SURFACE ? HOME_SURFACE.R : surface
  return struck === 'sn' && velocity < GHOST_BELOW ? 'sn-ghost' : struck
}

/**
 * How loud a velocity is, 0 to 1: rather steeper than in proportion, as ears hear it.
 *
 * @example velocityGain(127) // 1
 */
export function velocityGain(velocity: number): number {
  return (velocity / 127) ** 1.6
}

/**
 * What stops ringing when a surface is struck: any touch of the pedal hi-hat ends its open sound.
 *
 * @example silencedBy('hf') // ['ho']
 */
export function silencedBy(surface: Voice): readonly Voice[] {
  return surface === 'hh' || surface === 'hf' || surface === 'ho' ? ['ho'] : []
}
