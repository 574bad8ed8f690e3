import type { RandomStream } from '../../foundation'
import { addModes, type Canvas, type Mode, toFilter } from './resonators'

/** A cymbal: how it swings. Hertz and seconds. */
export interface Plate {
  /** The pitches of its modes lie from `low` to `high`, none in a ratio to another. */
  readonly low: number
  readonly high: number
  readonly modes: number
  /** How much closer together its modes lie below: 1 evenly, more where few low ones would be heard to beat. */
  readonly crowded: number
  /** How long what swings at a kilohertz is heard; higher modes die sooner by the power `damping`. */
  readonly seconds: number
  readonly damping: number
  /** How the shares of its modes fall with pitch: 0 not at all, 1 in proportion. */
  readonly dark: number
  /** How much energy climbs to the high modes when it is struck hard, and in how many seconds. */
  readonly climb: number
  readonly climbsIn: number
}

/** Bands into which energy climbs, each later than the one below. */
const BANDS = 6
/** Below this pitch a cymbal is too small to be heard well. */
const DULL = 300
/** A kilohertz, about which shares and decays turn. */
const MIDDLE = 1000

/**
 * Adds a struck plate. The push sets all modes swinging at once; in a hard stroke energy then climbs from the low
 * modes to the high ones within tens of milliseconds, the higher the later, which is what makes a crash open up.
 * `made` draws the cymbal, the same for all its strokes; `random` draws what differs from stroke to stroke: where it
 * is struck decides the shares.
 * Source: N. H. Fletcher and T. D. Rossing, The Physics of Musical Instruments, 2nd ed. 1998, ch. 20 (energy is fed
 * from low modes to high ones in the first tens of milliseconds).
 */
export function addPlate(
  canvas: Canvas,
  plate: Plate,
  push: Float32Array,
  force: number,
  { made, random }: { readonly made: RandomStream; readonly random: RandomStream },
) {
  const { low, high, modes, climb, climbsIn, crowded } = plate
  const hard = climb * force ** 2.2
  for (let band = 0; band < BANDS; band += 1) {
    const share = (band + 1) / BANDS
    const drive =
      hard > 0 ? climbing(canvas.rate, push, hard * share, climbsIn * share, random) : push
    const count = Math.round(modes / BANDS)
    const own = Array.from({ length: count }, (_, i): Mode => {
      const hertz = low + (high - low) * ((band + (i + made()) / count) / BANDS) ** crowded
      return modeAt(plate, hertz, made, random)
    })
    addModes(canvas, own, drive)
  }
}

function modeAt(
  { seconds, damping, dark, modes }: Plate,
  hertz: number,
  made: RandomStream,
  random: RandomStream,
): Mode {
  const over = Math.max(0.3, hertz / MIDDLE)
  const heard = 1 / (1 + (DULL / hertz) ** 2)
  const sign = made() < 0.5 ? 1 : -1
  const own = 0.35 + 0.65 * made()
  return {
    hertz,
    seconds: (seconds / over ** damping) * (0.8 + 0.4 * made()),
    gain: ((sign * own * (0.6 + 0.8 * random())) / over ** dark / Math.sqrt(modes)) * heard,
  }
}

/** The push, and noise that swells and is gone again: what other modes give to this band. */
function climbing(
  rate: number,
  push: Float32Array,
  gain: number,
  peakAt: number,
  random: RandomStream,
): Float32Array {
  const drive = new Float32Array(Math.max(push.length, Math.ceil(rate * peakAt * 4)))
  drive.set(push)
  // Noise of one push's weight spread over the time in which it climbs.
  const each = gain / Math.sqrt(rate * peakAt)
  const soft = toFilter(rate, 'low', rate * 0.4)
  for (let i = 0; i < drive.length; i += 1) {
    const t = i / rate / peakAt
    drive[i] = (drive[i] as number) + each * t * Math.exp(1 - t) * soft(random() * 2 - 1)
  }
  return drive
}
