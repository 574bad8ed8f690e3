import { medianOf } from '~/core/foundation'
import type { Ticks } from '~/core/time'
import type { TimingReport } from '~/core/timing'
import { bestRound } from './best-round'

/** A round that was played and told of, and when it began, in milliseconds of the page's clock. */
export interface TakenRound {
  readonly number: number
  /** The line's first slot, as the music went; the sound is later by the source's delay. */
  readonly startedAt: number
  readonly told: TimingReport
  /** When the app clicked, in milliseconds from the line's first slot. */
  readonly clicks: readonly number[]
}

/** A stretch of sound with the rounds that are in it. */
export interface Take {
  readonly samples: Float32Array<ArrayBuffer>
  /** Samples a second. */
  readonly rate: number
  /** When the first sample was heard, in milliseconds of the page's clock. */
  readonly from: number
  readonly rounds: readonly TakenRound[]
}

/** Sound as it comes in: when its first sample was heard, in milliseconds of the page's clock. */
export interface HeardSound {
  readonly from: number
  readonly samples: Float32Array
  readonly rate: number
}

/** So much is held, in seconds: four rounds of a long line at a slow tempo. */
const HELD_SECONDS = 120
/** So much is heard before a line's first slot and after its last stroke, in milliseconds. */
const BEFORE_MS = 250
const AFTER_MS = 600
/** Rounds that are held at the most, the best apart. */
const MAX_ROUNDS = 8
/** The page's clock and the device's drift apart: sound that joins within so many milliseconds is one. */
const JOINT_MS = 40

/**
 * The last rounds as sound, in memory alone. The best one is held for as long as the line goes on. Nothing is
 * written down; what is forgotten is gone.
 *
 * @example memory.hear(sound); memory.note(round); memory.last(4)?.samples
 */
export class TakeMemory {
  private sounds: HeardSound[] = []
  private rounds: TakenRound[] = []
  private bestSoFar: TakenRound | undefined
  /** The best round's sound, once all of it is there. */
  private bestTake: Take | null = null

  /** Takes in sound as it comes. */
  hear(sound: HeardSound): void {
    this.sounds.push(sound)
    const end = endOf(sound)
    this.sounds = this.sounds.filter((one) => endOf(one) > end - HELD_SECONDS * 1000)
    const { bestSoFar } = this
    if (bestSoFar && !this.bestTake && end > stretchOf([bestSoFar]).to)
      this.bestTake = this.cut([bestSoFar])
  }

  /** A round is over. */
  note(round: TakenRound): void {
    this.rounds = [...this.rounds, round].slice(-MAX_ROUNDS)
    if (bestRound([...(this.bestSoFar ? [this.bestSoFar] : []), round]) !== round) return
    // Its last sound is still to come.
    this.bestSoFar = round
    this.bestTake = null
  }

  /** The last rounds that were told of, so many at the most; null where their sound is not held. */
  last(count: number): Take | null {
    return this.cut(this.rounds.slice(-count))
  }

  /** The best round so far; null before one was heard. */
  best(): Take | null {
    return this.bestTake ?? (this.bestSoFar ? this.cut([this.bestSoFar]) : null)
  }

  /** How many rounds can be heard. */
  get count(): number {
    return this.rounds.length
  }

  forget(): void {
    this.sounds = []
    this.rounds = []
    this.bestSoFar = undefined
    this.bestTake = null
  }

  private cut(rounds: readonly TakenRound[]): Take | null {
    const rate = this.sounds.at(-1)?.rate
    if (rounds.length === 0 || !rate) return null
    const { from, to } = stretchOf(rounds)
    const held = this.sounds.filter(
      (one) => endOf(one) > from - JOINT_MS && one.from < to + JOINT_MS,
    )
    const begins = held[0]?.from
    // Older sound is gone: a round that lacks its beginning is not heard in part.
    if (begins === undefined || begins > from + JOINT_MS) return null
    const samples = new Float32Array(Math.round(((to - from) / 1000) * rate))
    for (const run of runsOf(held)) {
      // Laid down sample by sample from where the run begins: no seam between its pieces.
      let at = Math.round(((run.from - from) / 1000) * rate)
      for (const piece of run.pieces) {
        const skipped = Math.max(0, -at)
        const part = piece.samples.subarray(skipped, skipped + samples.length - Math.max(0, at))
        if (at < samples.length) samples.set(part, Math.max(0, at))
        at += piece.samples.length
      }
    }
    return { samples, rate, from, rounds }
  }
}

/** From a little before the first stroke of some rounds to when the last has rung, on the page's clock. */
function stretchOf(rounds: readonly TakenRound[]): { readonly from: number; readonly to: number } {
  const ends = rounds.flatMap((round) =>
    meantOf(round).map((ms) => round.startedAt + round.told.delayMs + ms),
  )
  return { from: Math.min(...ends) - BEFORE_MS, to: Math.max(...ends) + AFTER_MS }
}

/** When the strokes of a round were meant, in milliseconds from its line's first slot. */
function meantOf({ told }: Pick<TakenRound, 'told'>): number[] {
  return [...told.strokes.map(({ expectedMs }) => expectedMs), ...told.missed.map(({ ms }) => ms)]
}

/** Sound without a break, and where it begins. */
interface Run {
  readonly from: number
  readonly pieces: readonly HeardSound[]
}

/**
 * Sounds without a break between them: what comes right after another begins where that ends, whatever the clock
 * says. Where a run lies is the middle of what the clock said of its pieces, as it says of strokes.
 */
function runsOf(sounds: readonly HeardSound[]): Run[] {
  const runs: HeardSound[][] = []
  for (const sound of sounds) {
    const before = runs.at(-1)?.at(-1)
    const joins = before && Math.abs(sound.from - endOf(before)) < JOINT_MS
    if (joins) runs.at(-1)?.push(sound)
    else runs.push([sound])
  }
  return runs.map((pieces) => {
    let length = 0
    const begins = pieces.map((piece) => {
      const begun = piece.from - length
      length += endOf(piece) - piece.from
      return begun
    })
    return { from: medianOf(begins), pieces }
  })
}

function endOf({ from, samples, rate }: HeardSound): number {
  return from + (samples.length / rate) * 1000
}

/** When clicks sound in a round at a tempo, in milliseconds from the line's first slot. */
export function clicksOfRound(ticks: readonly Ticks[], secondsPerTick: number): number[] {
  return ticks.map((tick) => tick * secondsPerTick * 1000)
}
