import { medianOf } from '../foundation'
import { Spectrum } from './spectrum'

/** A stroke in sound. */
export interface Onset {
  /** The sample at which it begins, counted from the first that was heard. */
  readonly sample: number
  /** Its highest level in the 8 ms after, in decibels below full scale. */
  readonly db: number
  /** How sharply it begins: the energy of the differences in its first 2 ms, in decibels; what rings counts little. */
  readonly attackDb: number
}

const WINDOW = 512
const HOP = 128
const BANDS = 20
const LOWEST_HZ = 400
const HIGHEST_HZ = 16_000
/** A frame is held against the loudest of the frames 2 and 3 before it. */
const BACK = [2, 3] as const
/** What a rise has to reach: so much, and over what is usual, and over what the last stroke leaves behind. */
const MIN_RISE = 0.16
const USUAL_FRAMES = 22
const AFTER_SHARE = 0.4
const AFTER_SECONDS = 0.015
/** A stroke is the highest rise from so many frames before to so many after. */
const BEFORE = 3
const AFTER = 5
const MIN_GAP_SECONDS = 0.012
/** Nothing counts that is so far below the loudest of the last seconds, in decibels. */
const RANGE_DB = 38
/** A stroke is so far over the quiet between strokes, which is followed down at once and up slowly. */
const OVER_QUIET_DB = 8
const QUIET_RISE_DB = 6
const PEAK_FALL_SECONDS = 4
/** What a stroke has to be over what the strokes before leave in a room: so far below them, and falling. */
const ROOM_DB = 14
const ROOM_FALL_DB = 120
const LEVEL_SECONDS = 0.008
/** Within a frame a stroke is looked for from so far before its middle to so far behind, over windows so long. */
const SEARCH_FROM = -0.004
const SEARCH_TO = 0.002
const EDGE_SECONDS = 0.002
/** Samples that are kept: more than any look back needs. */
const KEPT = 8192
/** So many samples of nothing in a row are none that a microphone gives: sound was lost. */
const LOST_SAMPLES = 40

/**
 * Finds strokes in sound as it comes, block by block: the mean rise of 20 logarithmic bands from 400 Hz to 16
 * kHz, over a threshold that follows what is usual and what the last stroke leaves behind; the place within
 * a frame is where the energy of the differences rises most. Told 25 ms after it began at the latest. Law: the
 * same samples in other blocks give the same strokes. Cost grows with the sound alone.
 * Sources: J. P. Bello et al., 2005, IEEE Trans. Speech Audio Process. 13, 1035-1047 (rise and peaks);
 * S. Böck and G. Widmer, 2013, Proc. DAFx (the loudest of frames before).
 *
 * @example detector.hear(block) of a block with a stroke at its sample 40 tells it some blocks later
 */
export class OnsetDetector {
  /** Samples that were heard, and where sound was lost last; -1 for never. */
  heard = 0
  lostAt = -1
  private readonly kept = new Float32Array(KEPT)
  private readonly spectrum = new Spectrum(WINDOW)
  private readonly window = Float64Array.from(
    { length: WINDOW },
    (_, i) => 0.5 - 0.5 * Math.cos((2 * Math.PI * i) / WINDOW),
  )
  private readonly frame = new Float64Array(WINDOW)
  private readonly powers = new Float64Array(WINDOW / 2 + 1)
  private readonly bands: readonly (readonly [from: number, to: number])[]
  private readonly floors = new Float64Array(BANDS)
  /** Logarithms of the last frames' bands, newest first, and the rises of the last frames, newest last. */
  private readonly logs: Float64Array[] = []
  private readonly rises: { at: number; rise: number; db: number }[] = []
  private frames = 0
  private peakDb = -120
  private quietDb = 0
  private last: { sample: number; rise: number; roomDb: number } | null = null
  private zeros = 0

  /** @param rate samples a second, from 22,050 to 192,000 */
  constructor(readonly rate: number) {
    if (!(rate >= 22_050 && rate <= 192_000))
      throw new RangeError(`rate ${rate}: must be a usual one`)
    const edge = (i: number) => LOWEST_HZ * (HIGHEST_HZ / LOWEST_HZ) ** (i / BANDS)
    const bin = (hz: number) => Math.min(WINDOW / 2, Math.round((hz * WINDOW) / rate))
    this.bands = Array.from({ length: BANDS }, (_, i) => {
      const from = bin(edge(i))
      return [from, Math.max(from + 1, bin(edge(i + 1)))] as const
    })
    this.floors.fill(1e-7)
  }

  /** Hears the next samples, from -1 to 1. Returns the strokes that are sure by now, in order. */
  hear(block: ArrayLike<number>): Onset[] {
    const found: Onset[] = []
    for (let i = 0; i < block.length; i += 1) {
      const sample = block[i] as number
      this.zeros = sample === 0 ? this.zeros + 1 : 0
      if (this.zeros > LOST_SAMPLES) this.lostAt = this.heard
      this.kept[this.heard % KEPT] = sample
      this.heard += 1
      if (this.heard >= WINDOW && (this.heard - WINDOW) % HOP === 0) {
        const onset = this.step()
        if (onset) found.push(onset)
      }
    }
    return found
  }

