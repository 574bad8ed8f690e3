import {
  DEFAULT_KIT,
  DEFAULT_PLAYER,
  distance,
  findPiece,
  type Kit,
  type Player,
  placeOf,
} from '../kit'
import { frameTicks, type Lick } from '../line'
import type { Limb, Voice } from '../sticking'
import { TICKS_PER_QUARTER, type Ticks } from '../time'
import { type Hit, hitsOf, type Reading } from './hits'

/**
 * Fitts's law for tapping with a light stylus: A + B log2(2D / W), in milliseconds, D the distance
 * between the centres, W the smaller width (P. M. Fitts 1954, J. Exp. Psychol. 47, 381-391).
 */
const FITTS_A = 13
const FITTS_B = 95

/** A move of one limb between two strokes, and the tempo from which there is too little time for it. */
export interface Move {
  readonly limb: Limb
  readonly fromTick: Ticks
  readonly toTick: Ticks
  readonly fromSurface: Voice
  readonly toSurface: Voice
  /** What the move asks for in milliseconds, a grace's lead counted. */
  readonly needMs: number
  /** The fastest tempo that leaves so much, in beats of the metre a minute. */
  readonly bpm: number
  /** Whether the stroke is the rebound of a double. */
  readonly rebound: boolean
}

/** How fast a lick can be played, and what sets that. */
export interface SpeedLimit {
  /** Beats of the metre a minute; null where no limb strikes twice. */
  readonly bpm: number | null
  readonly bottleneck: Move | null
  /** The next few moves in the way, slowest first. */
  readonly next: readonly Move[]
}

const NEXT = 3

/** Who plays it, on what. */
export interface Setting {
  readonly kit: Kit
  readonly player: Player
}

export const DEFAULT_SETTING: Setting = { kit: DEFAULT_KIT, player: DEFAULT_PLAYER }

/**
 * The fastest tempo at which every move of every limb has enough time, exact in closed form: a move
 * over g ticks that needs n milliseconds has it up to g / 10080 * 60000 / n quarters a minute.
 */
export function speedLimit(
  lick: Lick,
  reading: Reading = 'line',
  setting: Setting = DEFAULT_SETTING,
): SpeedLimit {
  const moves = movesOf(lick, reading, setting).sort((a, b) => a.bpm - b.bpm || a.toTick - b.toTick)
  const [bottleneck = null, ...others] = moves
  return { bpm: bottleneck?.bpm ?? null, bottleneck, next: others.slice(0, NEXT) }
}

/** Every move of a limb from one stroke to its next, in order of limbs, then of time. */
export function movesOf(lick: Lick, reading: Reading, { kit, player }: Setting): Move[] {
  const { beat } = frameTicks(lick.frame)
  const last = new Map<Limb, Hit>()
  const moves: Move[] = []
  for (const hit of hitsOf(lick, reading)) {
    const before = last.get(hit.limb)
    last.set(hit.limb, hit)
    const ticks = before ? hit.tick - before.tick : 0
    // Two strokes of one limb at once are a clash: said elsewhere, and at no tempo possible.
    if (!before || ticks <= 0) continue
    const needMs = needOf(before, hit, kit, player)
    if (needMs <= 0) continue
    const quarters = ((ticks / TICKS_PER_QUARTER) * 60000) / needMs
    moves.push({
      limb: hit.limb,
      fromTick: before.tick,
      toTick: hit.tick,
      fromSurface: before.surface,
      toSurface: hit.surface,
      needMs,
      bpm: (quarters * TICKS_PER_QUARTER) / beat,
      rebound: hit.rebound && samePlace(kit, before.surface, hit.surface),
    })
  }
  return moves
}

/** Milliseconds between two strokes of a limb; a grace's lead comes on top, one before gives time. */
function needOf(before: Hit, hit: Hit, kit: Kit, player: Player): number {
  const speed = player[hit.limb === 'XH' ? 'RH' : hit.limb]
  const still = samePlace(kit, before.surface, hit.surface)
  const own = still && hit.rebound ? speed.double : speed.single
  const travel = still ? 0 : travelTime(kit, before.surface, hit.surface)
  return Math.max(own, travel) + hit.leadMs - before.leadMs
}

function samePlace(kit: Kit, a: Voice, b: Voice): boolean {
  if (a === '??' || b === '??' || placeOf(a) === placeOf(b)) return true
  return findPiece(kit, a) === findPiece(kit, b)
}

/** How long a limb needs from one surface to another, in milliseconds; never below A. */
export function travelTime(kit: Kit, from: Voice, to: Voice): number {
  const [a, b] = [findPiece(kit, from), findPiece(kit, to)]
  if (!a || !b || a === b || a.kind === 'pedal' || b.kind === 'pedal') return 0
  const bits = Math.log2((2 * distance(a, b)) / Math.min(a.diameter, b.diameter))
  return Math.max(FITTS_A, FITTS_A + FITTS_B * bits)
}
