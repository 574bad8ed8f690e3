import { ClockMap, Loudness } from '~/core/onsets'
import type { HearingMessage, HearingRequest } from './hearing-worklet'
import workletUrl from './hearing-worklet.ts?worker&url'

/** What is told of a sound that is listened to. */
export interface OnsetListener {
  /**
   * A stroke, at a time on the page's clock in milliseconds, 1 to 127 loud among the last ones, and how
   * sharply it begins, in decibels.
   */
  readonly onStroke: (at: number, velocity: number, attackDb: number) => void
  /** The level, in decibels below full scale, ten times a second, and whether sound was lost. */
  readonly onLevel: (db: number, lost: boolean) => void
  /** Sound as it came in, for who listens back: when it was heard, by the page's clock in milliseconds. */
  readonly onSound?: (sound: {
    readonly from: number
    readonly samples: Float32Array
    readonly rate: number
  }) => void
}

/** Sound as it was recorded: its first sample's time on the device's clock, in seconds. */
export interface Recorded {
  readonly from: number
  readonly samples: Float32Array
}

const PAIR_MS = 250

/**
 * Finds the strokes of a sound in an audio worklet, whatever makes the sound, and tells them on the page's
 * clock. The sound itself goes to who listens, and nowhere else.
 */
export class Hearing {
  private readonly clock = new ClockMap()
  private readonly loudness = new Loudness()
  private readonly timer: ReturnType<typeof setInterval>
  private onRecorded: ((recorded: Recorded) => void) | null = null

  private constructor(
    private readonly context: AudioContext,
    private readonly node: AudioWorkletNode,
    private readonly ears: OnsetListener,
  ) {
    this.timer = setInterval(() => this.pair(), PAIR_MS)
    this.pair()
    node.port.onmessage = ({ data }: MessageEvent<HearingMessage>) => this.take(data)
    if (ears.onSound)
      node.port.postMessage({ kind: 'tell-sound', wanted: true } satisfies HearingRequest)
  }

  /** Begins to listen to what a source of the context gives; rejects where there are no worklets. */
  static async begin(
    context: AudioContext,
    source: AudioNode,
    ears: OnsetListener,
  ): Promise<Hearing> {
    await context.resume()
    await context.audioWorklet.addModule(workletUrl)
    const node = new AudioWorkletNode(context, 'hearing', { numberOfOutputs: 0 })
    source.connect(node)
    return new Hearing(context, node, ears)
  }

  /** Keeps so many seconds of the sound from now on, in the page's memory alone. */
  record(seconds: number): Promise<Recorded> {
    return new Promise((resolve) => {
      this.onRecorded = resolve
      this.node.port.postMessage({ kind: 'record', seconds } satisfies HearingRequest)
    })
  }

  /** A time of the page's clock, in milliseconds, on the device's, in seconds. */
  toDevice(page: number): number {
    if (!this.clock.known) this.pair()
    return (page - this.clock.toPage(0)) / 1000
  }

  /** Ends listening, and lets the device go. */
  end(): void {
    clearInterval(this.timer)
    this.node.port.onmessage = null
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
    else if (message.kind === 'recorded') this.onRecorded?.(message)
    else if (message.kind === 'sound') {
      const { from, samples } = message
      if (this.clock.known)
        this.ears.onSound?.({
          from: this.clock.toPage(from * 1000),
          samples,
          rate: this.context.sampleRate,
        })
    } else {
      if (!this.clock.known) this.pair()
      if (this.clock.known)
        this.ears.onStroke(
          this.clock.toPage(message.seconds * 1000),
          this.loudness.velocityOf(message.db),
          message.attackDb,
        )
    }
  }
}
