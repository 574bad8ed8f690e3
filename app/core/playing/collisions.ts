import { distance, findPiece, type Kit, type Piece, placeOf } from '../kit'
import { frameTicks, type Lick, lineEvents, strokeEvents } from '../line'
import type { Surface, Voice } from '../sticking'
import type { Ticks } from '../time'

/** Two hand strokes in a row by different hands that are in each other's way. */
export interface HandCollision {
  /** Crossed: the right hand lies left of the left. Shared: both are on one surface. */
  readonly kind: 'crossed' | 'shared'
  readonly fromTick: Ticks
  readonly toTick: Ticks
  readonly right: Voice
  readonly left: Voice
}

/**
 * Where hands cross or share a surface, between neighbouring hand strokes at most a beat apart; feet
 * between do not matter. It may be meant: it is told, never forbidden. Strokes together count too.
 */
export function handCollisions(lick: Lick, kit: Kit): HandCollision[] {
  const { beat } = frameTicks(lick.frame)
  const hands = strokeEvents(lick).filter(({ limb }) => limb === 'RH' || limb === 'LH')
  const meets: HandCollision[] = []
  for (const [i, event] of hands.entries()) {
    const before = hands[i - 1]
    if (!before || before.limb === event.limb || event.tick - before.tick > beat) continue
    const [right, left] = before.limb === 'RH' ? [before, event] : [event, before]
    const kind = collisionKind(kit, right.surface, left.surface)
    if (!kind) continue
    meets.push({
      kind,
      fromTick: before.tick,
      toTick: event.tick,
      right: right.surface,
      left: left.surface,
    })
  }
  return meets
}

function collisionKind(kit: Kit, right: Voice, left: Voice): HandCollision['kind'] | null {
  const [a, b] = [findPiece(kit, right), findPiece(kit, left)]
  if (!a || !b) return null
  if (a === b || (right !== '??' && left !== '??' && placeOf(right) === placeOf(left))) {
    return isSmall(a) ? 'shared' : null
  }
  return a.x < b.x ? 'crossed' : null
}

/** Two sticks have room on a snare or a larger drum; on less they are in each other's way. */
const ROOM_FOR_TWO = 33

function isSmall({ diameter }: Piece): boolean {
  return diameter < ROOM_FOR_TWO
}

/**
 * Surfaces of a kit on which one hand would be out of the other's way: of the same kind as the one it
 * is on, nearest first. The other hand stays where it is.
 */
export function clearSurfaces(
  kit: Kit,
  { right, left }: HandCollision,
  moved: 'RH' | 'LH',
): Surface[] {
  const [stays, goes] = moved === 'RH' ? [left, right] : [right, left]
  const from = findPiece(kit, goes)
  if (!from) return []
  return kit.pieces
    .filter(({ surface, kind }) => {
      if (kind !== from.kind || surface === from.surface) return false
      const [r, l] = moved === 'RH' ? [surface, stays] : [stays, surface]
      return collisionKind(kit, r, l) === null
    })
    .sort((a, b) => distance(a, from) - distance(b, from))
    .map(({ surface }) => surface)
}

/** The slots of the line with a hand that is not decided: how fast they play cannot be known. */
export function undecidedSlots(lick: Lick): number[] {
  const open = lineEvents(lick).filter(({ limb }) => limb === 'XH')
  return [...new Set(open.map(({ slot }) => slot))]
}
