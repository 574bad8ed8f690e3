import {
  type Arms,
  DEFAULT_ARMS,
  distance,
  findPiece,
  type Kit,
  type Piece,
  type Point,
  placeOf,
  shoulderOf,
} from '../kit'
import { frameTicks, type Lick, lineEvents, type StrokeEvent, strokeEvents } from '../line'
import type { SoundStroke } from '../performance'
import { isOneHand, type Limb, type Surface, type Voice } from '../sticking'
import type { Ticks } from '../time'

/** Two hand strokes in a row, or together, by different hands that are in each other's way. */
export interface HandCollision {
  /** Crossed: one arm lies over the other. Shared: both strike one small drum together. */
  readonly kind: 'crossed' | 'shared'
  readonly fromTick: Ticks
  readonly toTick: Ticks
  readonly right: Voice
  readonly left: Voice
  /** Whether the arms meet only near the end of either. */
  readonly slight: boolean
  /** The arm that goes over, that on the higher surface; null for a shared drum. */
  readonly over: 'RH' | 'LH' | null
  /** One hand on the hi-hat over the other on the snare: every groove's habit. */
  readonly usual: boolean
}

/** A stroke of a hand at its place in time: a grace lies before the onset of its main stroke. */
interface HandStroke {
  readonly hand: 'RH' | 'LH'
  readonly tick: Ticks
  readonly surface: Voice
}

/**
 * Where arms cross, or both hands share a small drum. Each hand stroke is held against the other
 * hand's strokes together with it and at the onset of hands before it, at most a beat apart; feet
 * between do not matter, a grace is a stroke of its hand before its main stroke, and undecided hands
 * are not judged. It may be meant: it is told, never forbidden.
 */
export function handCollisions(lick: Lick, kit: Kit, arms: Arms = DEFAULT_ARMS): HandCollision[] {
  return collisionsIn(strokeEvents(lick), frameTicks(lick.frame).beat, kit, arms)
}

/** The same among strokes that sound, in order of time: of a whole solo, or of a join in it. */
export function collisionsOfStrokes(
  strokes: readonly SoundStroke[],
  beat: Ticks,
  kit: Kit,
  arms: Arms = DEFAULT_ARMS,
): HandCollision[] {
  return collisionsIn(
    strokes.map((stroke) => ({ ...stroke, grace: stroke.graces })),
    beat,
    kit,
    arms,
  )
}

/** What of a stroke tells where its hand is, and when. */
type Reaching = Pick<
  StrokeEvent,
  'tick' | 'limb' | 'surface' | 'grace' | 'graceLimb' | 'graceSurface'
>

function collisionsIn(
  strokes: readonly Reaching[],
  beat: Ticks,
  kit: Kit,
  arms: Arms,
): HandCollision[] {
  const collisions: HandCollision[] = []
  let before: readonly HandStroke[] = []
  for (const now of handOnsets(strokes)) {
    for (const stroke of now) {
      for (const other of [...before, ...now]) {
        const together = now.includes(other)
        // Of two together each pair is looked at once, from the left hand.
        if (other.hand === stroke.hand || (together && stroke.hand === 'RH')) continue
        if (stroke.tick - other.tick > beat) continue
        const [right, left] = stroke.hand === 'RH' ? [stroke, other] : [other, stroke]
        const found = collisionOf(kit, right.surface, left.surface, together, arms)
        if (found) collisions.push({ ...found, fromTick: other.tick, toTick: stroke.tick })
      }
    }
    if (now.length > 0) before = now
  }
  return collisions
}

/** Hand strokes onset by onset: graces, then what sounds together. */
function handOnsets(strokes: readonly Reaching[]): HandStroke[][] {
  const onsets: HandStroke[][] = []
  let graces: HandStroke[] = []
  let mains: HandStroke[] = []
  let tick = Number.NaN
  const close = () => {
    onsets.push(graces, mains)
    graces = []
    mains = []
  }
  for (const event of strokes) {
    if (event.tick !== tick) close()
    tick = event.tick
    const add = (to: HandStroke[], hand: Limb | undefined, surface: Voice) => {
      if (hand && isOneHand(hand)) to.push({ hand, tick: event.tick, surface })
    }
    if (event.grace > 0) add(graces, event.graceLimb, event.graceSurface ?? event.surface)
    add(mains, event.limb, event.surface)
  }
  close()
  return onsets.filter((onset) => onset.length > 0)
}

