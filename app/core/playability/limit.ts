import type { Groove } from '../groove'
import {
  DEFAULT_KIT,
  DEFAULT_PLAYER,
  findPiece,
  type HandSpeed,
  handWay,
  type Kit,
  type LimbSpeed,
  type Player,
} from '../kit'
import { frameTicks, type Lick } from '../line'
import type { SoundStroke } from '../performance'
import type { Limb, Voice } from '../sticking'
import type { Ticks } from '../time'
import { type Hit, hitsOf, hitsOfStrokes, type Reading } from './hits'

/**
 * Fitts's law for tapping with a light stylus: A + B log2(2D / W), in milliseconds, D the way in
 * centimetres, W the smaller width (P. M. Fitts 1954, J. Exp. Psychol. 47, 381-391).
 */
const FITTS_A = 13
const FITTS_B = 95

/** What sets the time of a move: one of its limb's intervals, or the way of its hand. */
export type MoveKind = 'single' | 'double' | 'triple' | 'buzz' | 'travel'

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
export interface PlayContext {
  readonly kit: Kit
  readonly player: Player
  /** The player's own grooves, beside those that ship. */
  readonly grooves?: readonly Groove[]
}

export const DEFAULT_SETTING: PlayContext = { kit: DEFAULT_KIT, player: DEFAULT_PLAYER }

/**
 * The fastest tempo at which every move of every limb has enough time, exact: of the finitely many tempos at
 * which a move has just the time that it can ask for, the highest at which all have theirs. A move over g ticks
 * that needs n milliseconds has it up to g / 10080 * 60000 / n quarters a minute. Law: at every slower tempo
 * they have it too.
 *
 * @example `RLKK*4` in sixteenths is playable up to 136.4, by the double of the foot
 */
export function speedLimit(
  lick: Lick,
  reading: Reading = 'line',
  setting: PlayContext = DEFAULT_SETTING,
): SpeedLimit {
  // Only the slowest few are kept in order: there are as many moves as strokes.
  const slowest: Move[] = []
  for (const move of movesOf(lick, reading, setting)) {
    const last = slowest.at(-1)
    if (slowest.length > NEXT && last && move.bpm >= last.bpm) continue
    slowest.push(move)
    slowest.sort(compareMoves)
    slowest.length = Math.min(slowest.length, NEXT + 1)
  }
  const [bottleneck = null, ...next] = slowest
  return { bpm: bottleneck?.bpm ?? null, bottleneck, next }
}

function hitsIn(lick: Lick, reading: Reading, { kit, player, grooves = [] }: PlayContext): Hit[] {
  const groove = { own: grooves, swapped: player.swapsGroove ?? false }
  return hitsOf(lick, reading, kit, groove)
}

function beatOf({ frame }: Lick): Ticks {
  return frameTicks(frame).beat
}

function compareMoves(a: Move, b: Move): number {
  return a.bpm - b.bpm || a.toTick - b.toTick
}

/**
 * Every move of a limb from one stroke to its next, in order of time.
 *
 * @example movesOf(lickOf('line: RLRL'), 'line', DEFAULT_SETTING).length // 2
 */
export function movesOf(lick: Lick, reading: Reading, setting: PlayContext): Move[] {
  return movesOfHits(hitsIn(lick, reading, setting), beatOf(lick), setting)
}

/**
 * Every move of a limb among strokes that sound, in order of time; tempos in beats of `beat` ticks.
 * What is read may be a whole solo: strokes of many licks, one after the other.
 */
export function movesOfStrokes(
  strokes: readonly SoundStroke[],
  beat: Ticks,
  setting: PlayContext,
): Move[] {
  return movesOfHits(hitsOfStrokes(strokes, setting.kit), beat, setting)
}

/**
 * What the moves of a lick ask for at a tempo, in beats of its metre, and those of them that have not so much:
 * runs are as they are at that tempo. In order of time.
 *
 * @example the last stroke of `KKKK` in sixteenths at 120 has 125 ms and needs a single's 170
 */
