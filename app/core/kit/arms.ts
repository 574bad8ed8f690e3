import type { Voice } from '../sticking'
import { findPiece, type Kit, type Piece } from './kit'
import { type Arms, DEFAULT_ARMS } from './player'

/** A point seen from above, in centimetres from the throne: x to the right, y ahead. */
export interface Point {
  readonly x: number
  readonly y: number
}

/** Where the shoulder of a hand is. Example: (20, 0) for the right of the usual player. */
export function shoulderOf(hand: 'RH' | 'LH', { shoulder }: Arms = DEFAULT_ARMS): Point {
  return { x: hand === 'RH' ? shoulder : -shoulder, y: 0 }
}

/**
 * Where a hand is when it strikes a piece: on the straight line from its shoulder to the piece's
 * centre, the grip's length before the centre; at the shoulder where that is nearer.
 *
 * @example handPlace('RH', { x: 20, y: 80 }) // { x: 20, y: 45 }
 */
export function handPlace(hand: 'RH' | 'LH', { x, y }: Piece, arms: Arms = DEFAULT_ARMS): Point {
  const from = shoulderOf(hand, arms)
  const [dx, dy] = [x - from.x, y - from.y]
  const away = Math.hypot(dx, dy)
  const share = away <= arms.grip ? 0 : (away - arms.grip) / away
  return { x: from.x + dx * share, y: from.y + dy * share }
}

/**
 * The way of a hand between two pieces, in centimetres over the floor: of the hand, not of the tip,
 * since the stick turns in it. Example: from floor tom to crash the right hand has 62.
 */
export function handWay(hand: 'RH' | 'LH', a: Piece, b: Piece, arms: Arms = DEFAULT_ARMS): number {
  const [from, to] = [handPlace(hand, a, arms), handPlace(hand, b, arms)]
  return Math.hypot(to.x - from.x, to.y - from.y)
}

/** Centimetres over the floor from a hand's shoulder to a surface; null for pedals and no surface. */
export function reachOf(
  hand: 'RH' | 'LH',
  kit: Kit,
  voice: Voice,
  arms: Arms = DEFAULT_ARMS,
): number | null {
  const piece = findPiece(kit, voice)
  if (!piece || piece.kind === 'pedal') return null
  const from = shoulderOf(hand, arms)
  return Math.hypot(piece.x - from.x, piece.y - from.y)
}
