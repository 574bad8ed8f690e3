import { type SoundEvent, type SoundStroke, strikesOf } from '~/core/performance'
import {
  CHOKE_SECONDS,
  CLICK_GAIN,
  type SoundName,
  silencedBy,
  soundOf,
  velocityGain,
} from '~/core/sound'
import type { Limb, Voice } from '~/core/sticking'
import type { Sink } from './scheduler'

/** The four limbs that have a volume of their own, and the click. */
export type Channel = 'RH' | 'LH' | 'RF' | 'LF' | 'click'
export const CHANNELS: readonly Channel[] = ['RH', 'LH', 'RF', 'LF', 'click']

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

/** Plays a rendered kit through Web Audio: a gain a limb, a limiter at the end. */
export class KitSampler implements Sink {
  /** Whether clicks come in softly, since a microphone listens. */
  softClick = false
  private readonly channels: ReadonlyMap<Channel, GainNode>
  /** Where all of it ends: a limiter holds back what it gets, so nothing may go round it. */
  private readonly limiter: AudioNode
  private ringing: Ringing[] = []

  constructor(
    private readonly context: BaseAudioContext,
    private readonly sounds: ReadonlyMap<SoundName, AudioBuffer>,
  ) {
    const limiter = context.createDynamicsCompressor()
    limiter.threshold.value = -6
    limiter.knee.value = 6
    limiter.ratio.value = 20
    limiter.attack.value = 0.001
    limiter.release.value = 0.08
    limiter.connect(context.destination)
    this.limiter = limiter
    this.channels = new Map(
      CHANNELS.map((channel) => {
        const gain = context.createGain()
        gain.connect(limiter)
        return [channel, gain]
      }),
    )
  }

  /** A limb's volume, 0 to 1. At 0 it is silent and keeps its time. */
  setVolume(channel: Channel, volume: number): void {
    this.channels.get(channel)?.gain.setTargetAtTime(volume, this.context.currentTime, 0.01)
  }

  strike(event: SoundEvent, seconds: number, secondsPerTick: number): void {
    if (event.kind === 'choke') this.choke(event.surface, seconds)
    else if (event.kind === 'click') {
      // The count-in is heard even where the click is turned off.
      this.start(
        `click-${event.weight}`,
        event.countIn ? null : 'click',
        CLICK_GAIN,
        seconds,
        'click',
      )
    } else this.strikeStroke(event, seconds, secondsPerTick)
  }

  cancelFrom(seconds: number): void {
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

  private strikeStroke(stroke: SoundStroke, seconds: number, secondsPerTick: number): void {
    for (const { surface, velocity, limb, leadMs } of strikesOf(stroke, secondsPerTick)) {
      this.strikeSurface(surface, velocity, limb, seconds - leadMs / 1000)
    }
  }

  private strikeSurface(surface: Voice, velocity: number, limb: Limb, seconds: number): void {
    for (const silenced of silencedBy(surface)) this.choke(silenced, seconds)
    const sound = soundOf(surface, velocity)
    this.start(sound, limb === 'XH' ? 'RH' : limb, velocityGain(velocity), seconds, surface)
  }

  private start(
    name: SoundName,
    channel: Channel | null,
    volume: number,
    seconds: number,
    surface: Ringing['surface'],
  ): void {
    const buffer = this.sounds.get(name)
    const out = (channel && this.channels.get(channel)) ?? this.limiter
    if (!buffer) return
    const source = this.context.createBufferSource()
    const gain = this.context.createGain()
    source.buffer = buffer
    gain.gain.value = volume
    if (this.softClick && surface === 'click') {
      gain.gain.setValueAtTime(0, Math.max(0, seconds))
      gain.gain.linearRampToValueAtTime(volume, Math.max(0, seconds) + SOFT_CLICK_SECONDS)
    }
    source.connect(gain).connect(out)
    source.start(Math.max(0, seconds))
    const entry: Ringing = {
      source,
      gain,
      surface,
      begins: seconds,
      volume,
      seconds: buffer.duration,
      chokedAt: null,
    }
    this.ringing.push(entry)
    source.onended = () => {
      gain.disconnect()
      this.ringing = this.ringing.filter((other) => other !== entry)
    }
  }

  private choke(surface: Voice, seconds: number): void {
    for (const one of this.ringing) {
      if (one.surface !== surface || one.begins >= seconds) continue
      if (one.chokedAt !== null && one.chokedAt <= seconds) continue
      one.chokedAt = seconds
      one.gain.gain.setTargetAtTime(0, seconds, CHOKE_SECONDS / 3)
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
