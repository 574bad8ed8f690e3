import type { Limb } from '~/core/sticking'
import { atTempo, type Habits, playedWith } from '~/core/timing'
import { type AlongLine, strokesOfRound } from './along-session'

/** A stroke of a simulated drummer: when, in ticks from the line's first slot in the first round. */
export interface DrummerStroke {
  readonly since: number
  readonly secondsPerTick: number
  readonly limb: Limb
  readonly slot: number
  readonly velocity: number
}

/**
 * A simulated drummer who plays a line round after round beside the music, the same for the same seed; a
 * stand-in for a player at the kit.
 *
 * @example drummer.reach(0, secondsPerTick) are the strokes of the first round; asked again there are none
 */
export class SimulatedDrummer {
  /** The last round that was played. */
  private played = -1

  constructor(
    private readonly line: AlongLine,
    private readonly habits: Habits,
    private readonly seed: number,
  ) {}

  /** The music has come so far: the strokes of the round that begins there, each round's once. */
  reach(since: number, secondsPerTick: number): DrummerStroke[] {
    const { every } = this.line
    const number = Math.floor(since / every)
    if (number <= this.played) return []
    this.played = number
    const meant = atTempo(strokesOfRound(this.line, number), secondsPerTick)
    return playedWith(meant, this.habits, this.seed + number).map(({ ms, ...stroke }) => ({
      ...stroke,
      since: number * every + ms / 1000 / secondsPerTick,
      secondsPerTick,
    }))
  }
}
