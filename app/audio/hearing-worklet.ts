import { OnsetDetector } from '~/core/onsets'

// What the worklet's world has, and the page's types do not.
declare const sampleRate: number
declare const currentFrame: number
declare function registerProcessor(name: string, of: new () => AudioWorkletProcessor): void
declare class AudioWorkletProcessor {
  readonly port: MessagePort
}

/** What the worklet tells the page. Times are seconds on the clock of its audio context. */
export type HearingMessage =
  | {
      readonly kind: 'onset'
      readonly seconds: number
      readonly db: number
      readonly attackDb: number
    }
  /** The highest level of the last tenth of a second, and whether sound was lost in it. */
  | { readonly kind: 'level'; readonly db: number; readonly lost: boolean }
  /** What was asked to be recorded, from a time on. */
  | { readonly kind: 'recorded'; readonly from: number; readonly samples: Float32Array }
/** What the page asks of it: so many seconds of sound as they are. They stay in the page's memory. */
export interface HearingRequest {
  readonly recordSeconds: number
}

const LEVELS_A_SECOND = 10

/** Finds strokes in a microphone's sound where that comes in; nothing of the sound itself is kept. */
class Hearing extends AudioWorkletProcessor {
  private readonly detector = new OnsetDetector(sampleRate)
  private peak = 0
  private toldAt = 0
  private lostAt = -1
  private recording: { readonly from: number; readonly samples: Float32Array; at: number } | null =
    null

  constructor() {
    super()
    this.port.onmessage = ({ data }: MessageEvent<HearingRequest>) => {
      const samples = new Float32Array(Math.round(data.recordSeconds * sampleRate))
      this.recording = { from: currentFrame, samples, at: 0 }
    }
  }

  process(inputs: Float32Array[][]): boolean {
    const block = inputs[0]?.[0]
    if (!block) return true
    // Anchored to the frame that this block is, never to a count of samples.
    const base = currentFrame - this.detector.heard
    for (const { sample, db, attackDb } of this.detector.hear(block))
      this.tell({ kind: 'onset', seconds: (base + sample) / sampleRate, db, attackDb })
    for (const sample of block) this.peak = Math.max(this.peak, Math.abs(sample))
    this.record(block)
    if (currentFrame - this.toldAt >= sampleRate / LEVELS_A_SECOND) {
      const { lostAt } = this.detector
      this.tell({
        kind: 'level',
        db: 20 * Math.log10(Math.max(1e-6, this.peak)),
        lost: lostAt !== this.lostAt && lostAt >= 0,
      })
      this.lostAt = lostAt
      this.peak = 0
      this.toldAt = currentFrame
    }
    return true
  }

  private record(block: Float32Array): void {
    const { recording } = this
    if (!recording) return
    const { samples, at } = recording
    samples.set(block.subarray(0, samples.length - at), at)
    recording.at += block.length
    if (recording.at < samples.length) return
    this.recording = null
    this.tell({ kind: 'recorded', from: recording.from / sampleRate, samples })
  }

  private tell(message: HearingMessage): void {
    this.port.postMessage(message)
  }
}

registerProcessor('hearing', Hearing)
