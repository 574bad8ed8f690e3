import { CHIRP_EVERY_SECONDS, CHIRPS, MAX_DELAY_SECONDS, makeChirp } from '~/core/onsets'
import { Hearing, type OnsetListener } from './hearing'

/** Why a microphone cannot be heard. */
export type MicrophoneFault = 'refused' | 'none' | 'unsupported' | 'failed'

/**
 * Finds how late chirps come back in a recording, in seconds; null where they are not heard. `played` are the
 * samples at which they were played. It is long work, done off the page.
 */
export type FindDelay = (recording: {
  readonly samples: Float32Array
  readonly played: readonly number[]
  readonly rate: number
}) => Promise<number | null>

/** What a microphone is. */
export interface HeardDevice {
  /** As the browser names it, the same from day to day. */
  readonly id: string
  /** Whether its sound is made ready for speech all the same: then ghosts are lost. */
  readonly forSpeech: boolean
}

/** The microphone as it is: what helps speech takes ghosts away. */
const PLAIN = { echoCancellation: false, noiseSuppression: false, autoGainControl: false } as const

/** A microphone at the kit. It is asked for when it is opened, and let go when it is closed. */
export class Microphone {
  private closed = false
  readonly device: HeardDevice

  private constructor(
    private readonly stream: MediaStream,
    private readonly context: AudioContext,
    private readonly hearing: Hearing,
    private readonly findDelay: FindDelay,
  ) {
    this.device = deviceOf(stream)
  }

  /** Opens the microphone; rejects with a `MicrophoneFault`. */
  static async open(ears: OnsetListener, findDelay: FindDelay): Promise<Microphone> {
    if (!navigator.mediaDevices?.getUserMedia || typeof AudioWorkletNode === 'undefined')
      throw 'unsupported' satisfies MicrophoneFault
    const stream = await navigator.mediaDevices
      .getUserMedia({ audio: PLAIN })
      .catch((error: unknown) => {
        throw faultOf(error)
      })
    const context = new AudioContext({ latencyHint: 'interactive' })
    try {
      const hearing = await Hearing.begin(context, context.createMediaStreamSource(stream), ears)
      return new Microphone(stream, context, hearing, findDelay)
    } catch {
      letGo(stream)
      void context.close()
      throw 'failed' satisfies MicrophoneFault
    }
  }

  /**
   * Measures how late sound comes back from the loudspeaker, in milliseconds; null where it is not heard.
   * Takes twelve seconds.
   */
  async measureDelay(): Promise<number | null> {
    const { context, hearing } = this
    const { sampleRate: rate } = context
    const chirp = makeChirp(rate)
    const buffer = context.createBuffer(1, chirp.length, rate)
    buffer.copyToChannel(chirp, 0)
    const heard = hearing.record(CHIRPS * CHIRP_EVERY_SECONDS + MAX_DELAY_SECONDS + 0.5)
    const start = context.currentTime + 0.2
    const times = Array.from({ length: CHIRPS }, (_, i) => start + i * CHIRP_EVERY_SECONDS)
    for (const time of times) {
      const source = context.createBufferSource()
      source.buffer = buffer
      source.connect(context.destination)
      source.start(time)
    }
    const { from, samples } = await heard
    const played = times.map((time) => (time - from) * rate)
    const delay = await this.findDelay({ samples, played, rate })
    return delay === null ? null : delay * 1000
  }

  /** Lets the microphone go. */
  close(): void {
    if (this.closed) return
    this.closed = true
    this.hearing.end()
    letGo(this.stream)
  }
}

function letGo(stream: MediaStream): void {
  for (const track of stream.getTracks()) track.stop()
}

function deviceOf(stream: MediaStream): HeardDevice {
  const settings = stream.getAudioTracks()[0]?.getSettings() ?? {}
  const { echoCancellation, noiseSuppression, autoGainControl, deviceId = '' } = settings
  const forSpeech = [echoCancellation, noiseSuppression, autoGainControl].includes(true)
  return { id: deviceId.slice(0, 300), forSpeech }
}

function faultOf(error: unknown): MicrophoneFault {
  const { name } = (error ?? {}) as { name?: string }
  if (name === 'NotAllowedError' || name === 'SecurityError') return 'refused'
  return name === 'NotFoundError' || name === 'OverconstrainedError' ? 'none' : 'failed'
}
