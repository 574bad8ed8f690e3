import type { KitSound } from '~/core/kit'
import { type SoundEvent, strikesOf } from '~/core/performance'
import {
  CHOKE_SECONDS,
  CLICK_GAIN,
  type ClickWeight,
  heardAt,
  neighboursOf,
  type Sample,
  type SoundChoice,
  type Started,
  Striking,
  USUAL_SOUND,
} from '~/core/sound'
import type { Limb, Surface, Voice } from '~/core/sticking'
import { type Desk, openDesk } from './desk'
import type { OwnStroke } from './own-samples'
import type { Sink } from './scheduler'

/** The four limbs that have a volume of their own, and the click. */
export type Channel = 'RH' | 'LH' | 'RF' | 'LF' | 'click'
export const CHANNELS: readonly Channel[] = ['RH', 'LH', 'RF', 'LF', 'click']

/** What a sampler plays: strokes of a kit as far as they are there, and clicks. */
export interface SampleSource {
  /** The sample of a stroke, or the nearest to it that is there; undefined for none. */
  readonly stroke: (sample: Sample) => AudioBuffer | undefined
  /** A sound of the player's own for a stroke so hard; undefined where the kit's is to be heard. */
  readonly own?: (surface: Surface, velocity: number) => OwnStroke | undefined
  readonly click: (weight: ClickWeight) => AudioBuffer
}

interface Ringing {
  readonly source: AudioBufferSourceNode
  readonly gain: GainNode
  readonly surface: Voice | 'click'
  readonly begins: number
  readonly volume: number
  readonly seconds: number
  /** When it is taken hold of; null while it may ring. */
  chokedAt: number | null
}

/** A click that is softened comes in over so many seconds. */
const SOFT_CLICK_SECONDS = 0.004

/** Plays a rendered kit through Web Audio: each piece from its place, a gain a limb, a room, a limiter at the end. */
export class KitSampler implements Sink {
  /** Whether clicks come in softly, since a microphone listens. */
  softClick = false
  private readonly desk: Desk
  private readonly channels: ReadonlyMap<Channel, GainNode>
  /** Where a limb's strokes on a surface go through: to their side. */
  private readonly places = new Map<string, { panner: StereoPannerNode; pan: number }>()
  private pans: KitSound['pans'] = {}
  private choice: SoundChoice = USUAL_SOUND
  private striking = new Striking()
  private ringing: Ringing[] = []

  constructor(
    private readonly context: BaseAudioContext,
    private readonly samples: SampleSource,
  ) {
    this.desk = openDesk(context)
    this.channels = new Map(
      CHANNELS.map((channel) => {
        const gain = context.createGain()
        gain.connect(channel === 'click' ? this.desk.master : this.desk.kit)
        return [channel, gain]
      }),
    )
  }

  /** A limb's volume, 0 to 1. At 0 it is silent and keeps its time. */
  setVolume(channel: Channel, volume: number): void {
    this.channels.get(channel)?.gain.setTargetAtTime(volume, this.context.currentTime, 0.01)
  }

  /** How the kit is heard from now on. */
  setChoice(choice: SoundChoice): void {
    const turned = choice.side !== this.choice.side
    this.choice = choice
    this.desk.setLevels(choice)
    // What rings along is made anew only where it is heard from elsewhere.
    if (turned) this.placeAll()
  }

  /** Where the kit's pieces stand from now on. */
  setPans(pans: KitSound['pans']): void {
    if (pans === this.pans) return
    this.pans = pans
    this.placeAll()
  }

  private placeAll(): void {
    const { side } = this.choice
    for (const { panner, pan } of this.places.values()) panner.pan.value = heardAt(pan, side)
    this.desk.setNeighbours(neighboursOf(this.pans, side))
  }

  /** How loud it is now: the largest sample of the last moment, 0 to 1. */
  level(): number {
    return this.desk.level()
  }

