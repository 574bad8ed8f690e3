import { glyphOf } from './glyphs'
import type { Figure, Point, Shape } from './shape'

/** A figure moved by so many staff spaces. Law: moved there and back it is the same. */
export function moved(figure: Figure, dx: number, dy: number): Figure {
  const by = ([x, y]: Point): Point => [x + dx, y + dy]
  const shapes = figure.shapes.map((shape): Shape => {
    if (shape.kind === 'line') return { ...shape, from: by(shape.from), to: by(shape.to) }
    if (shape.kind === 'area') return { ...shape, points: shape.points.map(by) }
    return { ...shape, at: by(shape.at) }
  })
  return { ...figure, shapes }
}

/** The stretch of height that figures take, in staff spaces; null where they have no shapes. */
export function heightOf(figures: readonly Figure[]): { top: number; bottom: number } | null {
  let [top, bottom] = [Number.POSITIVE_INFINITY, Number.NEGATIVE_INFINITY]
  for (const { shapes } of figures) {
    for (const shape of shapes) {
      const [from, to] = extent(shape)
      top = Math.min(top, from)
      bottom = Math.max(bottom, to)
    }
  }
  return top > bottom ? null : { top, bottom }
}

/** How much of the em of a text face lies above its baseline, and below. */
const ASCENT = 0.78
const DESCENT = 0.24

function extent(shape: Shape): readonly [top: number, bottom: number] {
  if (shape.kind === 'line') {
    const [a, b] = [shape.from[1], shape.to[1]]
    return [Math.min(a, b), Math.max(a, b)]
  }
  if (shape.kind === 'area') {
    const ys = shape.points.map(([, y]) => y)
    return [Math.min(...ys), Math.max(...ys)]
  }
  const y = shape.at[1]
  if (shape.kind === 'box') return [y, y + shape.height]
  if (shape.kind === 'glyph') {
    const { box } = glyphOf(shape.name)
    return [y + box[1] * shape.size, y + box[3] * shape.size]
  }
  const size = Math.max(0, ...shape.runs.map((run) => run.size))
  return [y - ASCENT * size, y + DESCENT * size]
}
