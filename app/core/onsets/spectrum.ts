/**
 * Powers of the frequencies of real samples, by the fast Fourier transform (J. W. Cooley and J. W. Tukey, 1965,
 * Math. Comput. 19, 297-301), radix 2, in place. A plan is made once for a size and used for every frame.
 */
export class Spectrum {
  private readonly re: Float64Array
  private readonly im: Float64Array
  private readonly cos: Float64Array
  private readonly sin: Float64Array
  private readonly order: Uint32Array

  /** @throws RangeError for a size that is no power of 2 */
  constructor(readonly size: number) {
    if (size < 2 || (size & (size - 1)) !== 0)
      throw new RangeError(`size ${size}: must be a power of 2`)
    this.re = new Float64Array(size)
    this.im = new Float64Array(size)
    this.cos = Float64Array.from({ length: size / 2 }, (_, i) => Math.cos((2 * Math.PI * i) / size))
    this.sin = Float64Array.from({ length: size / 2 }, (_, i) => Math.sin((2 * Math.PI * i) / size))
    const bits = Math.log2(size)
    this.order = Uint32Array.from({ length: size }, (_, i) => {
      let turned = 0
      for (let bit = 0; bit < bits; bit += 1) if (i & (1 << bit)) turned |= 1 << (bits - 1 - bit)
      return turned
    })
  }

  /**
   * Writes the power of each frequency, from 0 to half of the rate, into `powers` (size / 2 + 1 of them).
   * Law: it equals the sum of the definition; a sine of frequency k has its power at k.
   */
  powersOf(samples: ArrayLike<number>, powers: Float64Array): void {
    const { size, re, im, order } = this
    for (let i = 0; i < size; i += 1) {
      re[order[i] as number] = samples[i] as number
      im[i] = 0
    }
    for (let half = 1; half < size; half *= 2) this.merge(half)
    for (let k = 0; k <= size / 2; k += 1)
      powers[k] = (re[k] as number) ** 2 + (im[k] as number) ** 2
  }

  /** Joins neighbouring transforms of `half` to ones of twice that. */
  private merge(half: number): void {
    const { size, re, im, cos, sin } = this
    const step = size / (half * 2)
    for (let from = 0; from < size; from += half * 2) {
      for (let k = 0; k < half; k += 1) {
        const [a, b] = [from + k, from + k + half]
        const [c, s] = [cos[k * step] as number, -(sin[k * step] as number)]
        const [x, y] = [re[b] as number, im[b] as number]
        const [tr, ti] = [x * c - y * s, x * s + y * c]
        re[b] = (re[a] as number) - tr
        im[b] = (im[a] as number) - ti
        re[a] = (re[a] as number) + tr
        im[a] = (im[a] as number) + ti
      }
    }
  }
}
