import { toRandomStream } from '../foundation'
import type { SoundClick } from '../performance'
import { addModes, addNoise, falling, finish, type Mode, toCanvas } from './strokes/resonators'

/** What the click is made by. */
export const CLICK_SOUNDS = ['tone', 'wood', 'tick', 'chime'] as const
export type ClickSound = (typeof CLICK_SOUNDS)[number]

export type ClickWeight = SoundClick['weight']

/** How much higher the clicks are that weigh more. */
const HIGHER: Readonly<Record<ClickWeight, number>> = {
  bar: 1.5,
  group: 1.2,
  beat: 1,
  between: 0.75,
}
/** How loud each is; what falls between beats is softer. */
const PEAKS: Readonly<Record<ClickWeight, number>> = {
  bar: 0.5,
  group: 0.5,
  beat: 0.5,
  between: 0.32,
}

/** What each sound is, at the pitch of a beat: high above what drums sound like, so that it is heard beside them. */
const MODES: Readonly<Record<ClickSound, readonly Mode[]>> = {
  tone: [{ hertz: 1400, seconds: 0.035, gain: 1 }],
  wood: [
    { hertz: 1320, seconds: 0.05, gain: 1 },
    { hertz: 2270, seconds: 0.035, gain: 0.7 },
    { hertz: 3480, seconds: 0.02, gain: 0.5 },
  ],
  tick: [{ hertz: 3100, seconds: 0.012, gain: 1 }],
  chime: [
    { hertz: 1760, seconds: 0.12, gain: 1 },
    { hertz: 4850, seconds: 0.08, gain: 0.6 },
    { hertz: 9500, seconds: 0.04, gain: 0.3 },
  ],
}

/**
 * A click's samples at a rate, mono, the same every time: the first of the bar is the highest, what falls between
 * beats is the lowest and softest.
 *
 * @example renderClick('wood', 'bar', 48_000)
 */
export function renderClick(
  sound: ClickSound,
  weight: ClickWeight,
  rate: number,
): Float32Array<ArrayBuffer> {
  const canvas = toCanvas(rate, 0.14)
  const modes = MODES[sound].map((mode) => ({ ...mode, hertz: mode.hertz * HIGHER[weight] }))
  addModes(canvas, modes, Float32Array.of(1))
  if (sound === 'tick') {
    const band = { low: 4000, high: 12_000, gain: 0.7, seconds: 0.006, shape: falling(0.006) }
    addNoise(canvas, band, toRandomStream(1))
  }
  return finish(canvas, PEAKS[weight])
}
