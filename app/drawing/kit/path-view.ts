import { type Arms, DEFAULT_ARMS, findPiece, type Kit, type Piece } from '~/core/kit'
import type { Lick } from '~/core/line'
import { type HandPaths, handCollisions, handPaths, type PathStop } from '~/core/playability'

/** A point of the plan, in centimetres as it is drawn: y grows towards the throne. */
interface Point {
  readonly x: number
  readonly y: number
}

/** One stop of a hand as it is drawn: where, and the way to it from the stop before. */
export interface StopMark extends Point {
  readonly tick: number
  /** An SVG path from the stop before; null for the first, and where the hand stays. */
  readonly way: string | null
}

/** Both hands' paths as they are drawn, and where they cross or share a small surface. */
export interface PathView {
  readonly RH: readonly StopMark[]
  readonly LH: readonly StopMark[]
  readonly meets: readonly (Point & { readonly kind: 'crossed' | 'shared' })[]
}

/** Each hand strikes on its own side of a piece, so that two paths over one drum stay apart. */
const SIDE = { RH: 1, LH: -1 } as const
const ASIDE = 0.24
const BEND = 0.12

/** The paths of a lick's hands on the plan of a kit. */
export function toPathView(lick: Lick, kit: Kit, arms: Arms = DEFAULT_ARMS): PathView {
  const paths = handPaths(lick, kit)
  const seen = new Set<string>()
  const meets = handCollisions(lick, kit, arms).flatMap(({ kind, right, left, usual }) => {
    if (usual) return []
    const [a, b] = [findPiece(kit, right), findPiece(kit, left)]
    if (!a || !b || seen.has(`${kind} ${a.surface} ${b.surface}`)) return []
    seen.add(`${kind} ${a.surface} ${b.surface}`)
    return [{ kind, x: (a.x + b.x) / 2, y: -(a.y + b.y) / 2 }]
  })
  return { RH: marksOf(paths, 'RH'), LH: marksOf(paths, 'LH'), meets }
}

function marksOf(paths: HandPaths, hand: 'RH' | 'LH'): StopMark[] {
  const stops = paths[hand]
  return stops.map((stop, i) => {
    const here = pointOf(stop.piece, hand)
    const before = stops[i - 1]
    return { ...here, tick: stop.tick, way: before ? wayBetween(before, stop, hand) : null }
  })
}

function pointOf({ x, y, diameter }: Piece, hand: 'RH' | 'LH'): Point {
  return { x: x + SIDE[hand] * diameter * ASIDE, y: -y + diameter * ASIDE * 0.6 }
}

/** Ways bend to the hand's own side, there and back on different sides. */
function wayBetween(from: PathStop, to: PathStop, hand: 'RH' | 'LH'): string | null {
  if (from.piece === to.piece) return null
  const [a, b] = [pointOf(from.piece, hand), pointOf(to.piece, hand)]
  const middle = {
    x: (a.x + b.x) / 2 - (b.y - a.y) * BEND,
    y: (a.y + b.y) / 2 + (b.x - a.x) * BEND,
  }
  return `M${at(a)}Q${at(middle)} ${at(b)}`
}

function at({ x, y }: Point): string {
  return `${x.toFixed(1)} ${y.toFixed(1)}`
}

/** The index of the last stop at or before a tick; -1 before the first. */
export function stopAt(stops: readonly { readonly tick: number }[], tick: number): number {
  return stops.findLastIndex((stop) => stop.tick <= tick)
}
