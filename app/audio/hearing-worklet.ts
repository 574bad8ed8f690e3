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
  /** Sound as it came in, from a time on: told while the page asked for it. */
  | { readonly kind: 'sound'; readonly from: number; readonly samples: Float32Array }
  /** What was asked to be recorded, from a time on. */
  | { readonly kind: 'recorded'; readonly from: number; readonly samples: Float32Array }
/** What the page asks of it: so many seconds of sound as they are, or all of it from now on, or none any more. */
export type HearingRequest =
  | { readonly kind: 'record'; readonly seconds: number }
  | { readonly kind: 'tell-sound'; readonly wanted: boolean }

const LEVELS_A_SECOND = 10
/** Sound that is told comes in pieces of so many seconds. */
const PIECE_SECONDS = 0.2

/** Finds strokes in a microphone's sound where that comes in; of the sound itself it keeps nothing. */
class Hearing extends AudioWorkletProcessor {
  private readonly detector = new OnsetDetector(sampleRate)
  private peak = 0
  private toldAt = 0
  private lostAt = -1
  private recording: { readonly from: number; readonly samples: Float32Array; at: number } | null =
    null

  /** The piece that is being filled; null while no sound is to be told. */
  private piece: { from: number; readonly samples: Float32Array; at: number } | null = null

  constructor() {
    super()
    this.port.onmessage = ({ data }: MessageEvent<HearingRequest>) => {
      if (data.kind === 'tell-sound') this.piece = data.wanted ? newPiece() : null
      else {
        const samples = new Float32Array(Math.round(data.seconds * sampleRate))
        this.recording = { from: currentFrame, samples, at: 0 }
      }
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
    this.tellSound(block)
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

  private tellSound(block: Float32Array): void {
    const { piece } = this
    if (!piece) return
    // Anchored to the frame of its first block; where blocks were left out a new piece begins.
    if (piece.at === 0) piece.from = currentFrame
    else if (currentFrame !== piece.from + piece.at) {
      const samples = piece.samples.slice(0, piece.at)
      this.tell({ kind: 'sound', from: piece.from / sampleRate, samples })
      this.piece = { ...newPiece(), from: currentFrame }
      this.tellSound(block)
      return
    }
    piece.samples.set(block.subarray(0, piece.samples.length - piece.at), piece.at)
    piece.at += block.length
    if (piece.at < piece.samples.length) return
    const { from, samples } = piece
    this.piece = newPiece()
    this.port.postMessage({ kind: 'sound', from: from / sampleRate, samples }, [samples.buffer])
  }

  private tell(message: HearingMessage): void {
    this.port.postMessage(message)
  }
}

/** An empty piece of sound from the next block on: as many whole blocks as come to its seconds. */
function newPiece() {
  const blocks = Math.round((PIECE_SECONDS * sampleRate) / 128)
  return { from: currentFrame, samples: new Float32Array(blocks * 128), at: 0 }
}

registerProcessor('hearing', Hearing)
