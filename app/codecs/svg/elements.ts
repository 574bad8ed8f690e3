import {
  type Figure,
  GLYPH_UNIT,
  type GlyphName,
  glyphOf,
  parseOutline,
  relativePath,
  type Shape,
} from '~/core/figures'

/** An element of an SVG drawing, before it is written as text or given to a page. */
export interface SvgElement {
  readonly tag: 'path' | 'rect' | 'text' | 'tspan'
  readonly attributes: Readonly<Record<string, string | number>>
  readonly children: readonly (SvgElement | string)[]
}

/**
 * The elements of a figure, in staff spaces. Lines of one weight share a path, so do filled areas, so do
 * glyphs: a staff of five lines is one element. Ink is `currentColor`; faces are the classes `text` and `mono`.
 * Example: the figure of a barline is one path with `stroke-width` 0.16.
 */
export function svgElements({ shapes }: Figure): SvgElement[] {
  const elements: SvgElement[] = []
  const lines = new Map<string, string>()
  let areas = ''
  let glyphs = ''
  const draw = () => {
    if (glyphs) elements.push(path({ d: glyphs }))
    for (const [key, d] of lines) {
      const [width = '', dash, stroke = ''] = key.split(' ')
      elements.push(path({ d, fill: 'none', stroke, 'stroke-width': width, ...dashed(dash) }))
    }
    if (areas) elements.push(path({ d: areas }))
    lines.clear()
    areas = ''
    glyphs = ''
  }
  for (const shape of shapes) {
    // What is of the paper's colour lies over what was drawn before it, and under what comes after.
    if (shape.kind === 'box') draw()
    if (shape.kind === 'line') {
      const key = `${shape.width} ${shape.dash ?? ''} ${shape.paper ? PAPER : 'currentColor'}`
      const { from, to } = shape
      const d = `M${short(from[0])} ${short(from[1])}L${short(to[0])} ${short(to[1])}`
      lines.set(key, (lines.get(key) ?? '') + d)
    } else if (shape.kind === 'area') {
      areas += `M${shape.points.map(([x, y]) => `${short(x)} ${short(y)}`).join('L')}Z`
    } else if (shape.kind === 'glyph') {
      glyphs += `M${short(shape.at[0])} ${short(shape.at[1])}${glyphPath(shape.name, shape.size)}`
    } else elements.push(element(shape))
  }
  draw()
  return elements
}

const paths = new Map<string, string>()

/** The outline of a glyph from its origin, in staff spaces; made once for each size. */
function glyphPath(name: GlyphName, size: number): string {
  const key = `${name} ${size}`
  const known = paths.get(key)
  if (known !== undefined) return known
  const made = relativePath(parseOutline(glyphOf(name).d), GLYPH_UNIT * size)
  paths.set(key, made)
  return made
}

function element(shape: Exclude<Shape, { kind: 'line' | 'area' | 'glyph' }>): SvgElement {
  if (shape.kind === 'text') {
    const attributes = {
      x: short(shape.at[0]),
      y: short(shape.at[1]),
      'text-anchor': shape.anchor,
      class: shape.face,
    }
    const children = shape.runs.map(
      ({ text, size, bold }): SvgElement => ({
        tag: 'tspan',
        attributes: { 'font-size': short(size), 'font-weight': bold ? 600 : 400 },
        children: [text],
      }),
    )
    return { tag: 'text', attributes, children }
  }
  const ink = 'currentColor'
  const paint =
    shape.hollow === null
      ? { fill: ink }
      : { fill: 'none', stroke: ink, 'stroke-width': short(shape.hollow) }
  const attributes = {
    x: short(shape.at[0]),
    y: short(shape.at[1]),
    width: short(shape.width),
    height: short(shape.height),
    ...(shape.radius > 0 && { rx: short(shape.radius) }),
    ...paint,
    ...dashed(shape.dash),
  }
  return { tag: 'rect', attributes, children: [] }
}

/** The colour of the paper, unless a page says otherwise. */
const PAPER = '#fff'

function path(attributes: SvgElement['attributes']): SvgElement {
  return { tag: 'path', attributes, children: [] }
}

function dashed(dash: number | string | undefined): Record<string, string> {
  return dash ? { 'stroke-dasharray': String(dash) } : {}
}

/** A number without more decimals than can be seen. */
export function short(value: number, decimals = 3): number {
  const factor = 10 ** decimals
  return Math.round(value * factor) / factor
}
