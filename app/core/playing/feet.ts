import { DEFAULT_PLAYER, type Player } from '../kit'
import { aimOf, type Lick, lineEvents } from '../line'
import type { Ticks } from '../time'

/** The kick of the landing follows a kick of the fill: how soon, and what that asks of the foot. */
export interface FootLanding {
  readonly gapTicks: Ticks
  /** The landing's kick is this many in a row. */
  readonly run: number
  /** Whether it is a rebound: the 2nd, 4th, 6th of a run. */
  readonly rebound: boolean
  readonly needMs: number
}

/**
 * The lead foot on both sides of the landing; null where the landing has no kick or the fill does
 * not end on one. In a run of neighbouring kicks the even ones are rebounds, the others singles.
 * Example: `...RLRLK` into a crash needs a double's time (110 ms), `...RLRKK` makes it a third and needs a single's (170).
 */
export function footLanding(lick: Lick, { RF }: Player = DEFAULT_PLAYER): FootLanding | null {
  const { kind } = lick.frame.landing
  if (kind !== 'crash' && kind !== 'stop') return null
  const kicksByOnset = new Map<Ticks, boolean>()
  for (const { tick, limb } of lineEvents(lick)) {
    kicksByOnset.set(tick, (kicksByOnset.get(tick) ?? false) || limb === 'RF')
  }
  const onsets = [...kicksByOnset].reverse()
  const [lastTick, lastKicks] = onsets[0] ?? [0, false]
  const gapTicks = aimOf(lick).target - lastTick
  if (!lastKicks || gapTicks <= 0) return null
  const others = onsets.findIndex(([, kicks]) => !kicks)
  const run = (others < 0 ? onsets.length : others) + 1
  const rebound = run % 2 === 0
  return { gapTicks, run, rebound, needMs: rebound ? RF.double : RF.single }
}