type Found = Omit<HandCollision, 'fromTick' | 'toTick'>

/** What two hands do to each other on two surfaces of a kit; null where both are free. */
export function collisionOf(
  kit: Kit,
  right: Voice,
  left: Voice,
  together: boolean,
  arms: Arms = DEFAULT_ARMS,
): Found | null {
  const [a, b] = [findPiece(kit, right), findPiece(kit, left)]
  if (!a || !b || a.kind === 'pedal' || b.kind === 'pedal') return null
  if (a === b) {
    if (!together || a.kind !== 'drum' || a.diameter >= ROOM_FOR_TWO) return null
    return { kind: 'shared', right, left, slight: false, over: null, usual: false }
  }
  const meets = armsMeet(a, b, arms)
  if (meets === null) return null
  const over = a.height >= b.height ? 'RH' : 'LH'
  return { kind: 'crossed', right, left, slight: meets > SLIGHT_FROM, over, usual: isUsual(a, b) }
}

/** Two sticks have room on a snare or a larger drum; on less they are in each other's way. */
const ROOM_FOR_TWO = 33
/** Arms that meet in the last tenth of either cross but slightly. */
const SLIGHT_FROM = 0.9

function isUsual(a: Piece, b: Piece): boolean {
  const surfaces = [a.surface, b.surface]
  return surfaces.includes('hh') && surfaces.includes('sn')
}

/**
 * Seen from above, whether the straight lines from each shoulder to its surface's centre cross: how
 * far along the arm that is nearer to its end (0 to 1), or null where they do not. Lines that only
 * touch at the surfaces do not cross.
 */
function armsMeet(right: Piece, left: Piece, arms: Arms): number | null {
  const [p, q] = [shoulderOf('RH', arms), shoulderOf('LH', arms)]
  const [r, s] = [minus(right, p), minus(left, q)]
  const across = cross(r, s)
  if (across === 0) return null
  const between = minus(q, p)
  const [alongRight, alongLeft] = [cross(between, s) / across, cross(between, r) / across]
  const inside = (along: number) => along >= 0 && along <= 1
  return inside(alongRight) && inside(alongLeft) ? Math.max(alongRight, alongLeft) : null
}

function minus(a: Point, b: Point): Point {
  return { x: a.x - b.x, y: a.y - b.y }
}

function cross(a: Point, b: Point): number {
  return a.x * b.y - a.y * b.x
}

/**
 * Surfaces of a kit on which one hand would be out of the other's way: of the same kind as the one it
 * is on, nearest first. The other hand stays where it is.
 */
export function clearSurfaces(
  kit: Kit,
  { kind: collision, right, left }: Pick<HandCollision, 'kind' | 'right' | 'left'>,
  moved: 'RH' | 'LH',
  arms: Arms = DEFAULT_ARMS,
): Surface[] {
  const [stays, goes] = moved === 'RH' ? [left, right] : [right, left]
  const from = findPiece(kit, goes)
  if (!from) return []
  return kit.pieces
    .filter(({ surface, kind }) => {
      if (kind !== from.kind || placeOf(surface) === from.surface) return false
      const [r, l] = moved === 'RH' ? [surface, stays] : [stays, surface]
      return collisionOf(kit, r, l, collision === 'shared', arms) === null
    })
    .sort((a, b) => distance(a, from) - distance(b, from))
    .map(({ surface }) => surface)
}

/**
 * The slots of the line with a hand that is not decided: how fast they play cannot be known.
 *
 * @example undecidedSlots(lickOf('line: RXLX')) // [1, 3]
 */
export function undecidedSlots(lick: Lick): number[] {
  const open = lineEvents(lick).filter(({ limb }) => limb === 'XH')
  return [...new Set(open.map(({ slot }) => slot))]
}
