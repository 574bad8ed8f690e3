import type { Take } from './take-memory'

/** How loud a click is beside what was heard, as a part of the loudest of that. */
const CLICK_SHARE = 0.6
/** Up to so loud a take is made, however softly it was heard. */
const LOUDEST = 0.9
/** It is never made more than so many times as loud: a silent take is silent. */
const MOST_GAIN = 40

/**
 * A take as it is listened to: as loud as it can be, with the app's clicks where the player heard them, or without.
 * The clicks are as late as the source is, so that strokes lie beside them as they lay for the player.
 */
export function toListen(take: Take, click: Float32Array | null): Float32Array<ArrayBuffer> {
  const { samples, rate, from, rounds } = take
  const peak = samples.reduce((most, one) => Math.max(most, Math.abs(one)), 1e-6)
  const gain = Math.min(MOST_GAIN, (click ? LOUDEST - CLICK_SHARE / 2 : LOUDEST) / peak)
  const heard = samples.map((one) => one * gain)
  if (!click) return heard
  for (const { startedAt, clicks, told } of rounds)
    for (const ms of clicks) {
      const at = Math.round(((startedAt + ms + told.delayMs - from) / 1000) * rate)
      for (let i = 0; i < click.length; i += 1) {
        const place = at + i
        if (place < 0 || place >= heard.length) continue
        heard[place] = (heard[place] as number) + (click[i] as number) * CLICK_SHARE
      }
    }
  return heard
}

/** A stroke in a take: where it was meant and where it was heard, in seconds of the take. */
export interface TakeMark {
  readonly slot: number
  readonly round: number
  readonly meant: number
  /** Null where it was not heard. */
  readonly heard: number | null
  /** Heard minus meant in milliseconds, the source's delay taken off; above 0 is late. */
  readonly offsetMs: number
}

/** Where the strokes of a take were meant and heard, in order: the source's delay is taken off what was heard. */
export function marksOf({ rounds, from }: Take): TakeMark[] {
  return rounds.flatMap(({ number, startedAt, told }) => {
    // What is meant lies as late in the sound as the source is.
    const at = (ms: number) => (startedAt + ms + told.delayMs - from) / 1000
    const played = told.strokes.map(
      ({ slot, expectedMs, offsetMs }): TakeMark => ({
        slot,
        round: number,
        meant: at(expectedMs),
        heard: at(expectedMs + offsetMs),
        offsetMs,
      }),
    )
    const missed = told.missed.map(
      ({ slot, ms }): TakeMark => ({
        ...{ slot, round: number, meant: at(ms) },
        ...{ heard: null, offsetMs: 0 },
      }),
    )
    return [...played, ...missed].sort((a, b) => a.meant - b.meant)
  })
}

/** How loud a take is in so many parts of it, one after the other, 0 to 1 of its loudest. */
export function outlineOf({ samples }: Pick<Take, 'samples'>, parts: number): number[] {
  const width = samples.length / parts
  const peaks = Array.from({ length: parts }, (_, i) =>
    samples
      .subarray(Math.floor(i * width), Math.floor((i + 1) * width))
      .reduce((most, one) => Math.max(most, Math.abs(one)), 0),
  )
  const most = Math.max(...peaks, 1e-6)
  return peaks.map((peak) => peak / most)
}
