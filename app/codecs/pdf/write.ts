import { jsPDF } from 'jspdf'
import {
  GLYPH_UNIT,
  glyphOf,
  type OutlineStep,
  parseOutline,
  type Shape,
  type TextRun,
} from '~/core/figures'
import type { Page } from '~/core/sheet'

/** A font file of TrueType outlines, by the face and weight that it is for. */
export interface PdfFont {
  /** `text-ext` has the letters that `text` lacks. */
  readonly face: 'text' | 'text-ext' | 'mono'
  readonly weight: 400 | 600
  readonly bytes: Uint8Array
}

/** A document, and the characters of its text that none of its fonts has: they are left out. */
export interface PdfDocument {
  readonly bytes: Uint8Array
  readonly missing: readonly string[]
}

const INK = '#000000'
const PAPER = '#ffffff'
/** Points in a millimetre: a point is 1/72 of an inch. */
const POINTS = 72 / 25.4

/**
 * Pages as a PDF: vectors, with the fonts of its words inside, so that text can be searched and copied.
 * Music is outlines. Example: a page of one system is about 40 kB.
 */
export function formatPdf(
  pages: readonly Page[],
  { title, fonts }: { readonly title: string; readonly fonts: readonly PdfFont[] },
): PdfDocument {
  const [first] = pages
  if (!first) throw new RangeError('pages: a document has one at least')
  const doc = new jsPDF({ unit: 'mm', format: [first.width, first.height], compress: true })
  doc.setProperties({ title, creator: 'Dime Stack' })
  const missing = new Set<string>()
  const faces = new Faces(doc, fonts)
  for (const [i, page] of pages.entries()) {
    if (i > 0) doc.addPage([page.width, page.height])
    const pen = new Pen(faces, page.space, missing)
    for (const { shapes } of page.figures) for (const shape of shapes) pen.draw(shape)
  }
  const bytes = new Uint8Array(doc.output('arraybuffer'))
  nameOrdering(bytes)
  return { bytes, missing: [...missing].sort() }
}

function styleOf(weight: PdfFont['weight']): 'normal' | 'bold' {
  return weight === 600 ? 'bold' : 'normal'
}

/** Bytes as a string of one character each, in which the library keeps files. */
function binary(bytes: Uint8Array): string {
  let text = ''
  for (let i = 0; i < bytes.length; i += 8192)
    text += String.fromCharCode(...bytes.subarray(i, i + 8192))
  return text
}

/** The faces of a document: one that is never used is not put into it. */
class Faces {
  private readonly added = new Set<string>()
  private readonly known = new Map<string, boolean>()

  constructor(
    readonly doc: jsPDF,
    private readonly fonts: readonly PdfFont[],
  ) {}

  /** Sets text in a face from here on; a size in points. */
  set(face: PdfFont['face'], bold: boolean, size: number): void {
    const weight = bold ? 600 : 400
    const file = `${face}-${weight}.ttf`
    const font = this.fonts.find((one) => one.face === face && one.weight === weight)
    if (font && !this.added.has(file)) {
      this.doc.addFileToVFS(file, binary(font.bytes))
      this.doc.addFont(file, face, styleOf(weight))
      this.added.add(file)
    }
    this.doc.setFont(face, bold ? 'bold' : 'normal')
    this.doc.setFontSize(size)
  }

  /** Whether a face has a character; a glyph of number 0 stands for those that it lacks. */
  has(face: PdfFont['face'], bold: boolean, character: string): boolean {
    const key = `${face} ${bold} ${character}`
    const known = this.known.get(key)
    if (known !== undefined) return known
    this.set(face, bold, 1)
    const { metadata } = this.doc.getFont() as unknown as {
      metadata?: { characterToGlyph?: (code: number) => number }
    }
    const found = (metadata?.characterToGlyph?.(character.codePointAt(0) ?? 0) ?? 0) > 0
    this.known.set(key, found)
    return found
  }
}

const WRITTEN = '(Identity-H)'
const MEANT = '(Identity)  '

/**
 * The library names the order of its glyphs after their encoding; readers know it as `Identity` alone
 * (ISO 32000-1, 9.7.3). The name is as long as before, so that nothing moves.
 */
