/** Fewer rounds than this carry no statement. */
const MIN_ROUNDS = 3

/** Of so many values the highest and the lowest count no further than their neighbours. */
const TRIMMED_OF = 8

/**
 * The middle of some values and half of the interval that holds it but for a chance, where so many values carry
 * one; null where they do not. The mean, without the highest and the lowest of every eight, so that one round in
 * eight that went wrong hides nothing and proves nothing. Below eight values this is Student's interval (1908,
 * Biometrika 6, 1-25), from there on the one for trimmed means (K. K. Yuen, 1974, Biometrika 61, 165-170).
 *
 * @example intervalOf([9, 11, 10], 0.05) is 10, within 2.48
 */
export function intervalOf(
  values: readonly number[],
  chance: number,
): { readonly mean: number; readonly within: number } | null {
  const count = values.length
  if (count < MIN_ROUNDS) return null
  const cut = Math.floor(count / TRIMMED_OF)
  const sorted = [...values].sort((a, b) => a - b)
  const kept = sorted.slice(cut, count - cut)
  const [least, most] = [kept[0] as number, kept.at(-1) as number]
  const pulledIn = sorted.map((value) => Math.max(least, Math.min(most, value)))
  const centre = meanOf(pulledIn)
  const squares = pulledIn.reduce((sum, value) => sum + (value - centre) ** 2, 0)
  const error = Math.sqrt(squares / kept.length / (kept.length - 1))
  return { mean: meanOf(kept), within: error * studentQuantile(1 - chance / 2, kept.length - 1) }
}

function meanOf(values: readonly number[]): number {
  return values.reduce((sum, value) => sum + value, 0) / values.length
}

/** Quantiles that were worked out already: a series asks for the same few again and again. */
const quantiles = new Map<string, number>()

/**
 * The quantile of Student's distribution, by halving its integral (a midpoint rule over the density). Good to
 * a thousandth for the degrees of freedom in use. Source: Student, 1908, Biometrika 6, 1-25.
 *
 * @example studentQuantile(0.975, 4) is 2.776
 */
export function studentQuantile(share: number, freedom: number): number {
  const key = `${share} ${freedom}`
  const quantile = quantiles.get(key) ?? integratedQuantile(share, freedom)
  quantiles.set(key, quantile)
  if (quantiles.size > MAX_QUANTILES) quantiles.clear()
  return quantile
}
const MAX_QUANTILES = 512

function integratedQuantile(share: number, freedom: number): number {
  const density = (t: number) => (1 + (t * t) / freedom) ** (-(freedom + 1) / 2)
  // With t = tan u the tail is a finite stretch; half of all lies on either side of 0.
  const steps = 4000
  const width = Math.PI / 2 / steps
  const parts = Array.from({ length: steps }, (_, i) => {
    const u = (i + 0.5) * width
    return density(Math.tan(u)) / Math.cos(u) ** 2
  })
  const half = parts.reduce((sum, part) => sum + part, 0)
  const wanted = (share - 0.5) * 2 * half
  let sum = 0
  for (const [i, part] of parts.entries()) {
    if (sum + part >= wanted) return Math.tan((i + (wanted - sum) / part) * width)
    sum += part
  }
  return Number.POSITIVE_INFINITY
}

/**
 * The quantile of the normal distribution for shares above a half, to three digits (M. Abramowitz and I. A.
 * Stegun, Handbook of Mathematical Functions, 1964, 26.2.23). Example: of 0.975, 1.960.
 */
export function normalQuantile(share: number): number {
  const t = Math.sqrt(-2 * Math.log(1 - share))
  const top = 2.515517 + 0.802853 * t + 0.010328 * t * t
  const bottom = 1 + 1.432788 * t + 0.189269 * t * t + 0.001308 * t ** 3
  return t - top / bottom
}
