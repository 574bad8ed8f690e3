import type { Lick } from '../line'
import { frameTicks } from '../line'
import type { PracticeSession } from '../log'
import { type Move, movesTooFast, type PlayContext } from '../playability'
import { secondsPerTick } from '../time'

/** A limb that is asked for more than it can keep up. */
export interface Strain {
  readonly move: Move
  /** The time that it has at this tempo, in milliseconds. */
  readonly haveMs: number
}

/**
 * The limbs that have less time than they need when a lick is played over and over at a tempo in beats of its
 * metre, each with its worst move, the worst first.
 *
 * @example `under: @1/8 K` at 184 leaves a kick 163.0 ms of the 170 that a foot's single needs
 */
export function strainsAt(lick: Lick, tempo: number, setting: PlayContext): Strain[] {
  const perTick = secondsPerTick(tempo, frameTicks(lick.frame).beat)
  const worst = new Map<Move['limb'], Move>()
  for (const move of movesTooFast(lick, 'loop', setting, tempo)) {
    const known = worst.get(move.limb)
    if (!known || move.bpm < known.bpm) worst.set(move.limb, move)
  }
  return [...worst.values()]
    .sort((a, b) => a.bpm - b.bpm)
    .map((move) => ({ move, haveMs: (move.toTick - move.fromTick) * perTick * 1000 }))
}

/** A pause of this length is a break. */
const BREAK_MS = 5 * 60 * 1000

/**
 * Minutes since the player last had a break: from where the sessions began that follow one another
 * without a pause of five minutes, until now. 0 where the last pause is that long already.
 */
export function minutesSinceBreak(
  sessions: readonly Pick<PracticeSession, 'at' | 'seconds'>[],
  now: number,
): number {
  let since = now
  for (const { at, seconds } of [...sessions].sort((a, b) => b.at - a.at)) {
    if (at > now) continue
    if (since - (at + seconds * 1000) >= BREAK_MS) break
    since = Math.min(since, at)
  }
  return (now - since) / 60_000
}
