import { SURFACES, type Surface, type Voice } from '../sticking'
import { type HeadPlace, STAFF_KEY, type StaffKey } from './staff-key'

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
  /** What it sounds like; without one, like its surface. */
  readonly sound?: Surface
  /** Its MIDI note; without one, the usual one of its surface. */
  readonly midi?: number
  /** Where it stands on the staff; without one, as its surface does. */
  readonly staff?: HeadPlace
}

/** What a drummer sits at; each surface at most once. */
export interface Kit {
  readonly id: string
  readonly name: string
  /** The crash that a fill lands on; without one, that which the free hand reaches soonest. */
  readonly crash?: Surface
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

/**
 * The piece that a voice is played on: its own, or what stands in for it; undefined for none.
 *
 * @example findPiece(DEFAULT_KIT, 'f1').kind // 'drum'
 */
export function findPiece(kit: Kit, voice: Voice): Piece | undefined {
  if (voice === '??') return undefined
  const known = found.get(kit) ?? new Map<Voice, Piece | undefined>()
  found.set(kit, known)
  if (!known.has(voice)) known.set(voice, lookedUp(kit, voice))
  return known.get(voice)
}

/** Pieces that were looked for before: every stroke of a line asks for its own. */
const found = new WeakMap<Kit, Map<Voice, Piece | undefined>>()

function lookedUp(kit: Kit, voice: Exclude<Voice, '??'>): Piece | undefined {
  const place = placeOf(voice)
  for (const surface of [place, ...(STAND_INS[place] ?? [])]) {
    const piece = kit.pieces.find((one) => one.surface === surface)
    if (piece) return piece
  }
  return kit.pieces[0]
}

/**
 * Centimetres between the centres of two pieces, height counted.
 *
 * @example Math.round(distance(findPiece(DEFAULT_KIT, 'sn'), findPiece(DEFAULT_KIT, 'sn'))) // 0
 */
export function distance(a: Piece, b: Piece): number {
  return Math.hypot(a.x - b.x, a.y - b.y, a.height - b.height)
}

/** A kit with left and right changed places. Law: twice is the same. */
export function mirrorKit(kit: Kit): Kit {
  return mirrorPart(mirrorPart(kit, 'pedals'), 'surfaces')
}

/** Where the pieces that hands play come in the count, whatever the kit. */
const COUNTED: readonly Surface[] = [
  'hh',
  'sn',
  't1',
  't2',
  't3',
  'f1',
  'rd',
  'c1',
  'c2',
  'f2',
  't4',
  's2',
  'x2',
  'sp',
  'ch',
  'cb',
  't5',
  't6',
]

/**
 * The pieces that hands play, in the order of their numbers: the first is 1, the tenth is 0. Pedals have
 * none. Example: on the five-piece kit hi-hat, snare, tom 1, tom 2, floor tom, ride, crash, crash 2.
 */
export function numberedPieces({ pieces }: Kit): readonly Piece[] {
  const rank = ({ surface }: Piece) => {
    const at = COUNTED.indexOf(surface)
    return at < 0 ? COUNTED.length : at
  }
  return pieces.filter(({ kind }) => kind !== 'pedal').sort((a, b) => rank(a) - rank(b))
}

/**
 * The piece that a digit's key strikes; undefined for any other key, and for a number that no piece has.
 *
 * @example pieceAt(usualKit, '2')?.surface is 'sn'; '0' is the tenth piece
 */
export function pieceAt(kit: Kit, key: string | null): Piece | undefined {
  return key && /^\d$/.test(key) ? numberedPieces(kit)[(Number(key) + 9) % 10] : undefined
}

/**
 * The hung and floor toms that a kit has, from high to low.
 *
 * @example tomsOf(DEFAULT_KIT) // ['t1', 't2', 'f1']
 */
export function tomsOf({ pieces }: Kit): Surface[] {
  return SURFACES.filter(
    (surface) => /^[tf]\d$/.test(surface) && pieces.some((piece) => piece.surface === surface),
  )
}

/** A voice that a kit lacks, and what plays instead. */
export interface StandIn {
  readonly voice: Voice
  readonly instead: Surface
}

/** The voices of a list that a kit lacks, each once, with what plays instead. */
export function standIns(kit: Kit, voices: Iterable<Voice>): StandIn[] {
  return [...new Set(voices)].flatMap((voice): StandIn[] => {
    if (voice === '??') return []
    const piece = findPiece(kit, voice)
    return !piece || piece.surface === placeOf(voice) ? [] : [{ voice, instead: piece.surface }]
  })
}

/** How a kit is heard. */
export interface KitSound {
  /** What a voice sounds like, where that is not itself: stand-ins, and sounds chosen. */
  readonly instead: Readonly<Partial<Record<Surface, Surface>>>
  /** Where each sound that the kit has comes from: -1 (the drummer's left) to 1. */
  readonly pans: Readonly<Partial<Record<Surface, number>>>
}

/** A kit of which nothing is known: every voice sounds like itself, from the middle. */
export const ANY_KIT: KitSound = { instead: {}, pans: {} }

/** How far from the middle something stands that is heard on one side alone, in centimetres. */
const WIDEST = 85

/**
 * How each voice sounds on a kit, and from where: what stands in for it, the sound that was chosen for it, and the
 * side on which its piece stands.
 *
 * Example: on the usual kit the hi-hat is heard at -0.49, on the drummer's left.
 */
export function soundsOn(kit: Kit): KitSound {
  const instead: Partial<Record<Surface, Surface>> = {}
  const pans: Partial<Record<Surface, number>> = {}
  for (const voice of SURFACES) {
    const piece = findPiece(kit, voice)
    if (!piece) continue
    const own = piece.surface === placeOf(voice) ? voice : piece.surface
    const sound = own === piece.surface ? (piece.sound ?? own) : own
    if (sound !== voice) instead[voice] = sound
    // What sounds like itself comes from its own place, whatever else sounds like it.
    if (sound === voice || pans[sound] === undefined)
      pans[sound] = Math.max(-1, Math.min(1, piece.x / WIDEST))
  }
  return { instead, pans }
}

/** The staff key with what a kit's pieces set otherwise. */
export function staffKeyOf({ pieces }: Kit): StaffKey {
  const own = pieces.flatMap(({ surface, staff }) => (staff ? [[surface, staff] as const] : []))
  return own.length === 0 ? STAFF_KEY : { ...STAFF_KEY, ...Object.fromEntries(own) }
}

/** Pieces of a kit that lie in each other's way: their edges overlap at about one height. */
export function overlapsOf({ pieces }: Kit): (readonly [Piece, Piece])[] {
  return pieces.flatMap((a, i) =>
    pieces.slice(i + 1).flatMap((b): (readonly [Piece, Piece])[] => {
      const apart = Math.hypot(a.x - b.x, a.y - b.y)
      const near = Math.abs(a.height - b.height) < ROOM_ABOVE
      return near && apart < (a.diameter + b.diameter) / 2 ? [[a, b]] : []
    }),
  )
}

/** Centimetres between heights at which a stick passes between two pieces. */
const ROOM_ABOVE = 8

/** A kit with its pedals, or all but its pedals, changed from one side to the other. */
export function mirrorPart(kit: Kit, part: 'pedals' | 'surfaces'): Kit {
  return {
    ...kit,
    pieces: kit.pieces.map((piece) =>
      (piece.kind === 'pedal') === (part === 'pedals') ? { ...piece, x: -piece.x || 0 } : piece,
    ),
  }
}
