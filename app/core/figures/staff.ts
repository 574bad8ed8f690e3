import type { StaffNote, StaffUnit } from '../engraving'
import type { Ticks } from '../time'
import { beamShapes, beamTip } from './beams'
import { type GlyphName, glyphOf, glyphWidth, restGlyph } from './glyphs'
import { graceShapes } from './graces'
import { STAFF_HEIGHT, STAFF_LINE, stepY, THIN_BARLINE } from './measures'
import {
  flagShapes,
  headShapes,
  markReach,
  markShapes,
  type PlacedNote,
  placeNote,
  type Room,
  stemShapes,
} from './notes'
import type { Figure, Shape } from './shape'
import { tupletShapes } from './tuplets'

/** Where a unit of staff is drawn, in staff spaces; y is 0 at the top line of the staff. */
export interface StaffPlace {
  /** The column of a tick: the middle of its first head. */
  readonly xOf: (tick: Ticks) => number
  readonly room: Room
  /** The baseline of the sticking; null where it is not shown. */
  readonly sticking: number | null
  /** Whether strokes of the feet have their letters too; they have where nothing is said. */
  readonly footLetters?: boolean
  /** The height of a letter's em; ghosts have three quarters of it. */
  readonly letterSize?: number
}

/**
 * A unit of staff, from its own first instant to its last: notes, rests, beams, tuplets and sticking.
 * Lines and barlines are `staveFigure`. Both the ruler on the screen and a page are drawn from it.
 */
export function staffFigures(unit: StaffUnit, place: StaffPlace): Figure[] {
  return [
    ...voiceFigures(unit.notes, unit.beams, unit.tuplets, 'up', place),
    ...voiceFigures(unit.feet, unit.feetBeams, unit.feetTuplets, 'down', place),
    ...(place.sticking === null ? [] : [letterFigure(unit, place.sticking, place)]),
  ]
}

/** A voice: the line with stems up, the feet under it with stems down. */
function voiceFigures(
  notes: readonly StaffNote[],
  beams: StaffUnit['beams'],
  tuplets: StaffUnit['tuplets'],
  stem: 'up' | 'down',
  { xOf, room }: StaffPlace,
): Figure[] {
  const placed = notes.map((note) =>
    note.kind === 'note' ? placeNote(note, xOf(note.tick), stem, room) : null,
  )
  const tips = placed.map((note) => note?.tip ?? 0)
  const beamed = new Set<number>()
  const beamFigures = beams.map((beam): Figure => {
    const members = beam.flatMap((i) => placed[i] ?? [])
    const tip = beamTip(members)
    for (const i of beam) {
      tips[i] = tip
      beamed.add(i)
    }
    return { part: 'beam', shapes: beamShapes(members, tip) }
  })
  const drawn = notes.map((note, i): Figure => {
    const at = placed[i]
    if (note.kind === 'space') return { part: 'rest', shapes: [] }
    if (!at) return silentFigure(note, xOf(note.tick), stem)
    return { part: 'note', shapes: noteShapes(at, tips[i] as number, beamed.has(i)) }
  })
  const side = stem === 'up' ? -1 : 1
  const spanned = notes.map((note, i) => {
    const at = placed[i]
    const x = xOf(note.tick)
    if (!at) return { left: x - 0.6, right: x + 0.6, reach: stem === 'up' ? 0.5 : STAFF_HEIGHT + 1 }
    return { left: at.left, right: at.right, reach: (tips[i] as number) + side * markReach(at) }
  })
  const limit = stem === 'up' ? room.ceiling : room.floor
  const numbers = tupletShapes(tuplets, spanned, beams, side, limit)
  return [
    ...drawn,
    ...beamFigures,
    ...(numbers.length > 0 ? [{ part: 'tuplet' as const, shapes: numbers }] : []),
  ]
}

function noteShapes(at: PlacedNote, tip: number, beamed: boolean): Shape[] {
  return [
    ...graceShapes(at.note, at.left),
    ...headShapes(at),
    ...stemShapes(at, tip),
    ...(beamed ? [] : flagShapes(at)),
    ...markShapes(at, tip),
  ]
}

/** A rest, or a slash for a beat of groove. */
function silentFigure(note: StaffNote, x: number, stem: 'up' | 'down'): Figure {
  if (note.kind === 'slash') return { part: 'slash', shapes: [slash(x)] }
  const name = restGlyph(note.value)
  const { box } = glyphOf(name)
  // A whole rest hangs from the line above the middle; rests of the feet stand below the staff's middle.
  const y = stepY(stem === 'down' ? -1 : note.value === 1 ? 6 : 4)
  const left = x - (box[0] + box[2]) / 2
  const glyph = (of: GlyphName, at: number, dy = 0): Shape => ({
    kind: 'glyph',
    name: of,
    at: [at, y + dy],
    size: 1,
  })
  const dot = note.dots === 1 ? [glyph('augmentationDot', left + glyphWidth(name) + 0.4, -0.5)] : []
  return { part: 'rest', shapes: [glyph(name, left), ...dot] }
}

/** A slash across the three middle spaces. */
function slash(x: number): Shape {
  return {
    kind: 'area',
    points: [
      [x + 0.3, 1],
      [x + 0.7, 1],
      [x - 0.3, 3],
      [x - 0.7, 3],
    ],
  }
}

const LETTER_SIZE = 1.2
const GHOST_LETTER = 0.75
const FEET = new Set(['K', 'H', 'J'])

/** The sticking in a row of its own on the baseline `y`, ghosts smaller; the groove has none. */
export function letterFigure(
  unit: StaffUnit,
  y: number,
  place: Pick<StaffPlace, 'xOf' | 'footLetters' | 'letterSize'>,
): Figure {
  const size = place.letterSize ?? LETTER_SIZE
  const shapes = unit.notes.flatMap(({ tick, letters, group }): Shape[] => {
    const shown = letters.filter(({ letter }) => place.footLetters !== false || !FEET.has(letter))
    if (group === null || shown.length === 0) return []
    const runs = shown.map(({ letter, ghost }) => ({
      text: letter,
      size: ghost ? size * GHOST_LETTER : size,
      bold: !ghost,
    }))
    return [{ kind: 'text', at: [place.xOf(tick), y], anchor: 'middle', face: 'mono', runs }]
  })
  return { part: 'sticking', shapes }
}

/** The five lines of a staff. */
export function staveFigure(from: number, to: number): Figure {
  const line = (y: number): Shape => ({
    kind: 'line',
    from: [from, y],
    to: [to, y],
    width: STAFF_LINE,
  })
  return { part: 'stave', shapes: [0, 1, 2, 3, 4].map(line) }
}

/** How a bar ends. */
export type Barline = 'single' | 'final'

const THICK = 0.5

/** A barline whose right edge is at `x`. */
export function barlineFigure(x: number, kind: Barline = 'single'): Figure {
  const line = (right: number, width: number): Shape => ({
    kind: 'line',
    from: [right - width / 2, 0],
    to: [right - width / 2, STAFF_HEIGHT],
    width,
  })
  const shapes = {
    single: [line(x, THIN_BARLINE)],
    final: [line(x - THICK - 0.4, THIN_BARLINE), line(x, THICK)],
  }[kind]
  return { part: 'barline', shapes }
}
