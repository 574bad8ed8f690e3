/** Samples for the left and the right ear. */
export interface Stereo {
  readonly left: Float32Array<ArrayBuffer>
  readonly right: Float32Array<ArrayBuffer>
}

/** Silence of so many samples on both sides. */
export function silence(length: number): Stereo {
  return { left: new Float32Array(length), right: new Float32Array(length) }
}

/** How long the room's tail takes to fall by 60 dB, in seconds. */
export const ROOM_SECONDS = 0.42
/** Early reflections come within so many milliseconds, over walls of a room of some metres. */
const REFLECTIONS: readonly (readonly [ms: number, left: number, right: number])[] = [
  [5.3, 0.42, 0.18],
  [7.1, 0.16, 0.4],
  [9.7, 0.3, 0.31],
  [13.9, 0.28, 0.14],
  [17.3, 0.12, 0.26],
  [22.7, 0.17, 0.18],
]
/** Lines of the tail, in milliseconds: no two have a common measure, so that no pitch stands out. */
const LINES = [19.9, 23.3, 27.1, 31.7, 36.1, 40.9, 44.3, 49.7] as const
/** How much a wall takes of what is high each time: of a low pass with one pole. */
const DULL = 0.45

/**
 * The sound of a room for what is struck in it, without what is struck itself: early reflections, and eight delay
 * lines that feed each other by a matrix that loses nothing, each dying away by the room's time.
 * Source: J.-M. Jot and A. Chaigne, 1991, Digital delay networks for designing artificial reverberators, AES
 * preprint 3030; M. R. Schroeder, 1962, J. Audio Eng. Soc. 10, 219-223. The matrix is A. S. Householder's.
 * Law: it is linear, and silent before the first reflection.
 * Example: at 48,000 a second the left ear hears a stroke from its sample 254 on, 5.3 ms after it.
 */
export function inRoom(dry: Float32Array, rate: number): Stereo {
  const { left, right } = silence(dry.length)
  for (const [ms, toLeft, toRight] of REFLECTIONS) {
    const delay = Math.round((ms / 1000) * rate)
    for (let i = delay; i < dry.length; i += 1) {
      const heard = dry[i - delay] as number
      left[i] = (left[i] as number) + toLeft * heard
      right[i] = (right[i] as number) + toRight * heard
    }
  }
  addTail(dry, { left, right }, rate)
  return { left, right }
}

function addTail(dry: Float32Array, { left, right }: Stereo, rate: number) {
  const lines = LINES.map((ms) => new Float32Array(Math.round((ms / 1000) * rate)))
  const back = LINES.map((ms) => 10 ** ((-3 * ms) / 1000 / ROOM_SECONDS))
  const at = new Int32Array(LINES.length)
  const soft = new Float64Array(LINES.length)
  const count = LINES.length
  const share = 2 / count
  for (let i = 0; i < dry.length; i += 1) {
    let sum = 0
    for (let line = 0; line < count; line += 1) {
      const delayed = (lines[line] as Float32Array)[at[line] as number] as number
      const dull = (soft[line] as number) * DULL + delayed * (1 - DULL)
      soft[line] = dull
      sum += dull
    }
    const given = (dry[i] as number) * 0.5
    for (let line = 0; line < count; line += 1) {
      const own = soft[line] as number
      const buffer = lines[line] as Float32Array
      const place = at[line] as number
      // Householder: each line gives to all the others, and takes itself back.
      buffer[place] = given + (back[line] as number) * (own - share * sum)
      at[line] = place + 1 === buffer.length ? 0 : place + 1
      const sign = line & 2 ? -0.22 : 0.22
      if (line % 2 === 0) left[i] = (left[i] as number) + sign * own
      else right[i] = (right[i] as number) + sign * own
    }
  }
}

/** A drum that rings along with its neighbours: its pitch in hertz, and where it stands, -1 (left) to 1. */
export interface Neighbour {
  readonly hertz: number
  readonly pan: number
}

/** How long a head rings along, and how loud: 34 dB below what makes it ring. */
const RING_SECONDS = 0.7
const RING_GAIN = 0.02

/**
 * What rings along when a kit is struck, without what is struck itself: each neighbour's two lowest modes, by the
 * part of the sound that is near their pitch.
 * Law: it is linear; a stroke near a head's pitch makes it ring more than one that is far from it.
 */
export function ringingAlong(
  dry: Float32Array,
  neighbours: readonly Neighbour[],
  rate: number,
): Stereo {
  const { left, right } = silence(dry.length)
  for (const { hertz, pan } of neighbours) {
    const [toLeft, toRight] = panGains(pan)
    for (const ratio of [1, 1.593]) {
      const turn = (2 * Math.PI * hertz * ratio) / rate
      const fall = Math.exp(-6.907755 / (RING_SECONDS * rate))
      const [a, b] = [2 * fall * Math.cos(turn), fall * fall]
      // At its own pitch it is as loud as its gain after as long as it rings.
      const into = RING_GAIN * Math.sin(turn) * 0.02
      let [y1, y2] = [0, 0]
      for (let i = 0; i < dry.length; i += 1) {
        const y = a * y1 - b * y2 + into * (dry[i] as number)
        y2 = y1
        y1 = y
        left[i] = (left[i] as number) + toLeft * y
        right[i] = (right[i] as number) + toRight * y
      }
    }
  }
  return { left, right }
}

/**
 * How loud the two ears hear what stands at a place from -1 (left) to 1: of one power wherever it stands.
 * Source: Web Audio API 1.1, the equal-power panning of a StereoPannerNode with one channel.
 *
 * @example panGains(-1) // [1, 0]
 */
export function panGains(pan: number): [left: number, right: number] {
  const turn = ((Math.max(-1, Math.min(1, pan)) + 1) * Math.PI) / 4
  return [Math.cos(turn), Math.sin(turn)]
}

/** The response of a room or of neighbours to one sample, for what plays by convolution; so many seconds of it. */
export function responseOf(
  sound: (dry: Float32Array, rate: number) => Stereo,
  seconds: number,
  rate: number,
): Stereo {
  const dry = new Float32Array(Math.ceil(seconds * rate))
  dry[0] = 1
  return sound(dry, rate)
}