function nameOrdering(bytes: Uint8Array): void {
  const sign = [...WRITTEN].map((letter) => letter.charCodeAt(0))
  for (
    let at = bytes.indexOf(sign[0] as number);
    at >= 0;
    at = bytes.indexOf(sign[0] as number, at + 1)
  )
    if (sign.every((byte, i) => bytes[at + i] === byte))
      for (const [i, letter] of [...MEANT].entries()) bytes[at + i] = letter.charCodeAt(0)
}

/** Draws shapes given in staff spaces, `space` millimetres each. */
class Pen {
  private readonly doc: jsPDF

  constructor(
    private readonly faces: Faces,
    private readonly space: number,
    private readonly missing: Set<string>,
  ) {
    this.doc = faces.doc
  }

  draw(shape: Shape): void {
    if (shape.kind === 'glyph') this.glyph(shape)
    else if (shape.kind === 'text') this.words(shape)
    else if (shape.kind === 'area') this.area(shape)
    else if (shape.kind === 'line') this.line(shape)
    else this.box(shape)
  }

  private area({ points }: Extract<Shape, { kind: 'area' }>): void {
    const steps = points.map(([x, y], i): OutlineStep => ({ op: i === 0 ? 'm' : 'l', c: [x, y] }))
    this.fill([...steps, { op: 'h', c: [] }], (value) => value)
  }

  private line({ from, to, width, dash, paper }: Extract<Shape, { kind: 'line' }>): void {
    const { doc, space } = this
    this.dash(dash)
    doc.setDrawColor(paper ? PAPER : INK)
    doc.setLineWidth(width * space)
    doc.line(from[0] * space, from[1] * space, to[0] * space, to[1] * space)
  }

  private box({ at, width, height, radius, hollow, dash }: Extract<Shape, { kind: 'box' }>): void {
    const { doc, space } = this
    this.dash(dash)
    doc.setDrawColor(INK)
    doc.setFillColor(INK)
    if (hollow !== null) doc.setLineWidth(hollow * space)
    const round = Math.min(radius, width / 2, height / 2) * space
    const [x, y, w, h] = [at[0] * space, at[1] * space, width * space, height * space]
    doc.roundedRect(x, y, w, h, round, round, hollow === null ? 'F' : 'S')
  }

  private dash(dash: number | undefined): void {
    this.doc.setLineDashPattern(dash ? [dash * this.space, dash * this.space] : [], 0)
  }

  private glyph({ name, at, size }: Extract<Shape, { kind: 'glyph' }>): void {
    const unit = GLYPH_UNIT * size
    this.fill(parseOutline(glyphOf(name).d), (value, i) => (at[i % 2] as number) + value * unit)
  }

  /** Fills an outline whose coordinates are placed by `place`, in staff spaces. */
  private fill(
    steps: readonly OutlineStep[],
    place: (value: number, index: number) => number,
  ): void {
    this.doc.setFillColor(INK)
    const ops = steps.map(({ op, c }) => ({
      op,
      c: c.map((value, i) => place(value, i) * this.space),
    }))
    this.doc.path(ops)
    this.doc.fill()
  }

  private words({ at, anchor, face, runs }: Extract<Shape, { kind: 'text' }>): void {
    const pieces = runs.flatMap((run) => this.pieces(run, face))
    const width = pieces.reduce((sum, piece) => sum + piece.width, 0)
    let x = at[0] * this.space - { start: 0, middle: width / 2, end: width }[anchor]
    for (const piece of pieces) {
      this.set(piece.face, piece.run)
      this.doc.text(piece.text, x, at[1] * this.space)
      x += piece.width
    }
  }

  /** A run in stretches that one font has all letters of. */
  private pieces(run: TextRun, face: 'text' | 'mono') {
    const pieces: { text: string; face: PdfFont['face']; run: TextRun; width: number }[] = []
    for (const character of run.text) {
      const has = (
        face === 'mono' ? (['mono', 'text'] as const) : (['text', 'text-ext'] as const)
      ).find((one) => this.faces.has(one, run.bold, character))
      if (!has) {
        this.missing.add(character)
        continue
      }
      const last = pieces.at(-1)
      if (last?.face === has) last.text += character
      else pieces.push({ text: character, face: has, run, width: 0 })
    }
    for (const piece of pieces) {
      this.set(piece.face, run)
      piece.width = this.doc.getTextWidth(piece.text)
    }
    return pieces
  }

  private set(face: PdfFont['face'], { size, bold }: TextRun): void {
    this.faces.set(face, bold, size * this.space * POINTS)
  }
}
