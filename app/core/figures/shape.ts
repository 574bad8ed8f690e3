import type { GlyphName } from './glyphs'

/** A point in staff spaces, x to the right and y downwards. */
export type Point = readonly [x: number, y: number]

/** Which of the faces that ship a text is set in. */
export type Face = 'text' | 'mono'

/** A stretch of text in one size and weight. */
export interface TextRun {
  readonly text: string
  /** Height of the em in staff spaces. */
  readonly size: number
  readonly bold: boolean
}

/**
 * Something that is drawn, in staff spaces: a quarter of the height of a staff of five lines. All is
 * of one ink. Example: `{ kind: 'line', from: [0, 0], to: [8, 0], width: 0.13 }` is the top line of a
 * staff that is eight spaces wide.
 */
export type Shape =
  | { readonly kind: 'glyph'; readonly name: GlyphName; readonly at: Point; readonly size: number }
  | { readonly kind: 'area'; readonly points: readonly Point[] }
  | {
      readonly kind: 'line'
      readonly from: Point
      readonly to: Point
      readonly width: number
      readonly dash?: number
      /** Of the colour of the paper, over something filled. */
      readonly paper?: boolean
    }
  | {
      readonly kind: 'box'
      readonly at: Point
      readonly width: number
      readonly height: number
      readonly radius: number
      /** The line's width where it is hollow; null where it is filled. */
      readonly hollow: number | null
      readonly dash?: number
    }
  | {
      readonly kind: 'text'
      /** Where its baseline begins, has its middle, or ends. */
      readonly at: Point
      readonly anchor: 'start' | 'middle' | 'end'
      readonly face: Face
      readonly runs: readonly TextRun[]
    }

/** What a group of shapes says; who draws it may give each an ink of its own. */
export type Part =
  | 'stave'
  | 'clef'
  | 'metre'
  | 'barline'
  | 'note'
  | 'rest'
  | 'slash'
  | 'beam'
  | 'tuplet'
  | 'sticking'
  | 'count'
  | 'stack'
  | 'words'

/** Shapes that belong together. */
export interface Figure {
  readonly part: Part
  readonly shapes: readonly Shape[]
}
