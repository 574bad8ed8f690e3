import {
  CHIRP_EVERY_SECONDS,
  CHIRPS,
  ClockMap,
  Loudness,
  MOST_DELAY_SECONDS,
  makeChirp,
  measuredDelay,
} from '~/core/hearing'
import type { HearingMessage, HearingRequest } from './hearing-worklet'
import workletUrl from './hearing-worklet.ts?worker&url'

/** Why a microphone cannot be heard. */
export type MicrophoneFault = 'refused' | 'none' | 'unsupported' | 'failed'

/** What a microphone tells. */
export interface MicrophoneEars {
  /** A stroke, at a time on the page's clock in milliseconds, 1 to 127 loud. */
  readonly onStroke: (at: number, velocity: number) => void
  /** The level, in decibels below full scale, ten times a second, and whether sound was lost. */
  readonly onLevel: (db: number, lost: boolean) => void
}

const PAIR_MS = 250
/** The microphone as it is: what helps speech takes ghosts away. */
const PLAIN = { echoCancellation: false, noiseSuppression: false, autoGainControl: false } as const

/**
 * A microphone at the kit: strokes are found in an audio worklet, and nothing of the sound is kept or sent.
 * It is asked for when it is opened, and let go when it is closed.
 */
export class Microphone {
  private closed = false
  private readonly clock = new ClockMap()
  private readonly loudness = new Loudness()
  private readonly timer: ReturnType<typeof setInterval>
  private onRecorded: ((from: number, samples: Float32Array) => void) | null = null

  private constructor(
    private readonly stream: MediaStream,
    private readonly context: AudioContext,
    private readonly node: AudioWorkletNode,
    private readonly ears: MicrophoneEars,
  ) {
    this.timer = setInterval(() => this.pair(), PAIR_MS)
    this.pair()
    node.port.onmessage = ({ data }: MessageEvent<HearingMessage>) => this.take(data)
  }

  /** Opens the microphone; rejects with a `MicrophoneFault`. */
  static async open(ears: MicrophoneEars): Promise<Microphone> {
    if (!navigator.mediaDevices?.getUserMedia || typeof AudioWorkletNode === 'undefined')
      throw 'unsupported' satisfies MicrophoneFault
    const stream = await navigator.mediaDevices
      .getUserMedia({ audio: PLAIN })
      .catch((error: unknown) => {
        throw faultOf(error)
      })
    const context = new AudioContext({ latencyHint: 'interactive' })
    try {
      await context.resume()
      await context.audioWorklet.addModule(workletUrl)
      const node = new AudioWorkletNode(context, 'hearing', { numberOfOutputs: 0 })
      context.createMediaStreamSource(stream).connect(node)
      return new Microphone(stream, context, node, ears)
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
    const { context } = this
    const chirp = makeChirp(context.sampleRate)
    const buffer = context.createBuffer(1, chirp.length, context.sampleRate)
    buffer.copyToChannel(chirp, 0)
    const seconds = CHIRPS * CHIRP_EVERY_SECONDS + MOST_DELAY_SECONDS
    const heard = new Promise<{ from: number; samples: Float32Array }>((resolve) => {
      this.onRecorded = (from, samples) => resolve({ from, samples })
    })
    this.node.port.postMessage({ recordSeconds: seconds + 0.5 } satisfies HearingRequest)
    const start = context.currentTime + 0.2
    const times = Array.from({ length: CHIRPS }, (_, i) => start + i * CHIRP_EVERY_SECONDS)
    for (const time of times) {
      const source = context.createBufferSource()
      source.buffer = buffer
      source.connect(context.destination)
      source.start(time)
    }
    const { from, samples } = await heard
    const rate = context.sampleRate
    const delay = measuredDelay(
      samples,
      times.map((time) => (time - from) * rate),
      rate,
    )
    return delay === null ? null : delay * 1000
  }

  /** Lets the microphone go. */
  close(): void {
    if (this.closed) return
    this.closed = true
    clearInterval(this.timer)
    this.node.port.onmessage = null
    letGo(this.stream)
    void this.context.close()
  }

  private pair(): void {
    const { contextTime = 0, performanceTime = 0 } = this.context.getOutputTimestamp()
    // Before the device runs both are 0: then what it has rendered so far has to do.
    if (performanceTime > 0) this.clock.add({ device: contextTime * 1000, page: performanceTime })
    else if (!this.clock.known)
      this.clock.add({ device: this.context.currentTime * 1000, page: performance.now() })
  }

  private take(message: HearingMessage): void {
    if (message.kind === 'level') this.ears.onLevel(message.db, message.lost)
    else if (message.kind === 'recorded') this.onRecorded?.(message.from, message.samples)
    else {
      if (!this.clock.known) this.pair()
      if (this.clock.known)
        this.ears.onStroke(
          this.clock.toPage(message.seconds * 1000),
          this.loudness.velocityOf(message.db),
        )
    }
  }
}

function letGo(stream: MediaStream): void {
  for (const track of stream.getTracks()) track.stop()
}

function faultOf(error: unknown): MicrophoneFault {
  const { name } = (error ?? {}) as { name?: string }
  if (name === 'NotAllowedError' || name === 'SecurityError') return 'refused'
  return name === 'NotFoundError' || name === 'OverconstrainedError' ? 'none' : 'failed'
}
