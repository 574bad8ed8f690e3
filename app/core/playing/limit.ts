import type { Groove } from '../groove'
import {
  DEFAULT_KIT,
  DEFAULT_PLAYER,
  findPiece,
  type HandSpeed,
  handWay,
  type Kit,
  type Player,
} from '../kit'
import { frameTicks, type Lick } from '../line'
import type { SoundStroke } from '../performance'
import type { Limb, Voice } from '../sticking'
import type { Ticks } from '../time'
import { type Hit, type HitKind, hitsOf, hitsOfStrokes, type Reading } from './hits'

/**
 * Fitts's law for tapping with a light stylus: A + B log2(2D / W), in milliseconds, D the way in
 * centimetres, W the smaller width (P. M. Fitts 1954, J. Exp. Psychol. 47, 381-391).
 */
const FITTS_A = 13
const FITTS_B = 95

/** What sets the time of a move: one of its limb's intervals, or the way of its hand. */
export type MoveKind = HitKind | 'travel'

/** A move of one limb between two strokes, and the tempo from which there is too little time for it. */
export interface Move {
  readonly limb: Exclude<Limb, 'XH'>
  readonly fromTick: Ticks
  readonly toTick: Ticks
  readonly fromSurface: Voice
  readonly toSurface: Voice
  /** What the move asks for in milliseconds, a grace's lead counted. */
  readonly needMs: number
  /** The fastest tempo that leaves so much, in beats of the metre a minute. */
  readonly bpm: number
  /** What sets it. */
  readonly kind: MoveKind
  /** The part of `needMs` that is the lead of graces: what the limb itself cannot shorten. */
  readonly leadMs: number
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
  eachMove(hitsIn(lick, reading, setting), beatOf(lick), setting, (bpm, make) => {
    const last = slowest.at(-1)
    if (slowest.length > NEXT && last && bpm >= last.bpm) return
    slowest.push(make())
    slowest.sort(compareMoves)
    slowest.length = Math.min(slowest.length, NEXT + 1)
  })
  const [bottleneck = null, ...next] = slowest
  return { bpm: bottleneck?.bpm ?? null, bottleneck, next }
}

function hitsIn(lick: Lick, reading: Reading, { kit, player, grooves = [] }: Setting): Hit[] {
  const groove = { own: grooves, swapped: player.swapsGroove ?? false }
  return hitsOf(lick, reading, kit, groove)
}

function beatOf({ frame }: Lick): Ticks {
  return frameTicks(frame).beat
}

function compareMoves(a: Move, b: Move): number {
  return a.bpm - b.bpm || a.toTick - b.toTick
}

/** Every move of a limb from one stroke to its next, in order of time. */
export function movesOf(lick: Lick, reading: Reading, setting: Setting): Move[] {
  const moves: Move[] = []
  const visit = (_: number, make: () => Move) => moves.push(make())
  eachMove(hitsIn(lick, reading, setting), beatOf(lick), setting, visit)
  return moves
}

/**
 * Every move of a limb among strokes that sound, in order of time; tempos in beats of `beat` ticks.
 * What is read may be a whole solo: strokes of many licks, one after the other.
 */
export function movesOfStrokes(
  strokes: readonly SoundStroke[],
  beat: Ticks,
  setting: Setting,
): Move[] {
  const moves: Move[] = []
  eachMove(hitsOfStrokes(strokes, setting.kit), beat, setting, (_, make) => moves.push(make()))
  return moves
}

/** Visits every move with the tempo that it allows; the move itself is made on demand. */
function eachMove(
  hits: readonly Hit[],
  beat: Ticks,
  { kit, player }: Setting,
  visit: (bpm: number, make: () => Move) => void,
): void {
  const last = new Map<Limb, Hit>()
  for (const hit of hits) {
    const { limb } = hit
    const before = last.get(limb)
    last.set(limb, hit)
    const ticks = before ? hit.tick - before.tick : 0
    // Two strokes of one limb at once are a clash: said elsewhere, and at no tempo possible.
    if (!before || ticks <= 0 || limb === 'XH') continue
    const { ms, kind } = needOf(limb, before, hit, kit, player)
    const leadMs = hit.leadMs - before.leadMs
    const needMs = ms + leadMs
    if (needMs <= 0) continue
    // g / 10080 * 60000 / n quarters a minute, in beats of the metre.
    const bpm = (ticks * 60000) / (needMs * beat)
    visit(bpm, () => ({
      limb,
      fromTick: before.tick,
      toTick: hit.tick,
      fromSurface: before.surface,
      toSurface: hit.surface,
      needMs,
      bpm,
      kind,
      leadMs,
    }))
  }
}

/** Milliseconds that a limb needs from one stroke to its next, leads of graces apart. */
function needOf(
  limb: Exclude<Limb, 'XH'>,
  before: Hit,
  { surface, kind }: Hit,
  kit: Kit,
  player: Player,
): { readonly ms: number; readonly kind: MoveKind } {
  const speed = player[limb]
  if (isSamePlace(kit, before.surface, surface)) {
    return { ms: kind === 'buzz' ? (speed as HandSpeed).buzz : speed[kind], kind }
  }
  const way = travelTime(kit, before.surface, surface, limb, player)
  return way > speed.single ? { ms: way, kind: 'travel' } : { ms: speed.single, kind: 'single' }
}

/**
 * Whether a limb stays where it is: on one piece, on pedals, or where a surface is not decided.
 */
export function isSamePlace(kit: Kit, from: Voice, to: Voice): boolean {
  if (from === to || from === '??' || to === '??') return true
  const [a, b] = [findPiece(kit, from), findPiece(kit, to)]
  return !a || !b || a === b || a.kind === 'pedal' || b.kind === 'pedal'
}

/**
 * How long a hand needs from one surface to another, in milliseconds, by Fitts's law over the way of
 * the hand: 0 where it stays, else never below A; times what was measured of the player's hand.
 * Example: on the kit of five the right hand needs 165 from the floor tom to the crash.
 */
export function travelTime(
  kit: Kit,
  from: Voice,
  to: Voice,
  limb: Exclude<Limb, 'XH'> = 'RH',
  player: Player = DEFAULT_PLAYER,
): number {
  if (from === to || (limb !== 'RH' && limb !== 'LH')) return 0
  const known = travelsOf(kit, player)
  const key = `${limb} ${from} ${to}`
  let time = known.get(key)
  if (time === undefined) {
    time = reckonTravel(kit, from, to, limb, player)
    known.set(key, time)
  }
  return time
}

/** Worked out once a kit and player, neither of which ever changes. */
const travels = new WeakMap<Kit, WeakMap<Player, Map<string, number>>>()

function travelsOf(kit: Kit, player: Player): Map<string, number> {
  const ofKit = travels.get(kit) ?? new WeakMap<Player, Map<string, number>>()
  travels.set(kit, ofKit)
  const ofPlayer = ofKit.get(player) ?? new Map<string, number>()
  ofKit.set(player, ofPlayer)
  return ofPlayer
}

function reckonTravel(kit: Kit, from: Voice, to: Voice, hand: 'RH' | 'LH', player: Player): number {
  const [a, b] = [findPiece(kit, from), findPiece(kit, to)]
  if (!a || !b || isSamePlace(kit, from, to)) return 0
  return (
    fittsTime(handWay(hand, a, b, player.arms), Math.min(a.diameter, b.diameter)) *
    player[hand].travel
  )
}

/** Milliseconds of a move over a way to a target, both in centimetres; never below A. */
export function fittsTime(way: number, width: number): number {
  return Math.max(FITTS_A, FITTS_A + FITTS_B * Math.log2((2 * way) / width))
}
