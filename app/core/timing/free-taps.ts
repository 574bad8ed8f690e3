import type { HeardStroke } from './strokes'

/** A tempo that free taps have, and where their first beat is. */
export interface FoundTempo {
  /** Quarters a minute. */
  readonly quarters: number
  /** When the first slot begins, in milliseconds, by the line through all taps. */
  readonly firstMs: number
}

/** Taps within so many milliseconds are one instant. */
const TOGETHER_MS = 35
/** A pulse explains taps whose root mean square error is at most so much of it. */
const EXPLAINS = 0.1
/** Below this a finer pulse explains nothing but a hand's own spread, in milliseconds. */
const SPREAD_MS = 12
/** Pulses that anybody taps in, in milliseconds. */
const SHORTEST_MS = 50
const LONGEST_MS = 1500
/** Pulses so near to each other are refined to the same one, in milliseconds. */
const ALIKE_MS = 0.5
/** Tempos that are taken for the quarter's, where the pulse allows several. */
const SLOWEST = 60
const FASTEST = 150
/** Fewer instants than this have no tempo. */
const MIN_TAPS = 4
/** A pulse is a sixteenth where that gives a usual tempo, else an eighth, a thirty-second, a quarter. */
const PULSES_A_QUARTER = [4, 2, 8, 1]

/**
 * The tempo of taps without a click: the longest pulse on which all of them lie, by least squares over their
 * places (A.-M. Legendre, 1805), and of its multiples the one that is a usual tempo of quarters. Null for
 * fewer than four instants, or where no pulse explains them.
 *
 * @example taps at 0 150 300 450 750 ms are sixteenths at 100
 */
export function tempoOfTaps(taps: readonly HeardStroke[]): FoundTempo | null {
  const instants = instantsOf(taps)
  if (instants.length < MIN_TAPS) return null
  const gaps = instants.slice(1).map((ms, i) => ms - (instants[i] as number))
  const fits = candidatesOf(gaps)
    .map((pulse) => fitted(instants, pulse))
    .filter((fit) => fit !== null)
    .filter(({ pulse, error }) => error <= pulse * EXPLAINS)
    .sort((a, b) => b.pulse - a.pulse)
  const found = fits.find(
    (fit) =>
      fit.error <= SPREAD_MS ||
      !fits.some(({ pulse, error }) => pulse < fit.pulse && error < fit.error / 2),
  )
  if (!found) return null
  const tempos = PULSES_A_QUARTER.map((pulses) => 60_000 / (found.pulse * pulses))
  const quarters = tempos.find((tempo) => tempo >= SLOWEST && tempo <= FASTEST) ?? tempos[0]
  return { quarters: quarters as number, firstMs: found.firstMs }
}

/** When something was struck, in order; what is struck together once. */
function instantsOf(taps: readonly HeardStroke[]): number[] {
  const sorted = taps.map(({ ms }) => ms).sort((a, b) => a - b)
  const instants: number[] = []
  for (const ms of sorted)
    if (ms - (instants.at(-1) ?? Number.NEGATIVE_INFINITY) > TOGETHER_MS) instants.push(ms)
  return instants
}

/** Pulses that the gaps speak for: each gap, and its half, third, fourth and sixth; of those alike one. */
function candidatesOf(gaps: readonly number[]): number[] {
  const all = gaps.flatMap((gap) => [1, 2, 3, 4, 6].map((parts) => gap / parts))
  const usual = all.filter((pulse) => pulse >= SHORTEST_MS && pulse <= LONGEST_MS)
  return [...new Map(usual.map((pulse) => [Math.round(pulse / ALIKE_MS), pulse])).values()]
}

/** A pulse and its beginning, refitted to the places of all instants until these stay. */
function fitted(
  instants: readonly number[],
  candidate: number,
): { pulse: number; firstMs: number; error: number } | null {
  let [pulse, firstMs] = [candidate, instants[0] as number]
  for (let round = 0; round < 8; round += 1) {
    const places = placesOf(instants, pulse)
    const mean = (values: readonly number[]) =>
      values.reduce((sum, value) => sum + value, 0) / values.length
    const [middle, centre] = [mean(places), mean(instants)]
    const along = places.reduce((sum, place) => sum + (place - middle) ** 2, 0)
    if (along === 0) return null
    const across = places.reduce(
      (sum, place, i) => sum + (place - middle) * ((instants[i] as number) - centre),
      0,
    )
    const next = across / along
    firstMs = centre - middle * next
    if (Math.abs(next - pulse) < 1e-6) break
    pulse = next
  }
  if (!(pulse >= SHORTEST_MS)) return null
  const places = placesOf(instants, pulse)
  const squares = instants.reduce(
    (sum, ms, i) => sum + (ms - firstMs - (places[i] as number) * pulse) ** 2,
    0,
  )
  return { pulse, firstMs, error: Math.sqrt(squares / instants.length) }
}

/** The place of each instant, from the one before it: so a small error of the pulse does not grow. */
function placesOf(instants: readonly number[], pulse: number): number[] {
  let place = 0
  return instants.map((ms, i) => {
    const before = instants[i - 1]
    if (before !== undefined) place += Math.max(1, Math.round((ms - before) / pulse))
    return place
  })
}
