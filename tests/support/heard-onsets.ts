import { type Onset, OnsetDetector } from '~/core/onsets'
import { bleedOf, clicksAmong } from '~/core/timing'
import { type MadeStroke, RATE } from './made-sound'

/** What a detector found of made material. */
export interface Found {
  readonly recall: number
  readonly precision: number
  /** The error of time that 95 of 100 found strokes are within, in milliseconds. */
  readonly error95: number
}

/** Hears samples in blocks of some size. */
export function heardIn(samples: Float32Array, block = 128): Onset[] {
  const detector = new OnsetDetector(RATE)
  const found: Onset[] = []
  for (let i = 0; i < samples.length; i += block)
    found.push(...detector.hear(samples.subarray(i, i + block)))
  return found
}

/** What is heard without the app's own click: that is learnt from its first four, when it clicks alone. */
export function withoutClick(heard: readonly Onset[], clicks: readonly number[]): Onset[] {
  const sounds = heard.map(({ sample, attackDb }) => ({
    ms: (sample / RATE) * 1000,
    attackDb,
  }))
  const times = clicks.map((seconds) => seconds * 1000)
  const fifth = times[4] ?? Number.POSITIVE_INFINITY
  const bleed = bleedOf(
    times.slice(0, 4),
    sounds.filter(({ ms }) => ms < fifth),
  )
  const own = bleed ? clicksAmong(times, sounds, bleed).sounds : new Set<number>()
  return heard.filter((_, i) => !own.has(i))
}

/** Holds onsets against the strokes that were put in: a match is within `withinMs`, each once, in order. */
export function foundOf(
  pairs: readonly { readonly meant: readonly MadeStroke[]; readonly heard: readonly Onset[] }[],
  withinMs = 5,
): Found {
  const errors: number[] = []
  let [meantCount, heardCount] = [0, 0]
  for (const { meant, heard } of pairs) {
    meantCount += meant.length
    heardCount += heard.length
    const free = heard.map(({ sample }) => (sample / RATE) * 1000)
    for (const { seconds } of meant) {
      const at = free.findIndex((ms) => Math.abs(ms - seconds * 1000) <= withinMs)
      if (at < 0) continue
      errors.push(Math.abs((free[at] as number) - seconds * 1000))
      free.splice(at, 1)
    }
  }
  errors.sort((a, b) => a - b)
  return {
    recall: errors.length / Math.max(1, meantCount),
    precision: errors.length / Math.max(1, heardCount),
    error95: errors[Math.floor(errors.length * 0.95)] ?? Number.NaN,
  }
}
