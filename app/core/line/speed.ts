import { type Grid, gridTicks, secondsPerTick, type Ticks } from '../time'

/** How fast a grid really is at a tempo. */
export interface TrueSpeed {
  readonly strokesPerMinute: number
  readonly millisecondsPerSlot: number
}

/**
 * True speed of a grid: tempo in beats a minute, the beat in ticks.
 * Example: `1/16t` at 90 quarters a minute is 540 a minute, 111.1 ms a slot.
 */
export function trueSpeed(tempo: number, beat: Ticks, grid: Grid): TrueSpeed {
  const seconds = secondsPerTick(tempo, beat) * gridTicks(grid)
  return { strokesPerMinute: 60 / seconds, millisecondsPerSlot: seconds * 1000 }
}
