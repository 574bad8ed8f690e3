import { medianOf } from '../foundation'

/** The sound by which a delay is measured: 30 ms that glide from 800 to 6,000 Hz, soft at both ends. */
const SECONDS = 0.03
const FROM_HZ = 800
const TO_HZ = 6000
/** How many are played, how far apart, and up to which delay each is looked for. */
export const CHIRPS = 16
export const CHIRP_EVERY_SECONDS = 0.7
export const MAX_DELAY_SECONDS = 0.5
/** A chirp is found where it stands out of what is around it by so much. */
const STANDS_OUT = 6
/** Fewer found chirps than this tell no delay. */
const MIN_FOUND = CHIRPS / 2

/** The chirp at a rate, from -1 to 1: a linear glide under a raised cosine. */
export function makeChirp(rate: number): Float32Array<ArrayBuffer> {
  const count = Math.round(SECONDS * rate)
  return Float32Array.from({ length: count }, (_, i) => {
    const t = i / rate
    const phase = 2 * Math.PI * (FROM_HZ * t + ((TO_HZ - FROM_HZ) * t * t) / 2 / SECONDS)
    return Math.sin(phase) * (0.5 - 0.5 * Math.cos((2 * Math.PI * i) / count))
  })
}

/**
 * How late sound comes back, in seconds: the median over all chirps of where each is heard after it was
 * played, by the matched filter (G. L. Turin, 1960, IRE Trans. Inf. Theory 6, 311-329). Null where fewer than
 * half of them stand out. `played` are the samples of `heard` at which they were played. Cost: chirps x
 * delays x length of a chirp.
 *
 * @example of chirps that come back 1,764 samples later at 44,100 a second: 0.04
 */
export function measuredDelay(
  heard: Float32Array,
  played: readonly number[],
  rate: number,
): number | null {
  const chirp = makeChirp(rate)
  const most = Math.round(MAX_DELAY_SECONDS * rate)
  const found = played.flatMap((from) => {
    const place = placeOf(heard, chirp, Math.round(from), most)
    return place === null ? [] : [place / rate]
  })
  return found.length < MIN_FOUND ? null : medianOf(found)
}

/** How many samples after `from` a chirp is heard; null where nothing stands out. */
function placeOf(
  heard: Float32Array,
  chirp: Float32Array,
  from: number,
  most: number,
): number | null {
  let best = { at: 0, score: 0 }
  let sum = 0
  let count = 0
  for (let at = 0; at < most && from + at + chirp.length <= heard.length; at += 1) {
    let score = 0
    for (let i = 0; i < chirp.length; i += 1)
      score += (heard[from + at + i] as number) * (chirp[i] as number)
    const size = Math.abs(score)
    sum += size
    count += 1
    if (size > best.score) best = { at, score: size }
  }
  return count > 0 && best.score > (STANDS_OUT * sum) / count ? best.at : null
}
