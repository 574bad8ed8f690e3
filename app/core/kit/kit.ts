import type { Surface, Voice } from '../sticking'

export const PIECE_KINDS = ['drum', 'cymbal', 'pedal'] as const
export type PieceKind = (typeof PIECE_KINDS)[number]

/** A surface of a kit seen from above, in centimetres from the throne: x to the right, y ahead. */
export interface Piece {
  readonly surface: Surface
  readonly kind: PieceKind
  readonly x: number
  readonly y: number
  /** Of the playing surface over the floor. */
  readonly height: number
  readonly diameter: number
}

/** What a drummer sits at; each surface at most once. */
export interface Kit {
  readonly id: string
  readonly name: string
  readonly pieces: readonly Piece[]
}

/** Voices that lie at one place: from one to the other no hand has to travel. */
const SAME_PLACE: Readonly<Partial<Record<Surface, Surface>>> = {
  rs: 'sn',
  xs: 'sn',
  ho: 'hh',
  rb: 'rd',
}

/** The surface whose place a voice is played at: rim shot and cross-stick are on the snare. */
export function placeOf(surface: Surface): Surface {
  return SAME_PLACE[surface] ?? surface
}

/** What plays instead of a surface that a kit lacks, nearest in sound first. */
const STAND_INS: Readonly<Partial<Record<Surface, readonly Surface[]>>> = {
  s2: ['sn', 't1'],
  t1: ['t2', 't3', 'f1', 'sn'],
  t2: ['t1', 't3', 'f1', 'sn'],
  t3: ['t2', 't1', 'f1', 'sn'],
  t4: ['t3', 't2', 'f1', 't1', 'sn'],
  t5: ['t4', 't3', 'f1', 't2', 't1', 'sn'],
  t6: ['t5', 't4', 'f1', 't3', 't2', 't1', 'sn'],
  f1: ['f2', 't3', 't2', 't1', 'sn'],
  f2: ['f1', 't3', 't2', 't1', 'sn'],
  hh: ['x2', 'rd', 'sn'],
  x2: ['hh', 'rd', 'sn'],
  rd: ['hh', 'c1', 'sn'],
  c1: ['c2', 'ch', 'sp', 'rd', 'hh', 'sn'],
  c2: ['c1', 'ch', 'sp', 'rd', 'hh', 'sn'],
  sp: ['c1', 'c2', 'hh', 'rd', 'sn'],
  ch: ['c2', 'c1', 'rd', 'hh', 'sn'],
  cb: ['rd', 'hh', 'sn'],
  sn: ['s2', 't1', 't2', 'f1'],
  hf: ['hh'],
  b2: ['bd'],
}

/** The piece that a voice is played on: its own, or what stands in for it; undefined for none. */
export function findPiece(kit: Kit, voice: Voice): Piece | undefined {
  if (voice === '??') return undefined
  const place = placeOf(voice)
  for (const surface of [place, ...(STAND_INS[place] ?? [])]) {
    const piece = kit.pieces.find((known) => known.surface === surface)
    if (piece) return piece
  }
  return kit.pieces[0]
}

/** Centimetres between the centres of two pieces, height counted. */
export function distance(a: Piece, b: Piece): number {
  return Math.hypot(a.x - b.x, a.y - b.y, a.height - b.height)
}

/** A kit with left and right changed places. Law: twice is the same. */
export function mirrorKit(kit: Kit): Kit {
  return { ...kit, pieces: kit.pieces.map((piece) => ({ ...piece, x: -piece.x || 0 })) }
}
