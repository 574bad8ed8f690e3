import type { RandomStream } from '../../foundation'

/** A mono sound in the making: samples at a rate, from its first to where it has died away. */
export interface Canvas {
  /** Samples a second. */
  readonly rate: number
  readonly samples: Float32Array
}

/** An empty canvas of so many seconds. */
export function toCanvas(rate: number, seconds: number): Canvas {
  return { rate, samples: new Float32Array(Math.ceil(rate * seconds)) }
}

/** One way in which a body swings: its pitch in hertz, the seconds in which it falls by 60 dB, and its share. */
export interface Mode {
  readonly hertz: number
  readonly seconds: number
  readonly gain: number
}

/** Below this part of a mode's loudest nothing of it is heard: 80 dB. */
const SILENT = 1e-4
/** ln 1000: 60 dB. */
const SIXTY_DB = 6.907755

/**
 * Adds modes that a push sets swinging: each a resonator with two poles, so that a mode struck while it swings
 * goes on from there. `push` is a force by samples; a push of a whole area of 1 makes a slow mode of gain 1 swing
 * between 1 and -1, and one that is short beside the push less.
 * Source: J. O. Smith, Introduction to Digital Filters with Audio Applications, 2007, two-pole resonators.
 */
export function addModes({ rate, samples }: Canvas, modes: readonly Mode[], push: Float32Array) {
  for (const { hertz, seconds, gain } of modes) {
    if (hertz >= rate * 0.48) continue
    const turn = (2 * Math.PI * hertz) / rate
    const fall = Math.exp(-SIXTY_DB / (seconds * rate))
    const [a, b] = [2 * fall * Math.cos(turn), fall * fall]
    const into = gain * Math.sin(turn)
    const driven = Math.min(push.length, samples.length)
    let [y1, y2] = [0, 0]
    for (let i = 0; i < driven; i += 1) {
      const y = a * y1 - b * y2 + into * (push[i] as number)
      y2 = y1
      y1 = y
      samples[i] = (samples[i] as number) + y
    }
    const heard = driven + Math.ceil(Math.log(SILENT) / Math.log(fall))
    const end = Math.min(samples.length, heard)
    for (let i = driven; i < end; i += 1) {
      const y = a * y1 - b * y2
      y2 = y1
      y1 = y
      samples[i] = (samples[i] as number) + y
    }
  }
}

/** Samples for which a bent pitch stands still: a third of a millisecond. */
const BENT_EACH = 16

/**
 * Adds modes whose pitch falls as they die away: a head is tighter while it swings far, so that all its modes are
 * sharp at first by the part `bend`, which is half gone after `bentFor` seconds.
 * Source: N. H. Fletcher and T. D. Rossing, The Physics of Musical Instruments, 2nd ed. 1998, 18.2 (the tension of
 * a head grows with the square of its amplitude).
 */
export function addBentModes(
  { rate, samples }: Canvas,
  modes: readonly Mode[],
  push: Float32Array,
  { bend, bentFor }: { readonly bend: number; readonly bentFor: number },
) {
  for (const { hertz, seconds, gain } of modes) {
    const fall = Math.exp(-SIXTY_DB / (seconds * rate))
    const end = Math.min(samples.length, push.length + Math.ceil(Math.log(SILENT) / Math.log(fall)))
    let [x, y, cos, sin] = [0, 0, 0, 0]
    for (let i = 0; i < end; i += 1) {
      if (i % BENT_EACH === 0) {
        const sharp = 1 + bend * 0.5 ** (i / rate / bentFor)
        const turn = (2 * Math.PI * hertz * sharp) / rate
        cos = fall * Math.cos(turn)
        sin = fall * Math.sin(turn)
      }
      const pushed = i < push.length ? gain * (push[i] as number) : 0
      const next = x * cos - y * sin + pushed
      y = x * sin + y * cos
      x = next
      samples[i] = (samples[i] as number) + y
    }
  }
}

/** Noise between two corners, which rises and falls as `shape` says: by seconds, 0 to 1 or so. */
export interface NoiseBand {
  readonly low: number
  readonly high: number
  readonly gain: number
  readonly seconds: number
  readonly shape: (seconds: number, sample: number) => number
}

/** Adds a band of noise from a random stream, no longer than its seconds. */
export function addNoise({ rate, samples }: Canvas, band: NoiseBand, random: RandomStream) {
  const [lift, cut] = [toFilter(rate, 'high', band.low), toFilter(rate, 'low', band.high)]
  const end = Math.min(samples.length, Math.ceil(band.seconds * rate))
  for (let i = 0; i < end; i += 1) {
    const noise = cut(lift(random() * 2 - 1))
    samples[i] = (samples[i] as number) + band.gain * band.shape(i / rate, i) * noise
  }
}

/** What falls to a thousandth in so many seconds. */
export function falling(seconds: number): (at: number) => number {
  return (at) => Math.exp((-SIXTY_DB * at) / seconds)
}

/**
 * A second-order filter as a function from sample to sample, without a peak at its corner.
 * Source: R. Bristow-Johnson, Cookbook formulae for audio equalizer biquad filter coefficients.
 */
export function toFilter(
  rate: number,
  kind: 'high' | 'low',
  hertz: number,
): (sample: number) => number {
  const omega = (2 * Math.PI * Math.min(hertz, rate * 0.45)) / rate
  const cosine = Math.cos(omega)
  const alpha = Math.sin(omega) / Math.SQRT2
  const a0 = 1 + alpha
  const b1 = kind === 'high' ? -(1 + cosine) : 1 - cosine
  const b0 = Math.abs(b1) / 2
  let [x1, x2, y1, y2] = [0, 0, 0, 0]
  return (x) => {
    const y = (b0 * (x + x2) + b1 * x1 + 2 * cosine * y1 - (1 - alpha) * y2) / a0
    x2 = x1
    x1 = x
    y2 = y1
    y1 = y
    return y
  }
}

/**
 * Scales the loudest sample to a peak, cuts what is 60 dB below it at the end, and fades what is left out, so that
 * nothing clicks.
 */
export function finish({ rate, samples }: Canvas, peak: number): Float32Array<ArrayBuffer> {
  let loudest = 1e-9
  for (const sample of samples) loudest = Math.max(loudest, Math.abs(sample))
  let end = samples.length
  while (end > 1 && Math.abs(samples[end - 1] as number) < loudest / 1000) end -= 1
  // What would ring on is let go gently.
  const fade = end < samples.length ? Math.min(end, Math.round(rate * 0.01)) : end * 0.4
  return Float32Array.from({ length: end }, (_, i) => {
    const out = Math.min(1, (end - 1 - i) / fade)
    return (samples[i] as number) * (peak / loudest) * out * out * (3 - 2 * out)
  })
}
