import { toRandomStream } from '~/core/foundation'
import { layerOf, renderClick, renderStroke, velocityGain } from '~/core/sound'
import type { Surface } from '~/core/sticking'

/** A stroke of made material, whose truth is known. */
export interface MadeStroke {
  readonly seconds: number
  readonly surface: Surface
  readonly velocity: number
  /** Another sound than the surface's own, coming in softly: the app's click. */
  readonly click?: boolean
}

export interface Room {
  /** How far below the loudest stroke the noise is, in decibels. */
  readonly noiseDb: number
  /** The energy of the room over that of the strokes themselves, in decibels; null for a dead room. */
  readonly echoDb: number | null
}
export const RATE = 44_100
/** As the app plays it while a microphone listens. */
const SOFT_CLICK_SECONDS = 0.004
/** How long the room rings until it is 60 dB down, in seconds. */
const RING_SECONDS = 0.35

/**
 * The echo of a small room: four combs beside each other, whose highs die away sooner, and two all-passes
 * after them that make it dense (M. R. Schroeder, 1962, J. Audio Eng. Soc. 10, 219-223).
 */
function reverberated(dry: Float32Array): Float32Array {
  const summed = new Float32Array(dry.length)
  for (const ms of [7.9, 9.7, 11.3, 13.7]) {
    const delay = Math.round((ms / 1000) * RATE)
    const back = 10 ** ((-3 * ms) / 1000 / RING_SECONDS)
    const line = new Float32Array(dry.length)
    let soft = 0
    for (let i = 0; i < dry.length; i += 1) {
      const returned = i >= delay ? (line[i - delay] as number) : 0
      soft += (returned - soft) * 0.55
      line[i] = (dry[i] as number) + soft * back
      summed[i] = (summed[i] as number) + returned
    }
  }
  let passed = summed
  for (const ms of [5, 1.7]) {
    const delay = Math.round((ms / 1000) * RATE)
    const next = new Float32Array(passed.length)
    const line = new Float32Array(passed.length)
    for (let i = 0; i < passed.length; i += 1) {
      const held = i >= delay ? (line[i - delay] as number) : 0
      line[i] = (passed[i] as number) + 0.7 * held
      next[i] = held - 0.7 * (line[i] as number)
    }
    passed = next
  }
  return passed
}

const sounds = new Map<string, Float32Array>()
const click = renderClick('tone', 'beat', RATE)
/** A stroke as the app's own kit sounds; one and another in turns. */
const strokeOf = (surface: Surface, velocity: number, nth: number) => {
  const [layer, take] = [layerOf(velocity), nth % 2]
  const key = `${surface} ${layer} ${take}`
  const known =
    sounds.get(key) ?? renderStroke({ surface, velocity: layer, take, tool: 'sticks' }, RATE)
  sounds.set(key, known)
  return known
}

/** Strokes as a microphone in a room would give them: the same for the same seed. */
export function recorded(strokes: readonly MadeStroke[], room: Room, seed: number): Float32Array {
  const random = toRandomStream(seed)
  const last = Math.max(0, ...strokes.map(({ seconds }) => seconds))
  const dry = new Float32Array(Math.ceil((last + 1) * RATE))
  for (const [nth, stroke] of strokes.entries()) {
    const { seconds, surface, velocity } = stroke
    const samples = stroke.click ? click : strokeOf(surface, velocity, nth)
    const [from, gain] = [Math.round(seconds * RATE), velocityGain(velocity) * 0.5]
    const rise = stroke.click ? SOFT_CLICK_SECONDS * RATE : 1
    for (let i = 0; i < samples.length && from + i < dry.length; i += 1) {
      const risen = gain * Math.min(1, (i + 1) / rise)
      dry[from + i] = (dry[from + i] as number) + (samples[i] as number) * risen
    }
  }
  const wet = dry.slice()
  if (room.echoDb !== null) {
    const echo = reverberated(dry)
    const energy = (of: Float32Array) => of.reduce((sum, one) => sum + one * one, 0)
    const gain = Math.sqrt((10 ** (room.echoDb / 10) * energy(dry)) / energy(echo))
    for (let i = 0; i < wet.length; i += 1) wet[i] = (wet[i] as number) + (echo[i] as number) * gain
  }
  const peak = wet.reduce((most, one) => Math.max(most, Math.abs(one)), 0)
  const noise = peak * 10 ** (room.noiseDb / 20)
  for (let i = 0; i < wet.length; i += 1) wet[i] = (wet[i] as number) + noise * (random() * 2 - 1)
  return wet
}
