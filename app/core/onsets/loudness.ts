import { DB_PER_DECADE } from '../timing'

/** The loudest of so many strokes is taken for an accent. */
const LAST_STROKES = 32
const ACCENT = 112

/**
 * Velocities of strokes of which only their level is known: the loudest of the last 32 is an accent, the
 * others are as far below it as their levels are. A stroke that is louder than all before moves the scale.
 *
 * @example levels -10 and -25.8 dB are velocities 112 and 36
 */
export class Loudness {
  private readonly levels: number[] = []

  /** The velocity, 1 to 127, of a stroke at a level in decibels. */
  velocityOf(db: number): number {
    this.levels.push(db)
    if (this.levels.length > LAST_STROKES) this.levels.shift()
    const below = db - Math.max(...this.levels)
    return Math.max(1, Math.min(127, Math.round(ACCENT * 10 ** (below / DB_PER_DECADE))))
  }
}
