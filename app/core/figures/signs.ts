import { type Meter, TICKS_PER_QUARTER, type Ticks } from '../time'
import { digitGlyphs, type GlyphName, glyphOf, glyphWidth } from './glyphs'
import type { Figure, Shape } from './shape'

/** The clef of a staff without pitches, from `x` on. */
export function clefFigure(x: number): Figure {
  return {
    part: 'clef',
    shapes: [{ kind: 'glyph', name: 'unpitchedPercussionClef1', at: [x, 2], size: 1 }],
  }
}

/** The two numbers of a metre, their middle at `x`. */
export function meterFigure({ count, unit }: Pick<Meter, 'count' | 'unit'>, x: number): Figure {
  return { part: 'metre', shapes: [...numberRow(count, x, 1), ...numberRow(unit, x, 3)] }
}

function numberRow(number: number, middle: number, y: number): Shape[] {
  const names = digitGlyphs('timeSig', number)
  let x = middle - names.reduce((sum, name) => sum + glyphWidth(name) + 0.08, 0) / 2
  return names.map((name): Shape => {
    const shape = {
      kind: 'glyph' as const,
      name,
      at: [x - glyphOf(name).box[0], y] as const,
      size: 1,
    }
    x += glyphWidth(name) + 0.08
    return shape
  })
}

/** The note of a metronome mark for a beat, by its ticks. */
const BEATS: readonly (readonly [ticks: Ticks, name: GlyphName, dotted: boolean])[] = [
  [TICKS_PER_QUARTER * 2, 'metNoteHalfUp', false],
  [(TICKS_PER_QUARTER * 3) / 2, 'metNoteQuarterUp', true],
  [TICKS_PER_QUARTER, 'metNoteQuarterUp', false],
  [(TICKS_PER_QUARTER * 3) / 4, 'metNote8thUp', true],
  [TICKS_PER_QUARTER / 2, 'metNote8thUp', false],
  [TICKS_PER_QUARTER / 4, 'metNote16thUp', false],
]

const MARK_SIZE = 0.62

/**
 * A tempo as printed music has it, a note and a number, from `x` on, on the baseline `y`. A beat that no
 * note stands for (five eighths, say) is left out.
 */
export function tempoFigure(
  beat: Ticks,
  words: string,
  { x, y, size }: { x: number; y: number; size: number },
): Figure {
  const known = BEATS.find(([ticks]) => ticks === beat)
  let at = x
  const shapes: Shape[] = []
  if (known) {
    const [, name, dotted] = known
    shapes.push({ kind: 'glyph', name, at: [at, y], size: MARK_SIZE })
    at += glyphWidth(name) * MARK_SIZE + 0.3
    if (dotted) {
      shapes.push({ kind: 'glyph', name: 'metAugmentationDot', at: [at, y], size: MARK_SIZE })
      at += glyphWidth('metAugmentationDot') * MARK_SIZE + 0.15
    }
  }
  shapes.push({
    kind: 'text',
    at: [at, y],
    anchor: 'start',
    face: 'text',
    runs: [{ text: known ? `= ${words}` : words, size, bold: true }],
  })
  return { part: 'words', shapes }
}

/** How wide the note of a metronome mark is. */
export function tempoNoteWidth(beat: Ticks): number {
  const known = BEATS.find(([ticks]) => ticks === beat)
  if (!known) return 0
  const [, name, dotted] = known
  const dot = dotted ? glyphWidth('metAugmentationDot') * MARK_SIZE + 0.15 : 0
  return glyphWidth(name) * MARK_SIZE + 0.3 + dot
}
