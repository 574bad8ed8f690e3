import type { KitSound } from '../kit'
import type { Strike } from '../performance'
import { HOME_SURFACE, type Limb, type Surface, UNDECIDED_SURFACE, type Voice } from '../sticking'
import type { Sounding } from './strokes'

/** The velocities at which each surface is rendered: colour changes with force, not only loudness. */
export const LAYERS = [34, 58, 80, 112, 124] as const
/** Strokes alike that are rendered: one and then the other, so that no two in a row are the same. */
export const TAKES = 2

/** After this time of a choke a thousandth is left, in seconds: 60 dB. */
export const CHOKE_SECONDS = 0.06
/** How loud a click is, 0 to 1. */
export const CLICK_GAIN = 0.8
/** The left hand's strokes go by a little slower: another hand, another stick. */
const LEFT_SPEED = 0.994

/** One stroke as it was rendered. */
export interface Sample {
  readonly surface: Sounding
  /** One of `LAYERS`. */
  readonly velocity: number
  /** From 0, below `TAKES`. */
  readonly take: number
}

/** A sample that begins to sound: when, where, and how loud. */
export interface Started {
  readonly sample: Sample
  readonly limb: Limb
  /** How hard it was struck, 1 to 127. */
  readonly velocity: number
  /** In seconds of the clock that it was struck by. */
  readonly seconds: number
  readonly gain: number
  /** -1 (the drummer's left) to 1. */
  readonly pan: number
  /** How fast its samples go by; 1 as they were rendered. */
  readonly speed: number
}

/** What a stroke does to a kit: what it silences at its moment, and what begins to sound. */
export interface Struck {
  readonly silenced: readonly Voice[]
  readonly started: readonly Started[]
}

/** How long cymbals go on swinging for what is struck on top, in seconds to a thousandth. */
const SWINGING: Readonly<Partial<Record<Surface, number>>> = {
  ho: 1,
  rd: 2,
  rb: 2,
  c1: 2,
  c2: 2.4,
  sp: 0.8,
  ch: 1.4,
}
/** How much higher the colour of a stroke on a swinging cymbal is, at the most. */
const BUILD_UP = 0.5
/** The wires of the snare under what makes them buzz: toms and kicks. */
const WIRES_GAIN = 0.05

/**
 * Which samples a kit's strokes are, one after the other. No two strokes in a row on a surface are the same
 * samples; a cymbal that still swings answers brighter; toms and kicks make the snare's wires buzz.
 *
 * @example striking.strike({ surface: 'sn', velocity: 36, limb: 'LH', leadMs: 0 }, 1.5, stage)
 */
export class Striking {
  private takes = new Map<Sounding, number>()
  private swinging = new Map<Surface, { seconds: number; level: number }[]>()

  /** What a stroke at a time of the clock does, on a kit whose pieces stand where `stage` says. */
  strike(
    { surface: voice, velocity, limb }: Pick<Strike, 'surface' | 'velocity' | 'limb'>,
    seconds: number,
    stage: KitSound['pans'],
  ): Struck {
    const surface = voice === UNDECIDED_SURFACE ? HOME_SURFACE.R : voice
    const pan = stage[surface] ?? 0
    const gain = velocityGain(velocity)
    const speed = limb === 'LH' ? LEFT_SPEED : 1
    const force = velocity * (1 + BUILD_UP * this.swing(surface, seconds, gain))
    const sample = this.next(surface, layerOf(force))
    const started: Started[] = [{ sample, limb, velocity, seconds, gain, pan, speed }]
    if (buzzes(surface) && stage.sn !== undefined) {
      const wires = this.next('wires', layerOf(velocity))
      const own = { sample: wires, pan: stage.sn, gain: gain * WIRES_GAIN, speed: 1 }
      started.push({ ...own, limb, velocity, seconds })
    }
    return { silenced: silencedBy(surface), started }
  }

  /** What began at a time or later is taken back. */
  forgetFrom(seconds: number): void {
    for (const [surface, strokes] of this.swinging)
      this.swinging.set(
        surface,
        strokes.filter((one) => one.seconds < seconds),
      )
  }

  /** A cymbal that is taken hold of swings no more. */
  still(surface: Voice): void {
    if (surface !== UNDECIDED_SURFACE) this.swinging.delete(surface)
  }

  private next(surface: Sounding, velocity: number): Sample {
    const take = ((this.takes.get(surface) ?? -1) + 1) % TAKES
    this.takes.set(surface, take)
    return { surface, velocity, take }
  }

  /** How far a cymbal swings from strokes before, 0 to 1; the stroke itself is noted. */
  private swing(surface: Surface, seconds: number, level: number): number {
    const ring = SWINGING[surface]
    if (ring === undefined) return 0
    const before = (this.swinging.get(surface) ?? []).filter(
      (one) => one.seconds > seconds - ring && one.seconds !== seconds,
    )
    this.swinging.set(surface, [...before, { seconds, level }])
    const energy = before
      .filter((one) => one.seconds < seconds)
      .reduce((sum, one) => sum + (one.level * 1000 ** (-(seconds - one.seconds) / ring)) ** 2, 0)
    return Math.min(1, Math.sqrt(energy))
  }
}

/** Toms and kicks: what sets the wires of a snare buzzing that stands beside them. */
function buzzes(surface: Surface): boolean {
  return /^[tf]\d$/.test(surface) || surface === 'bd' || surface === 'b2'
}

/** The rendered velocity nearest to one. */
export function layerOf(velocity: number): number {
  return LAYERS.reduce((best, one) =>
    Math.abs(one - velocity) < Math.abs(best - velocity) ? one : best,
  )
}

/** Every sample of a surface: all layers of the first take before those of the next. */
export function samplesOf(surface: Sounding): Sample[] {
  return Array.from({ length: TAKES }, (_, take) =>
    LAYERS.map((velocity) => ({ surface, velocity, take })),
  ).flat()
}

/** The name of a sample: the same for the same one. */
export function sampleKey({ surface, velocity, take }: Sample): string {
  return `${surface} ${velocity} ${take}`
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

/** Up to here the limiter leaves everything as it is. */
const UNLIMITED = 0.7

/**
 * What is too loud is bent below 1; what is not is left alone. Law: odd, rising, never 1 or more.
 *
 * @example limited(0.5) // 0.5
 */
export function limited(sample: number): number {
  const size = Math.abs(sample)
  if (size <= UNLIMITED) return sample
  const room = 1 - UNLIMITED
  // Just below 1, also where the curve is nearest to it.
  return Math.sign(sample) * (UNLIMITED + room * 0.999 * Math.tanh((size - UNLIMITED) / room))
}
