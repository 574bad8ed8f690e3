import type { RandomStream } from '../foundation'

/** A mono sound under construction: samples from -1 to 1 at a rate. */
export interface Canvas {
  readonly rate: number
  readonly samples: Float32Array
}

/** An empty canvas of so many seconds. */
export function toCanvas(rate: number, seconds: number): Canvas {
  return { rate, samples: new Float32Array(Math.ceil(rate * seconds)) }
}

/** A falling envelope: 1 at its start, a thousandth after `decay` seconds. */
function fall(seconds: number, decay: number): number {
  return Math.exp((-6.9 * seconds) / decay)
}

/** A drum head: a sine that glides from one pitch to another while it fades. Hertz and seconds. */
export interface HeadTone {
  readonly from: number
  readonly to: number
  readonly glide: number
  readonly decay: number
  readonly gain: number
}

/** Adds a head's tone. Its phase is summed sample by sample, so that the glide has no click. */
export function addHead({ rate, samples }: Canvas, tone: HeadTone): void {
  let phase = 0
  for (let i = 0; i < samples.length; i += 1) {
    const t = i / rate
    const pitch = tone.to + (tone.from - tone.to) * Math.exp(-t / tone.glide)
    phase += (2 * Math.PI * pitch) / rate
    samples[i] = (samples[i] as number) + tone.gain * fall(t, tone.decay) * Math.sin(phase)
  }
}

/** A band of noise: wires, sticks, air. */
export interface NoiseBand {
  readonly kind: 'high' | 'band'
  readonly hertz: number
  readonly q: number
  readonly attack: number
  readonly decay: number
  readonly gain: number
}

/** Adds filtered noise from a random stream. */
export function addNoise(canvas: Canvas, band: NoiseBand, random: RandomStream): void {
  const { rate, samples } = canvas
  const filter = toFilter(rate, band)
  for (let i = 0; i < samples.length; i += 1) {
    const t = i / rate
    const rise = band.attack === 0 ? 1 : Math.min(1, t / band.attack)
    const noise = filter(random() * 2 - 1)
    samples[i] = (samples[i] as number) + band.gain * rise * fall(t, band.decay) * noise
  }
}

/** Ratios of a struck plate's partials: inharmonic, close together, none a multiple of another. */
const PLATE_RATIOS = [1, 1.342, 1.2312, 1.6532, 1.9523, 2.1523, 2.684, 3.117] as const

/** The metal of a cymbal: clashing square partials, high-passed. */
export interface Metal {
  readonly hertz: number
  readonly highPass: number
  readonly attack: number
  readonly decay: number
  readonly gain: number
}

/** Adds a cymbal's metal. */
export function addMetal({ rate, samples }: Canvas, metal: Metal): void {
  const filter = toFilter(rate, { kind: 'high', hertz: metal.highPass, q: 0.7 })
  for (let i = 0; i < samples.length; i += 1) {
    const t = i / rate
    let sum = 0
    for (const ratio of PLATE_RATIOS) sum += (t * metal.hertz * ratio) % 1 < 0.5 ? 1 : -1
    const rise = metal.attack === 0 ? 1 : Math.min(1, t / metal.attack)
    const sound = filter(sum / PLATE_RATIOS.length)
    samples[i] = (samples[i] as number) + metal.gain * rise * fall(t, metal.decay) * sound
  }
}

/**
 * A second-order filter as a function from sample to sample.
 * Source: R. Bristow-Johnson, Cookbook formulae for audio equalizer biquad filter coefficients.
 */
function toFilter(
  rate: number,
  { kind, hertz, q }: Pick<NoiseBand, 'kind' | 'hertz' | 'q'>,
): (sample: number) => number {
  const omega = (2 * Math.PI * Math.min(hertz, rate * 0.45)) / rate
  const cosine = Math.cos(omega)
  const alpha = Math.sin(omega) / (2 * q)
  const a0 = 1 + alpha
  const [b0, b1, b2] =
    kind === 'high' ? [(1 + cosine) / 2, -(1 + cosine), (1 + cosine) / 2] : [alpha, 0, -alpha]
  let [x1, x2, y1, y2] = [0, 0, 0, 0]
  return (x) => {
    const y = (b0 * x + b1 * x1 + b2 * x2 + 2 * cosine * y1 - (1 - alpha) * y2) / a0
    x2 = x1
    x1 = x
    y2 = y1
    y1 = y
    return y
  }
}

/** Scales the loudest sample to a peak, and fades the last milliseconds so that nothing clicks. */
export function finish({ rate, samples }: Canvas, peak: number): Float32Array {
  const loudest = samples.reduce((most, sample) => Math.max(most, Math.abs(sample)), 1e-9)
  const fade = Math.min(samples.length, Math.round(rate * 0.008))
  return samples.map((sample, i) => {
    const left = samples.length - 1 - i
    return sample * (peak / loudest) * Math.min(1, left / fade)
  })
}