export function movesTooFast(
  lick: Lick,
  reading: Reading,
  setting: PlayContext,
  tempo: number,
): Move[] {
  const runs = new Map<Limb, number>()
  return intervalsOf(hitsIn(lick, reading, setting), beatOf(lick), setting).flatMap((interval) => {
    const { limb, link, asks } = interval
    const chained = (link === 'run' || link === 'buzz') && tempo > tempoFor(interval, asks.single)
    const before = runs.get(limb) ?? 1
    runs.set(limb, chained ? before + 1 : 1)
    if (link === 'run' && !chained) return []
    const kind = link === 'run' ? KIND_IN_RUN[(before + 1) % 3] : interval.kind
    const move = toMove(interval, kind as MoveKind)
    return move && tempo > move.bpm ? [move] : []
  })
}

/** What the 2nd, 3rd, 4th stroke of a run needs, by its number modulo three, and so on. */
export const KIND_IN_RUN = ['triple', 'single', 'double'] as const

/** A limb's way from one stroke to its next, and what that can ask for. */
interface Interval {
  readonly limb: Exclude<Limb, 'XH'>
  readonly before: Hit
  readonly hit: Hit
  readonly beat: Ticks
  readonly link: Hit['link']
  /** What it needs, unless that depends on the tempo: then what it is where it ends a run. */
  readonly kind: MoveKind
  /** Milliseconds of each kind, leads of graces apart; in a run none asks for more than the next. */
  readonly asks: Readonly<Record<MoveKind, number>>
  /** What is added to them: the lead of the graces that it ends on, less what is left after those it begins on. */
  readonly leadMs: number
}

function intervalsOf(hits: readonly Hit[], beat: Ticks, { kit, player }: PlayContext): Interval[] {
  const last = new Map<Limb, Hit>()
  const intervals: Interval[] = []
  for (const hit of hits) {
    const { limb, link } = hit
    const before = last.get(limb)
    last.set(limb, hit)
    // Two strokes of one limb at once are a clash: said elsewhere, and at no tempo possible.
    if (!before || hit.tick <= before.tick || limb === 'XH') continue
    const stays = isSamePlace(kit, before.surface, hit.surface)
    const travel = stays ? 0 : travelTime(kit, before.surface, hit.surface, limb, player)
    const asks = { ...limbAsks(player[limb]), travel }
    const kind = stays ? KIND_OF_LINK[link] : travel > asks.single ? 'travel' : 'single'
    const leadMs = hit.leadMs - before.freeMs
    intervals.push({ limb, before, hit, beat, link, kind, asks, leadMs })
  }
  return intervals
}

const KIND_OF_LINK = { apart: 'single', rebound: 'double', run: 'single', buzz: 'buzz' } as const

/** What a limb can ask for that stays where it is, in milliseconds. */
export type LimbAsks = Readonly<Record<Exclude<MoveKind, 'travel'>, number>>

/**
 * A limb that plays three in a row within some time can play two within it, and one: slower never breaks.
 *
 * @example limbAsks({ single: 170, double: 220, triple: 140 }) // { single: 170, double: 140, triple: 140, buzz: 170 }
 */
export function limbAsks(speed: LimbSpeed | HandSpeed): LimbAsks {
  const triple = Math.min(speed.triple, speed.single)
  const double = Math.min(speed.double, triple)
  const buzz = 'buzz' in speed ? speed.buzz : speed.single
  return { single: speed.single, double, triple, buzz }
}

/** The fastest tempo at which an interval has so many milliseconds and its leads, in beats a minute. */
function tempoFor({ before, hit, beat, leadMs }: Interval, ms: number): number {
  const needMs = ms + leadMs
  // g / 10080 * 60000 / n quarters a minute, in beats of the metre.
  return needMs <= 0
    ? Number.POSITIVE_INFINITY
    : ((hit.tick - before.tick) * 60000) / (needMs * beat)
}

