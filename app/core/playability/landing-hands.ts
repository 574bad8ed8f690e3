import { findPiece, type Kit, placeOf } from '../kit'
import {
  aimOf,
  crashHand,
  frameTicks,
  type Lick,
  type StrokeEvent,
  strokeEventsBetween,
} from '../line'
import { GRACE_LEAD_MS } from '../performance'
import type { Hand, Surface, Voice } from '../sticking'
import { secondsPerTick, type Ticks } from '../time'
import { isSamePlace, type PlayContext, travelTime } from './limit'

/** A hand and a crash for the landing: how much time there is, and how much it takes. */
export interface LandingHand {
  readonly hand: Hand
  readonly crash: Surface
  /** Milliseconds since the hand's last stroke; infinite where it has none. */
  readonly hasMs: number
  readonly needMs: number
  /** The fastest tempo at which it gets there; infinite where it has no stroke before. */
  readonly bpm: number
  /** Whether an undecided stroke is counted as this hand's: the worst that can be. */
  readonly open: boolean
}

const CRASHES = ['c1', 'c2', 'ch', 'sp'] as const

/**
 * The crashes that a kit has; what stands in for the first where it has none.
 *
 * @example crashesOf(DEFAULT_KIT) // ['c1', 'c2']
 */
export function crashesOf(kit: Kit): Surface[] {
  const own = CRASHES.filter((crash) => findPiece(kit, crash)?.surface === placeOf(crash))
  return own.length > 0 ? own : ['c1']
}

/**
 * Every hand with every crash that a kit has, best first: the one that can be played fastest. Graces
 * and the hands' part in ostinatos count; a stroke whose hand is not decided counts for either. None
 * where nothing is struck.
 */
export function landingHands(lick: Lick, setting: PlayContext, tempo: number): LandingHand[] {
  const { kit, player } = setting
  const { target } = aimOf(lick)
  const { beat } = frameTicks(lick.frame)
  const lastStrokes = lastOfHands(lick, target)
  if (!lastStrokes) return []
  const options = HANDS.flatMap((hand) => {
    const last = lastStrokes[hand]
    return crashesOf(kit).map((crash): LandingHand => {
      if (!last) return { hand, crash, hasMs: Infinity, needMs: 0, bpm: Infinity, open: false }
      const way = isSamePlace(kit, last.surface, crash)
        ? 0
        : travelTime(kit, last.surface, crash, hand, player)
      const needMs = Math.max(player[hand].single, way)
      const ticks = target - last.tick
      const hasMs = ticks * secondsPerTick(tempo, beat) * 1000 + last.leadMs
      // The lead of a grace is time won, whatever the tempo.
      const bpm =
        needMs > last.leadMs ? (ticks * 60000) / ((needMs - last.leadMs) * beat) : Infinity
      return { hand, crash, hasMs, needMs, bpm, open: last.open }
    })
  })
  return options.sort((a, b) => (a.bpm === b.bpm ? 0 : b.bpm - a.bpm))
}

/**
 * The crash of a kit on which the landing's hand is soonest; the first of equal ones. Where that hand
 * has no stroke, `c1` or what the kit has in its place.
 *
 * @example nearestCrash(lickOf('line: RLRL'), DEFAULT_SETTING) // 'c2'
 */
export function nearestCrash(lick: Lick, setting: PlayContext): Surface {
  const hand = crashHand(lick)
  const [best] = landingHands(lick, setting, lick.frame.tempo).filter((one) => one.hand === hand)
  return best && Number.isFinite(best.bpm) ? best.crash : (crashesOf(setting.kit)[0] as Surface)
}

/**
 * A lick that lands on the crash of its kit: the one chosen there, else the nearest. The same lick
 * where its landing is no crash.
 */
export function landOnKit(lick: Lick, setting: PlayContext): Lick {
  const { landing } = lick.frame
  if (landing.kind !== 'crash' && landing.kind !== 'stop') return lick
  const chosen = setting.kit.crash
  const has = chosen && setting.kit.pieces.some(({ surface }) => surface === chosen)
  const crash = has ? chosen : nearestCrash(lick, setting)
  return { ...lick, frame: { ...lick.frame, landing: { ...landing, crash } } }
}

interface LastStroke {
  readonly tick: Ticks
  readonly surface: Voice
  readonly leadMs: number
  readonly open: boolean
}

const HANDS = ['RH', 'LH'] as const
/** So many bars before the landing have the last strokes of both hands in most lines. */
const LAST_BARS = 2
const ALL_BEFORE = Number.NEGATIVE_INFINITY

/** The last stroke of each hand before a tick, where it has one; null where nothing is struck. */
function lastOfHands(lick: Lick, until: Ticks): Partial<Record<Hand, LastStroke>> | null {
  const { bar } = frameTicks(lick.frame)
  for (const from of [until - LAST_BARS * bar, ALL_BEFORE]) {
    const events = strokeEventsBetween(lick, from, until)
    const [RH, LH] = HANDS.map((hand) => lastOf(events, hand))
    // Of a long line its end is enough, where both hands strike in it.
    if ((RH && LH) || from === ALL_BEFORE) {
      return events.length === 0 ? null : { ...(RH && { RH }), ...(LH && { LH }) }
    }
  }
  return null
}

/** A hand's last stroke, an undecided one counted as its own; of a grace the time before its stroke. */
function lastOf(events: readonly StrokeEvent[], hand: Hand): LastStroke | undefined {
  for (const { tick, limb, surface, grace, graceLimb, graceSurface } of [...events].reverse()) {
    if (limb === hand || limb === 'XH') return { tick, surface, leadMs: 0, open: limb === 'XH' }
    if (graceLimb === hand) {
      return { tick, surface: graceSurface ?? surface, leadMs: GRACE_LEAD_MS[grace], open: false }
    }
  }
  return undefined
}