  strike(event: SoundEvent, seconds: number, secondsPerTick: number): void {
    if (event.kind === 'choke') this.choke(event.surface, seconds)
    else if (event.kind === 'click') {
      // The count-in is heard even where the click is turned off.
      const out = event.countIn ? this.desk.master : this.channels.get('click')
      const buffer = this.samples.click(event.weight)
      if (out) this.start({ buffer, out, volume: CLICK_GAIN, speed: 1, seconds, surface: 'click' })
    } else {
      for (const one of strikesOf(event, secondsPerTick)) {
        const when = seconds - one.leadMs / 1000
        const { silenced, started } = this.striking.strike(one, when, this.pans)
        for (const surface of silenced) this.choke(surface, when)
        for (const sound of started) this.startStroke(sound, one.surface)
      }
    }
  }

  cancelFrom(seconds: number): void {
    this.striking.forgetFrom(seconds)
    this.ringing = this.ringing.filter((one) => {
      if (one.begins >= seconds) {
        one.source.stop()
        one.gain.disconnect()
        return false
      }
      if (one.chokedAt !== null && one.chokedAt >= seconds) release(one, one.chokedAt)
      return true
    })
  }

  /** Ends everything at once, what rings included. */
  silence(): void {
    this.cancelFrom(0)
  }

  private startStroke(started: Started, struck: Voice): void {
    const { sample, limb, velocity, seconds, gain, pan, speed } = started
    const out = this.placeFor(limb, sample.surface, pan)
    const own =
      sample.surface === 'wires' ? undefined : this.samples.own?.(sample.surface, velocity)
    if (own) {
      const volume = gain * own.gain
      this.start({ ...own, out, volume, seconds, surface: struck })
      return
    }
    const buffer = this.samples.stroke(sample)
    if (!buffer) return
    const surface = sample.surface === 'wires' ? 'sn' : struck
    this.start({ buffer, out, volume: gain, speed, seconds, surface })
  }

  private placeFor(limb: Limb, surface: string, pan: number): AudioNode {
    const channel = limb === 'XH' ? 'RH' : limb
    const key = `${channel} ${surface}`
    const known = this.places.get(key)
    if (known?.pan === pan) return known.panner
    const panner = known?.panner ?? this.context.createStereoPanner()
    panner.pan.value = heardAt(pan, this.choice.side)
    if (!known) panner.connect(this.channels.get(channel) as GainNode)
    this.places.set(key, { panner, pan })
    return panner
  }

  private start(sound: {
    buffer: AudioBuffer
    out: AudioNode
    volume: number
    speed: number
    seconds: number
    surface: Ringing['surface']
    /** Seconds that are left out at its beginning. */
    offset?: number
  }): void {
    const { buffer, out, volume, speed, surface, offset = 0 } = sound
    const seconds = Math.max(0, sound.seconds)
    const [source, gain] = [this.context.createBufferSource(), this.context.createGain()]
    source.buffer = buffer
    source.playbackRate.value = speed
    gain.gain.value = volume
    if (this.softClick && surface === 'click') {
      gain.gain.setValueAtTime(0, seconds)
      gain.gain.linearRampToValueAtTime(volume, seconds + SOFT_CLICK_SECONDS)
    }
    source.connect(gain).connect(out)
    source.start(seconds, offset)
    const lasts = Math.max(0, buffer.duration - offset) / speed
    const entry: Ringing = {
      ...{ source, gain, surface, volume },
      ...{ begins: sound.seconds, seconds: lasts, chokedAt: null },
    }
    this.ringing.push(entry)
    source.onended = () => {
      gain.disconnect()
      this.ringing = this.ringing.filter((other) => other !== entry)
    }
  }

  private choke(surface: Voice, seconds: number): void {
    this.striking.still(surface)
    for (const one of this.ringing) {
      if (one.surface !== surface || one.begins >= seconds) continue
      if (one.chokedAt !== null && one.chokedAt <= seconds) continue
      one.chokedAt = seconds
      // A thousandth is left after the time of a choke.
      one.gain.gain.setTargetAtTime(0, seconds, CHOKE_SECONDS / Math.log(1000))
      one.source.stop(seconds + CHOKE_SECONDS * 2)
    }
  }
}

/** Takes back a choke that has not begun: it rings as long as it would have. */
function release(one: Ringing, chokedAt: number): void {
  one.gain.gain.cancelScheduledValues(chokedAt)
  one.source.stop(one.begins + one.seconds)
  one.chokedAt = null
}
