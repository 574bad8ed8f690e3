import { Spectrum } from '~/core/onsets/spectrum'

/** Samples that are looked at for colour: a third of a second at usual rates. */
const LOOKED_AT = 16_384

/**
 * The centre of a sound's spectrum in hertz: the mean of its frequencies, each as often as its amplitude, over its
 * first 16,384 samples, which are let fall so that what rings on is not cut off.
 * Source: J. M. Grey and J. W. Gordon, 1978, J. Acoust. Soc. Am. 63, 1493-1500.
 */
export function centreOf(samples: Float32Array, rate: number): number {
  const spectrum = new Spectrum(LOOKED_AT)
  const powers = new Float64Array(LOOKED_AT / 2 + 1)
  const window = (i: number) => 0.5 + 0.5 * Math.cos((Math.PI * i) / LOOKED_AT)
  const shown = Float32Array.from({ length: LOOKED_AT }, (_, i) => (samples[i] ?? 0) * window(i))
  spectrum.powersOf(shown, powers)
  let [sum, weight] = [0, 0]
  for (let k = 1; k < powers.length; k += 1) {
    const size = Math.sqrt(powers[k] as number)
    sum += (size * k * rate) / LOOKED_AT
    weight += size
  }
  return sum / weight
}

/** The pitch at which a sound is loudest, in hertz. */
export function pitchOf(samples: Float32Array, rate: number): number {
  const spectrum = new Spectrum(LOOKED_AT)
  const powers = new Float64Array(LOOKED_AT / 2 + 1)
  spectrum.powersOf(
    Float32Array.from({ length: LOOKED_AT }, (_, i) => samples[i] ?? 0),
    powers,
  )
  return (powers.indexOf(Math.max(...powers)) * rate) / LOOKED_AT
}

/** How alike two sounds are, sample by sample: 1 for the same, 0 for strangers. */
export function likeness(a: Float32Array, b: Float32Array): number {
  let [ab, aa, bb] = [0, 0, 0]
  for (let i = 0; i < Math.min(a.length, b.length); i += 1) {
    ab += (a[i] as number) * (b[i] as number)
    aa += (a[i] as number) ** 2
    bb += (b[i] as number) ** 2
  }
  return ab / Math.sqrt(aa * bb)
}

/**
 * Seconds in which a sound falls by 60 dB, from how its energy falls from 5 to 25 dB below the whole.
 * Source: M. R. Schroeder, 1965, J. Acoust. Soc. Am. 37, 409-412 (backward integration).
 */
export function decayOf(samples: Float32Array, rate: number): number {
  const whole = samples.reduce((sum, one) => sum + one * one, 0)
  let left = whole
  let from = 0
  for (let i = 0; i < samples.length; i += 1) {
    left -= (samples[i] as number) ** 2
    const down = 10 * Math.log10(Math.max(left, 1e-30) / whole)
    if (from === 0 && down < -5) from = i
    if (down < -25) return (3 * (i - from)) / rate
  }
  return samples.length / rate
}

/** How long it takes until a sound is within 10 dB of its loudest millisecond, in milliseconds. */
export function riseOf(samples: Float32Array, rate: number): number {
  const width = Math.round(rate / 1000)
  const loud = Array.from({ length: Math.floor(samples.length / width) }, (_, i) =>
    samples.subarray(i * width, (i + 1) * width).reduce((sum, one) => sum + one * one, 0),
  )
  const most = Math.max(...loud)
  return loud.findIndex((one) => one > most / 10)
}
