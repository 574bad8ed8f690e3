import type { HeadShape } from '../kit'
import { GLYPH_DATA } from './glyph-data'

/** A glyph of the music font, by its name in the standard music font layout (SMuFL 1.4). */
export type GlyphName = keyof typeof GLYPH_DATA

/** A glyph: its box and where stems meet it, in staff spaces from its origin, y downwards. */
export interface Glyph {
  readonly box: readonly [left: number, top: number, right: number, bottom: number]
  /** Where a stem that goes up, or down, is joined; null for glyphs without one. */
  readonly up: readonly [x: number, y: number] | null
  readonly down: readonly [x: number, y: number] | null
  /** The outline as SVG path commands, in units of `GLYPH_UNIT` staff spaces. */
  readonly d: string
}

/** A unit of an outline in staff spaces: fonts of music have a thousand units to four spaces. */
export const GLYPH_UNIT = 1 / 250

/** The glyph of a name. Example: `glyphOf('noteheadBlack').box` is `[0, -0.5, 1.18, 0.5]`. */
export function glyphOf(name: GlyphName): Glyph {
  return GLYPH_DATA[name]
}

/** How wide a glyph is, in staff spaces. */
export function glyphWidth(name: GlyphName): number {
  const { box } = glyphOf(name)
  return box[2] - box[0]
}

type Lengths = readonly [black: GlyphName, half: GlyphName, whole: GlyphName]

const HEADS: Readonly<Record<HeadShape, Lengths>> = {
  round: ['noteheadBlack', 'noteheadHalf', 'noteheadWhole'],
  cross: ['noteheadXBlack', 'noteheadXHalf', 'noteheadXWhole'],
  'circled-cross': ['noteheadCircleX', 'noteheadCircleXHalf', 'noteheadCircleXWhole'],
  diamond: ['noteheadDiamondBlack', 'noteheadDiamondHalf', 'noteheadDiamondWhole'],
  triangle: ['noteheadTriangleUpBlack', 'noteheadTriangleUpHalf', 'noteheadTriangleUpWhole'],
  circled: ['noteheadCircledBlack', 'noteheadCircledHalf', 'noteheadCircledWhole'],
  square: ['noteheadSquareBlack', 'noteheadSquareWhite', 'noteheadSquareWhite'],
  slash: [
    'noteheadSlashHorizontalEnds',
    'noteheadSlashHorizontalEnds',
    'noteheadSlashHorizontalEnds',
  ],
}

/**
 * The head of a shape at a note value: 1 a whole, 2 a half, 4 and shorter a filled one.
 *
 * @example headGlyph('cross', 4) // 'noteheadXBlack'
 */
export function headGlyph(shape: HeadShape, value: number): GlyphName {
  const [black, half, whole] = HEADS[shape]
  return value === 1 ? whole : value === 2 ? half : black
}

const RESTS: Readonly<Record<number, GlyphName>> = {
  1: 'restWhole',
  2: 'restHalf',
  4: 'restQuarter',
  8: 'rest8th',
  16: 'rest16th',
  32: 'rest32nd',
  64: 'rest64th',
  128: 'rest128th',
}

/**
 * @throws RangeError for a value that is no power of two from 1 to 128
 *
 * @example restGlyph(4) // 'restQuarter'
 */
export function restGlyph(value: number): GlyphName {
  const name = RESTS[value]
  if (!name) throw new RangeError(`note value ${value}: a power of two from 1 to 128`)
  return name
}

const FLAGS: readonly (readonly [up: GlyphName, down: GlyphName])[] = [
  ['flag8thUp', 'flag8thDown'],
  ['flag16thUp', 'flag16thDown'],
  ['flag32ndUp', 'flag32ndDown'],
  ['flag64thUp', 'flag64thDown'],
  ['flag128thUp', 'flag128thDown'],
]

/**
 * The flags of a note value on a stem; undefined where it has none.
 *
 * @example flagGlyph(16, 'up') // 'flag16thUp'
 */
export function flagGlyph(value: number, stem: 'up' | 'down'): GlyphName | undefined {
  return FLAGS[flagsOf(value) - 1]?.[stem === 'up' ? 0 : 1]
}

/**
 * How many flags or beams a note value has: an eighth has one, a quarter none.
 *
 * @example [4, 8, 16].map(flagsOf) // [0, 1, 2]
 */
export function flagsOf(value: number): number {
  return Math.max(0, Math.log2(value) - 2)
}

/** A whole number in glyphs, digit by digit. Example: `digitGlyphs('tuplet', 12)` is `tuplet1`, `tuplet2`. */
export function digitGlyphs(kind: 'tuplet' | 'timeSig', value: number): GlyphName[] {
  return [...String(value)].map((digit) => `${kind}${digit}` as GlyphName)
}
