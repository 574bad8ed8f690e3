import { findPiece, placeOf } from '../kit'
import { aimOf, frameTicks, type Lick, lineEvents } from '../line'
import type { Voice } from '../sticking'
import { secondsPerTick, type Ticks } from '../time'
import { type Setting, travelTime } from './limit'

/** A hand and a crash for the landing: how much time there is, and how much it takes. */
export interface LandingHand {
  readonly hand: 'RH' | 'LH'
  readonly crash: Voice
  /** Milliseconds since the hand's last stroke; infinite where it has none. */
  readonly hasMs: number
  readonly needMs: number
  /** The fastest tempo at which it gets there; infinite where it has no stroke before. */
  readonly bpm: number
}

const CRASHES = ['c1', 'c2', 'ch', 'sp'] as const

/**
 * Every hand with every crash that a kit has, best first: the one that can be played fastest; hands
 * that did not strike last before others where both are equal. Undecided last strokes leave none.
 */
export function landingHands(lick: Lick, { kit, player }: Setting, tempo: number): LandingHand[] {
  const events = lineEvents(lick)
  const { target } = aimOf(lick)
  if (events.length === 0 || events.some(({ limb }) => limb === 'XH')) return []
  const { beat } = frameTicks(lick.frame)
  const own = CRASHES.filter((crash) => findPiece(kit, crash)?.surface === placeOf(crash))
  const crashes = own.length > 0 ? own : CRASHES.slice(0, 1)
  const options = (['RH', 'LH'] as const).flatMap((hand) =>
    crashes.map((crash): LandingHand => {
      const last = lastStroke(lick, hand)
      if (!last) return { hand, crash, hasMs: Infinity, needMs: 0, bpm: Infinity }
      const ticks = target - last.tick
      const needMs = Math.max(player[hand].single, travelTime(kit, last.surface, crash))
      const hasMs = ticks * secondsPerTick(tempo, beat) * 1000
      const bpm = ticks > 0 ? (ticks * 60000) / (needMs * beat) : 0
      return { hand, crash, hasMs, needMs, bpm }
    }),
  )
  return options.sort((a, b) => (a.bpm === b.bpm ? 0 : b.bpm - a.bpm))
}

/** A hand's last stroke of the line, a grace counted where its main stroke is. */
function lastStroke(lick: Lick, hand: 'RH' | 'LH'): { tick: Ticks; surface: Voice } | undefined {
  const event = lineEvents(lick).findLast(
    ({ limb, graceLimb }) => limb === hand || graceLimb === hand,
  )
  if (!event) return undefined
  const surface = event.limb === hand ? event.surface : (event.graceSurface ?? event.surface)
  return { tick: event.tick, surface }
}
