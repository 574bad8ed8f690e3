import { aimOf, type Lick, lastStrokes } from '../line'
import type { Ticks } from '../time'
import { DEFAULT_SETTING, type Move, movesOf, type PlayContext } from './limit'

/** The kick that sounds on the landing follows a kick of the fill: how soon, and what that asks. */
export interface FootLanding {
  readonly gapTicks: Ticks
  /** Whether the landing's kick is a single, the second of a double, or a third in a row. */
  readonly kind: Move['kind']
  readonly needMs: number
}

/**
 * The lead foot on both sides of the landing; null where the fill does not end on a kick, or no kick
 * sounds on the landing: neither the landing's own nor that of the groove which goes on there.
 * Example: `...RLRLK` into a crash needs a double's time (110 ms), `...RLRKK` makes it a third (140).
 */
export function footLanding(
  lick: Lick,
  setting: PlayContext = DEFAULT_SETTING,
): FootLanding | null {
  const last = lastStrokes(lick)
  const { target } = aimOf(lick)
  const from = last[0]?.tick
  if (from === undefined || from >= target || !last.some(({ limb }) => limb === 'RF')) return null
  const move = movesIntoLanding(lick, setting).find(
    ({ limb, fromTick, toTick }) => limb === 'RF' && fromTick === from && toTick === target,
  )
  if (!move) return null
  return { gapTicks: target - from, kind: move.kind, needMs: move.needMs }
}

/** The moves of the limbs from their last strokes of the fill to what they strike at its landing. */
export function movesIntoLanding(lick: Lick, setting: PlayContext): Move[] {
  const { target, start } = aimOf(lick)
  const reading = lick.frame.landing.kind === 'groove' ? 'loop' : 'landing'
  return movesOf(lick, reading, setting).filter(
    ({ fromTick, toTick }) => fromTick >= start && fromTick < target && toTick >= target,
  )
}
