import type { KitSound } from '../kit'
import { type SoundEvent, strikesOf } from '../performance'
import type { Voice } from '../sticking'
import { type SoundChoice, USUAL_SOUND } from './choice'
import type { ClickWeight } from './clicks'
import { inRoom, type Neighbour, panGains, ringingAlong, type Stereo, silence } from './room'
import { CHOKE_SECONDS, CLICK_GAIN, limited, type Sample, Striking } from './striking'
import { TOM_PITCH } from './strokes'

/** An event and when it sounds, in seconds from the beginning. */
export interface TimedEvent {
  readonly event: SoundEvent
  readonly seconds: number
  /** How long a tick lasts where it sounds: the lead of graces is in milliseconds. */
  readonly secondsPerTick: number
}

/** What the samples of a kit and a click are, at the rate of a mix. */
export interface Samples {
  readonly stroke: (sample: Sample) => Float32Array
  readonly click: (weight: ClickWeight) => Float32Array
}

/** What is mixed, and how. */
export interface Mixing {
  /** Samples a second. */
  readonly rate: number
  /** How long it is, in seconds; what rings longer is cut there. */
  readonly seconds: number
  readonly samples: Samples
  /** How it is heard; the usual way where nothing is said. */
  readonly choice?: SoundChoice
  /** Where the kit's pieces stand. */
  readonly pans?: KitSound['pans']
  /** Told now and then how many of all the sounds are in. */
  readonly onProgress?: (done: number, all: number) => void
}

/** Sounds between two tellings of progress. */
const TOLD_EACH = 500

/** Something that rings: from which sample of the mix, how loud, and where it is taken hold of. */
interface Ringing {
  readonly surface: Voice | 'click'
  readonly from: number
  readonly gains: readonly [left: number, right: number]
  readonly speed: number
  readonly samples: Float32Array
  /** The sample of the mix from which it is choked; none while it may ring. */
  chokedAt: number
}

/** The toms of a kit, which ring along; on the side on which they are heard. */
export function neighboursOf(pans: KitSound['pans'], side: SoundChoice['side']): Neighbour[] {
  return (['t1', 't2', 't3', 't4', 't5', 't6', 'f1', 'f2'] as const).flatMap((tom) => {
    const pan = pans[tom]
    return pan === undefined ? [] : [{ hertz: TOM_PITCH[tom], pan: heardAt(pan, side) }]
  })
}

/** Where something is heard that stands at a place of the kit, by the drummer or from before it. */
export function heardAt(pan: number, side: SoundChoice['side']): number {
  return side === 'drummer' ? pan : -pan || 0
}

/**
 * A performance in samples from -1 to 1, in two channels: every sound begins at the sample that is nearest to
 * its time, none is moved to another. `events` are in order of time. The kit is heard where it stands, in its
 * room; the click in the middle, without. Law: a mix of two lists that do not silence each other nor share a
 * surface is the sum of their mixes, as long as nothing is too loud.
 * Example: at 44,100 a second what sounds at 0.5 s begins at sample 22,050.
 */
export function mixEvents(events: readonly TimedEvent[], mixing: Mixing): Stereo {
  const { rate, seconds, choice = USUAL_SOUND, pans = {} } = mixing
  const length = Math.ceil(seconds * rate)
  const [kit, click] = [silence(length), silence(length)]
  const ringing = ringingOf(events, mixing)
  for (const [i, one] of ringing.entries()) {
    if (i % TOLD_EACH === 0) mixing.onProgress?.(i, ringing.length)
    addTo(one.surface === 'click' ? click : kit, one, rate)
  }
  const struck = kit.left.map((left, i) => (left + (kit.right[i] as number)) / 2)
  const ring = ringingAlong(struck, neighboursOf(pans, choice.side), rate)
  const room = choice.room > 0 ? inRoom(struck, rate) : silence(0)
  const ear = (of: 'left' | 'right') =>
    kit[of].map((dry, i) =>
      limited(
        choice.master *
          (dry +
            (click[of][i] as number) +
            (ring[of][i] as number) +
            choice.room * (room[of][i] ?? 0)),
      ),
    )
  return { left: ear('left'), right: ear('right') }
}

function ringingOf(events: readonly TimedEvent[], mixing: Mixing): Ringing[] {
  const { rate, samples, choice = USUAL_SOUND, pans = {} } = mixing
  const all: Ringing[] = []
  const striking = new Striking()
  const choke = (surface: Voice, at: number) => {
    striking.still(surface)
    for (const one of all) {
      if (one.surface === surface && one.from < at) one.chokedAt = Math.min(one.chokedAt, at)
    }
  }
  const unchoked = Number.POSITIVE_INFINITY
  for (const { event, seconds, secondsPerTick } of events) {
    const at = Math.round(seconds * rate)
    if (event.kind === 'choke') choke(event.surface, at)
    else if (event.kind === 'click') {
      const [gain] = panGains(0)
      const gains = [CLICK_GAIN * gain, CLICK_GAIN * gain] as const
      const click = { surface: 'click', from: at, gains, speed: 1, chokedAt: unchoked } as const
      all.push({ ...click, samples: samples.click(event.weight) })
    } else {
      for (const one of strikesOf(event, secondsPerTick)) {
        const when = seconds - one.leadMs / 1000
        const from = Math.max(0, Math.round(when * rate))
        const { silenced, started } = striking.strike(one, when, pans)
        for (const surface of silenced) choke(surface, from)
        for (const { sample, gain, pan, speed } of started) {
          const [left, right] = panGains(heardAt(pan, choice.side))
          const gains = [left * gain, right * gain] as const
          const surface = sample.surface === 'wires' ? 'sn' : one.surface
          all.push({
            surface,
            from,
            gains,
            speed,
            samples: samples.stroke(sample),
            chokedAt: unchoked,
          })
        }
      }
    }
  }
  return all
}

/** Adds a sound to the mix; one that is choked dies away from there. */
function addTo({ left, right }: Stereo, one: Ringing, rate: number): void {
  const { samples, from, gains, speed, chokedAt } = one
  const end = Math.min(Math.floor((samples.length - 1) / speed) + 1, left.length - from)
  const decay = Math.exp(-Math.log(1000) / (CHOKE_SECONDS * rate))
  let level = 1
  for (let i = 0; i < end; i += 1) {
    if (from + i >= chokedAt) {
      level *= decay
      if (level < 1e-4) return
    }
    const at = i * speed
    const whole = Math.floor(at)
    const before = samples[whole] as number
    const sample = level * (before + (at - whole) * ((samples[whole + 1] ?? before) - before))
    left[from + i] = (left[from + i] as number) + gains[0] * sample
    right[from + i] = (right[from + i] as number) + gains[1] * sample
  }
}