  /** The next frame; a stroke that is sure by it. */
  private step(): Onset | null {
    const from = this.heard - WINDOW
    for (let i = 0; i < WINDOW; i += 1)
      this.frame[i] = (this.kept[(from + i) % KEPT] as number) * (this.window[i] as number)
    this.spectrum.powersOf(this.frame, this.powers)
    const logs = new Float64Array(BANDS)
    let rise = 0
    for (const [b, [low, high]] of this.bands.entries()) {
      let energy = 0
      for (let k = low; k < high; k += 1) energy += this.powers[k] as number
      energy /= high - low
      const floor = this.floors[b] as number
      // The floor sinks at once with the quiet, and rises slowly with what goes on.
      this.floors[b] = Math.max(
        1e-9,
        energy < floor ? floor + (energy - floor) * 0.1 : floor * 1.002,
      )
      logs[b] = Math.log10(energy + 2 * floor)
      const before = Math.max(
        ...BACK.map((back) => this.logs[back - 1]?.[b] ?? (logs[b] as number)),
      )
      rise += Math.max(0, (logs[b] as number) - before)
    }
    this.logs.unshift(logs)
    this.logs.length = Math.min(this.logs.length, BACK[1])
    this.frames += 1
    const db = this.levelFrom(this.heard - HOP, this.heard)
    this.peakDb = Math.max(db, this.peakDb - (HOP / this.rate / PEAK_FALL_SECONDS) * 20)
    this.quietDb = Math.min(db, this.quietDb + (HOP / this.rate) * QUIET_RISE_DB)
    this.rises.push({ at: from + WINDOW / 2, rise: rise / BANDS, db })
    if (this.rises.length > USUAL_FRAMES + AFTER + 1) this.rises.shift()
    return this.settled()
  }

  /** The stroke of the frame that has as many frames behind it as are asked for; null for none. */
  private settled(): Onset | null {
    const at = this.rises.length - 1 - AFTER
    const now = this.rises[at]
    if (!now || this.frames < BEFORE + AFTER + BACK[1]) return null
    const around = this.rises.slice(Math.max(0, at - BEFORE), at + AFTER + 1)
    if (around.some((one) => one.rise > now.rise || (one.rise === now.rise && one.at < now.at)))
      return null
    const usual = medianOf(this.rises.slice(0, at).map((one) => one.rise))
    const since = this.last ? (now.at - this.last.sample) / this.rate : Number.POSITIVE_INFINITY
    const after = this.last ? AFTER_SHARE * this.last.rise * Math.exp(-since / AFTER_SECONDS) : 0
    if (now.rise < MIN_RISE + usual + after || since < MIN_GAP_SECONDS) return null
    const { sample, attackDb } = this.edgeNear(now.at)
    const db = this.levelFrom(sample, sample + LEVEL_SECONDS * this.rate)
    if (db < Math.max(this.peakDb - RANGE_DB, this.quietDb + OVER_QUIET_DB)) return null
    const room = this.last ? this.last.roomDb - ROOM_FALL_DB * since : -120
    if (attackDb < room) return null
    this.last = { sample, rise: now.rise, roomDb: Math.max(room, attackDb - ROOM_DB) }
    return { sample, db, attackDb }
  }

  /** Where near a frame's middle the energy of the differences rises most, and how high. */
  private edgeNear(middle: number): { sample: number; attackDb: number } {
    const span = Math.round(EDGE_SECONDS * this.rate)
    const from = Math.round(middle + SEARCH_FROM * this.rate)
    const to = Math.round(middle + SEARCH_TO * this.rate)
    const energy = (i: number) => ((this.at(i) as number) - this.at(i - 1)) ** 2
    let [before, behind] = [0, 0]
    for (let i = from - span; i < from; i += 1) before += energy(i)
    for (let i = from; i < from + span; i += 1) behind += energy(i)
    let best = { sample: from, ratio: -1, behind: 0 }
    for (let i = from; i <= to; i += 1) {
      const ratio = behind / (before + 1e-9)
      if (ratio > best.ratio) best = { sample: i, ratio, behind }
      before += energy(i) - energy(i - span)
      behind += energy(i + span) - energy(i)
    }
    return { sample: best.sample, attackDb: 10 * Math.log10(best.behind + 1e-12) }
  }

  /** The highest level between two samples, in decibels below full scale. */
  private levelFrom(from: number, to: number): number {
    let peak = 1e-6
    for (let i = Math.max(0, Math.round(from)); i < Math.min(to, this.heard); i += 1)
      peak = Math.max(peak, Math.abs(this.at(i)))
    return 20 * Math.log10(peak)
  }

  private at(sample: number): number {
    return sample < 0 || sample >= this.heard ? 0 : (this.kept[sample % KEPT] as number)
  }
}
