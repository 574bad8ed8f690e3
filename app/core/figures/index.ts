export { GLYPH_UNIT, type GlyphName, glyphOf, glyphWidth } from './glyphs'
export { heightOf, moved } from './moving'
export { headFigure, noteReach } from './notes'
export { type OutlineStep, parseOutline, relativePath } from './outline'
export type { Face, Figure, Part, Point, Shape, TextRun } from './shape'
export { clefFigure, meterFigure, tempoFigure, tempoNoteWidth } from './signs'
export { stackFigure } from './stack'
export {
  type Barline,
  barlineFigure,
  letterFigure,
  type StaffPlace,
  staffFigures,
  staveFigure,
} from './staff'
