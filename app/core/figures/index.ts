export { GLYPH_UNIT, type GlyphName, glyphOf, glyphWidth } from './glyphs'
export type { Face, Figure, Part, Point, Shape, TextRun } from './shape'
export { type Barline, barlineFigure, type StaffPlace, staffFigures, staveFigure } from './staff'
