import type { Groove } from '../groove'
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
import type { Ticks } from '../time'
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
  /** The player's own grooves, beside those that ship. */
  readonly grooves?: readonly Groove[]
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
  // Only the slowest few are made and kept in order: there are as many moves as strokes.
  const slowest: Move[] = []
  eachMove(lick, reading, setting, (bpm, make) => {
    const last = slowest.at(-1)
    if (slowest.length > NEXT && last && bpm >= last.bpm) return
    slowest.push(make())
    slowest.sort(compareMoves)
    slowest.length = Math.min(slowest.length, NEXT + 1)
  })
  const [bottleneck = null, ...next] = slowest
  return { bpm: bottleneck?.bpm ?? null, bottleneck, next }
}

function compareMoves(a: Move, b: Move): number {
  return a.bpm - b.bpm || a.toTick - b.toTick
}

/** Every move of a limb from one stroke to its next, in order of time. */
export function movesOf(lick: Lick, reading: Reading, setting: Setting): Move[] {
  const moves: Move[] = []
  eachMove(lick, reading, setting, (_, make) => moves.push(make()))
  return moves
}

/** Visits every move with the tempo that it allows; the move itself is made on demand. */
function eachMove(
  lick: Lick,
  reading: Reading,
  { kit, player, grooves = [] }: Setting,
  visit: (bpm: number, make: () => Move) => void,
): void {
  const { beat } = frameTicks(lick.frame)
  const last = new Map<Limb, Hit>()
  const groove = { own: grooves, swapped: player.swapsGroove ?? false }
  for (const hit of hitsOf(lick, reading, groove)) {
    const before = last.get(hit.limb)
    last.set(hit.limb, hit)
    const ticks = before ? hit.tick - before.tick : 0
    // Two strokes of one limb at once are a clash: said elsewhere, and at no tempo possible.
    if (!before || ticks <= 0) continue
    const needMs = needOf(before, hit, kit, player)
    if (needMs <= 0) continue
    // g / 10080 * 60000 / n quarters a minute, in beats of the metre.
    const bpm = (ticks * 60000) / (needMs * beat)
    visit(bpm, () => ({
      limb: hit.limb,
      fromTick: before.tick,
      toTick: hit.tick,
      fromSurface: before.surface,
      toSurface: hit.surface,
      needMs,
      bpm,
      rebound: hit.rebound && travelTime(kit, before.surface, hit.surface) === 0,
    }))
  }
}

/** Milliseconds between two strokes of a limb; a grace's lead comes on top, one before gives time. */
function needOf(before: Hit, hit: Hit, kit: Kit, player: Player): number {
  const speed = player[hit.limb === 'XH' ? 'RH' : hit.limb]
  const travel = travelTime(kit, before.surface, hit.surface)
  const own = travel === 0 && hit.rebound ? speed.double : speed.single
  return Math.max(own, travel) + hit.leadMs - before.leadMs
}

/**
 * How long a limb needs from one surface to another, in milliseconds: 0 at one place, or where a
 * surface is not decided; else never below A. Worked out once a kit, which never changes.
 */
export function travelTime(kit: Kit, from: Voice, to: Voice): number {
  if (from === to) return 0
  let known = travels.get(kit)
  if (!known) {
    known = new Map()
    travels.set(kit, known)
  }
  const key = `${from} ${to}`
  let time = known.get(key)
  if (time === undefined) {
    time = reckonTravel(kit, from, to)
    known.set(key, time)
  }
  return time
}

const travels = new WeakMap<Kit, Map<string, number>>()

function reckonTravel(kit: Kit, from: Voice, to: Voice): number {
  if (from === '??' || to === '??' || placeOf(from) === placeOf(to)) return 0
  const [a, b] = [findPiece(kit, from), findPiece(kit, to)]
  if (!a || !b || a === b || a.kind === 'pedal' || b.kind === 'pedal') return 0
  const bits = Math.log2((2 * distance(a, b)) / Math.min(a.diameter, b.diameter))
  return Math.max(FITTS_A, FITTS_A + FITTS_B * bits)
}
