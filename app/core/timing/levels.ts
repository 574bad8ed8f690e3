/** How loud a stroke is meant: accents, ghosts, and what is neither. */
export const HEARD_LEVELS = ['accent', 'plain', 'ghost'] as const
export type HeardLevel = (typeof HEARD_LEVELS)[number]

/** A stroke as far as its loudness goes: 1 to 127, where known. */
export interface LoudStroke {
  readonly velocity?: number | undefined
  readonly meantVelocity?: number | undefined
}

/** How loud the strokes of a level were in one round. */
export interface LevelTold {
  readonly level: HeardLevel
  readonly strokes: number
  /** Means in decibels below the loudest velocity: as heard, and as meant. */
  readonly heardDb: number
  readonly meantDb: number
}

/** Velocities from here on are accents, and below here ghosts, as `VELOCITIES` writes them. */
const ACCENTS_FROM = 100
const GHOSTS_BELOW = 48

/** Decibels of a gain that goes with the velocity to the power of 1.6, as the app's own kit sounds. */
export const DB_PER_DECADE = 32

/** How loud a velocity (1 to 127) is, in decibels below the loudest. Example: 112 is -1.7, 36 is -17.5. */
export function decibelsOf(velocity: number): number {
  return DB_PER_DECADE * Math.log10(Math.max(1, velocity) / 127)
}

/** The level at which a velocity is meant. Example: 112 is an accent, 36 a ghost. */
export function levelMeant(velocity: number): HeardLevel {
  if (velocity >= ACCENTS_FROM) return 'accent'
  return velocity < GHOSTS_BELOW ? 'ghost' : 'plain'
}

/** The levels of a round, loudest first; those of whose strokes no loudness is known are left out. */
export function levelsOf(strokes: readonly LoudStroke[]): LevelTold[] {
  return HEARD_LEVELS.flatMap((level): LevelTold[] => {
    const own = strokes.flatMap(({ meantVelocity, velocity }) =>
      meantVelocity !== undefined && velocity !== undefined && levelMeant(meantVelocity) === level
        ? [{ heard: decibelsOf(velocity), meant: decibelsOf(meantVelocity) }]
        : [],
    )
    if (own.length === 0) return []
    const mean = (of: 'heard' | 'meant') => own.reduce((sum, one) => sum + one[of], 0) / own.length
    return [{ level, strokes: own.length, heardDb: mean('heard'), meantDb: mean('meant') }]
  })
}