/** An interval as a move of some kind; null where its leads leave nothing to need. */
function toMove(interval: Interval, kind: MoveKind): Move | null {
  const { limb, before, hit, asks, leadMs } = interval
  const needMs = asks[kind] + leadMs
  if (needMs <= 0) return null
  return {
    limb,
    fromTick: before.tick,
    toTick: hit.tick,
    fromSurface: before.surface,
    toSurface: hit.surface,
    needMs,
    bpm: tempoFor(interval, asks[kind]),
    kind,
    leadMs,
  }
}

/** Every move with the tempo up to which it has its time, in order of time. */
function movesOfHits(hits: readonly Hit[], beat: Ticks, setting: PlayContext): Move[] {
  const intervals = intervalsOf(hits, beat, setting)
  const kinds: MoveKind[] = intervals.map(({ kind }) => kind)
  const runs = new Map<Limb, Run>()
  for (const [i, interval] of intervals.entries()) {
    const { limb, link, asks } = interval
    if (link !== 'run' && link !== 'buzz') {
      runs.delete(limb)
      continue
    }
    const run = runs.get(limb) ?? new Run()
    runs.set(limb, run)
    run.add(i, tempoFor(interval, asks.single))
    if (link === 'buzz') continue
    const { kind, apart } = run.last(
      tempoFor(interval, asks.double),
      tempoFor(interval, asks.triple),
    )
    kinds[i] = kind
    // Faster than a single an earlier interval would make this stroke a later one of the run.
    if (apart !== null) kinds[apart] = 'single'
  }
  return intervals.flatMap((interval, i) => toMove(interval, kinds[i] as MoveKind) ?? [])
}

/**
 * Neighbouring strokes of a limb on one surface, told by the tempos up to which each interval has time for a
 * single: slower than that the stroke after it begins the run anew. Intervals that have more such time than all
 * after them are where the run can begin, at one tempo or another; nothing else is looked at.
 */
class Run {
  /** The numbers of the intervals, and their tempos of a single. */
  private readonly numbers: number[] = []
  private readonly singles: number[] = []
  /** For each interval the last one before it that has more time; -1 for none. */
  private readonly longer: number[] = []

  add(number: number, single: number): void {
    let before = this.singles.length - 1
    while (before >= 0 && (this.singles[before] as number) <= single)
      before = this.longer[before] as number
    this.numbers.push(number)
    this.singles.push(single)
    this.longer.push(before)
  }

  /**
   * What the last stroke needs at the fastest tempo at which it has its time, told the tempos up to which it has
   * a double's and a triple's. Where it has that only since an earlier interval has time for a single, that
   * one's number, else null.
   */
  last(double: number, triple: number): { kind: MoveKind; apart: number | null } {
    const end = this.singles.length - 1
    let best: { kind: MoveKind; apart: number | null } = { kind: 'single', apart: null }
    let fastest = this.singles[end] as number
    let slower = fastest
    for (let at = end; at >= 0 && slower < Math.max(double, triple); ) {
      // Faster than `slower` all intervals after `from` are in the run, up to the tempo of `from` itself.
      const from = this.longer[at] as number
      const faster = from < 0 ? Number.POSITIVE_INFINITY : (this.singles[from] as number)
      const kind = KIND_IN_RUN[(end - from + 1) % 3] as MoveKind
      const own = kind === 'double' ? double : kind === 'triple' ? triple : 0
      const tempo = Math.min(own, faster)
      if (tempo > slower && tempo > fastest) {
        fastest = tempo
        best = { kind, apart: own > faster ? (this.numbers[from] as number) : null }
      }
      slower = faster
      at = from
    }
    return best
  }
}

/**
 * Whether a limb stays where it is: on one piece, on pedals, or where a surface is not decided.
 *
 * @example isSamePlace(DEFAULT_KIT, 'sn', 'rim') // true
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

/**
 * Milliseconds of a move over a way to a target, both in centimetres; never below A.
 *
 * @example Math.round(fittsTime(60, 30)) // 203
 */
export function fittsTime(way: number, width: number): number {
  return Math.max(FITTS_A, FITTS_A + FITTS_B * Math.log2((2 * way) / width))
}
