import { type SoundEvent, strikesOf } from '../performance'
import type { Voice } from '../sticking'
import type { SoundName } from './kit-sounds'
import { CHOKE_SECONDS, CLICK_GAIN, silencedBy, soundOf, velocityGain } from './striking'

/** An event and when it sounds, in seconds from the beginning. */
export interface TimedEvent {
  readonly event: SoundEvent
  readonly seconds: number
  /** How long a tick lasts where it sounds: the lead of graces is in milliseconds. */
  readonly secondsPerTick: number
}

/** What is mixed, and how. */
export interface Mixing {
  /** Samples a second. */
  readonly rate: number
  /** How long it is, in seconds; what rings longer is cut there. */
  readonly seconds: number
  /** The sound of a name at that rate. */
  readonly sound: (name: SoundName) => Float32Array
  /** Told now and then how many of all the sounds are in. */
  readonly onProgress?: (done: number, all: number) => void
}

/** Sounds between two tellings of progress. */
const TOLD_EACH = 500

/** Something that rings: from which sample of the mix, how loud, and where it is taken hold of. */
interface Ringing {
  readonly surface: Voice | 'click'
  readonly from: number
  readonly gain: number
  readonly samples: Float32Array
  /** The sample of the mix from which it is choked; none while it may ring. */
  chokedAt: number
}

/** Where a mix would clip it is made as much softer as a whole. */
const LOUDEST = 0.98

/**
 * A performance in samples from -1 to 1, one channel: every sound begins at the sample that is nearest to
 * its time, none is moved to another. `events` are in order of time. Law: a mix of two lists that do not
 * silence each other is the sum of their mixes, up to its loudness.
 * Example: at 44,100 a second what sounds at 0.5 s begins at sample 22,050.
 */
export function mixEvents(
  events: readonly TimedEvent[],
  mixing: Mixing,
): Float32Array<ArrayBuffer> {
  const { rate, seconds } = mixing
  const mixed = new Float32Array(Math.ceil(seconds * rate))
  const ringing = ringingOf(events, mixing)
  for (const [i, one] of ringing.entries()) {
    if (i % TOLD_EACH === 0) mixing.onProgress?.(i, ringing.length)
    addTo(mixed, one, rate)
  }
  const peak = peakOf(mixed)
  if (peak <= LOUDEST) return mixed
  for (let i = 0; i < mixed.length; i += 1) mixed[i] = ((mixed[i] as number) * LOUDEST) / peak
  return mixed
}

function peakOf(samples: Float32Array): number {
  let peak = 0
  for (let i = 0; i < samples.length; i += 1) peak = Math.max(peak, Math.abs(samples[i] as number))
  return peak
}

function ringingOf(events: readonly TimedEvent[], mixing: Mixing): Ringing[] {
  const { rate, sound } = mixing
  const all: Ringing[] = []
  const choke = (surface: Voice, at: number) => {
    for (const one of all) {
      if (one.surface === surface && one.from < at) one.chokedAt = Math.min(one.chokedAt, at)
    }
  }
  const start = (name: SoundName, surface: Ringing['surface'], gain: number, at: number) =>
    all.push({ surface, from: at, gain, samples: sound(name), chokedAt: Number.POSITIVE_INFINITY })
  const strike = (surface: Voice, velocity: number, at: number) => {
    for (const silenced of silencedBy(surface)) choke(silenced, at)
    start(soundOf(surface, velocity), surface, velocityGain(velocity), at)
  }
  for (const { event, seconds, secondsPerTick } of events) {
    const at = Math.round(seconds * rate)
    if (event.kind === 'choke') choke(event.surface, at)
    else if (event.kind === 'click') start(`click-${event.weight}`, 'click', CLICK_GAIN, at)
    else {
      for (const one of strikesOf(event, secondsPerTick)) {
        const before = Math.max(0, Math.round((seconds - one.leadMs / 1000) * rate))
        strike(one.surface, one.velocity, before)
      }
    }
  }
  return all
}

/** Adds a sound to the mix; one that is choked dies away from there. */
function addTo(mixed: Float32Array, one: Ringing, rate: number): void {
  const { samples, from, gain, chokedAt } = one
  const end = Math.min(samples.length, mixed.length - from)
  const decay = Math.exp(-3 / (CHOKE_SECONDS * rate))
  let level = gain
  for (let i = 0; i < end; i += 1) {
    if (from + i >= chokedAt) level *= decay
    mixed[from + i] = (mixed[from + i] ?? 0) + (samples[i] ?? 0) * level
  }
}
