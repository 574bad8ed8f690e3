import type { Surface } from '../sticking'
import type { Kit, Piece, PieceKind } from './kit'

const piece = (
  surface: Surface,
  kind: PieceKind,
  x: number,
  y: number,
  height: number,
  diameter: number,
): Piece => ({ surface, kind, x, y, height, diameter })

/** Heads and cymbals of usual sizes (snare 14 inches, toms 10, 12 and 16), set up within reach. */
const SNARE = piece('sn', 'drum', 0, 38, 66, 36)
const HI_HAT = piece('hh', 'cymbal', -42, 46, 86, 36)
const RIDE = piece('rd', 'cymbal', 52, 66, 92, 51)
const CRASH = piece('c1', 'cymbal', -30, 84, 118, 41)
const CRASH_2 = piece('c2', 'cymbal', 42, 92, 120, 46)
const FLOOR = piece('f1', 'drum', 46, 26, 62, 41)
const HIGH_TOM = piece('t1', 'drum', -12, 70, 84, 25)
const LOW_TOM = piece('t2', 'drum', 22, 70, 83, 30)
const FEET = [piece('bd', 'pedal', 14, 60, 0, 10), piece('hf', 'pedal', -34, 26, 0, 10)]
const SECOND_PEDAL = piece('b2', 'pedal', -12, 60, 0, 10)
const FLOOR_2 = piece('f2', 'drum', 68, -14, 60, 46)

/** Kits of three to eight pieces; the drums are counted. The first is what limits are said for. */
export const KIT_PRESETS: readonly Kit[] = [
  {
    id: 'five',
    name: 'Five pieces',
    pieces: [SNARE, HI_HAT, HIGH_TOM, LOW_TOM, FLOOR, RIDE, CRASH, CRASH_2, ...FEET],
  },
  { id: 'three', name: 'Three pieces', pieces: [SNARE, HI_HAT, FLOOR, RIDE, CRASH, ...FEET] },
  {
    id: 'four',
    name: 'Four pieces',
    pieces: [SNARE, HI_HAT, { ...HIGH_TOM, x: 4 }, FLOOR, RIDE, CRASH, ...FEET],
  },
  {
    id: 'six',
    name: 'Six pieces',
    pieces: [SNARE, HI_HAT, HIGH_TOM, LOW_TOM, FLOOR, FLOOR_2, RIDE, CRASH, CRASH_2, ...FEET],
  },
  {
    id: 'seven',
    name: 'Seven pieces',
    pieces: [
      SNARE,
      HI_HAT,
      piece('t1', 'drum', -28, 72, 86, 20),
      piece('t2', 'drum', -4, 76, 85, 25),
      piece('t3', 'drum', 24, 74, 84, 30),
      FLOOR,
      FLOOR_2,
      RIDE,
      CRASH,
      CRASH_2,
      piece('sp', 'cymbal', 8, 98, 104, 25),
      ...FEET,
    ],
  },
  {
    id: 'eight',
    name: 'Eight pieces',
    pieces: [
      SNARE,
      piece('s2', 'drum', -44, 18, 70, 30),
      HI_HAT,
      piece('t1', 'drum', -28, 72, 86, 20),
      piece('t2', 'drum', -4, 76, 85, 25),
      piece('t3', 'drum', 24, 74, 84, 30),
      FLOOR,
      FLOOR_2,
      piece('x2', 'cymbal', 60, 52, 88, 33),
      RIDE,
      CRASH,
      CRASH_2,
      piece('sp', 'cymbal', 6, 92, 104, 25),
      piece('ch', 'cymbal', 74, 92, 112, 46),
      ...FEET,
      SECOND_PEDAL,
    ],
  },
  {
    id: 'electronic',
    name: 'Electronic',
    pieces: [
      piece('sn', 'drum', 0, 40, 68, 25),
      piece('hh', 'cymbal', -38, 46, 82, 25),
      piece('t1', 'drum', -14, 68, 80, 20),
      piece('t2', 'drum', 14, 68, 80, 20),
      piece('f1', 'drum', 40, 40, 70, 25),
      piece('rd', 'cymbal', 48, 66, 88, 33),
      piece('c1', 'cymbal', -34, 76, 96, 28),
      piece('bd', 'pedal', 14, 60, 0, 10),
      piece('hf', 'pedal', -34, 26, 0, 10),
    ],
  },
]

export const DEFAULT_KIT: Kit = KIT_PRESETS[0] as Kit

/** Usual MIDI notes of the voices (the percussion map of General MIDI where it has one); all differ. */
export const MIDI_NOTES: Readonly<Record<Surface, number>> = {
  b2: 35,
  bd: 36,
  xs: 37,
  sn: 38,
  rs: 40,
  f2: 41,
  hh: 42,
  f1: 43,
  hf: 44,
  t4: 45,
  ho: 46,
  t3: 47,
  t2: 48,
  c1: 49,
  t1: 50,
  rd: 51,
  ch: 52,
  rb: 53,
  sp: 55,
  cb: 56,
  c2: 57,
  x2: 22,
  s2: 34,
  t5: 60,
  t6: 61,
}
