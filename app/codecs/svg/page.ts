import type { Figure } from '~/core/figures'
import type { Page } from '~/core/sheet'
import { element, type Xml } from '../xml'
import { type SvgElement, svgElements } from './elements'

/** A face of a sheet: what it is called in the file, and its font, if it goes along. */
export interface PageFont {
  /** `text-ext` has the letters that `text` lacks. */
  readonly family: 'text' | 'text-ext' | 'mono'
  readonly weight: 400 | 600
  /** The font as a `data:` address. */
  readonly source: string
}

/**
 * A page as an SVG document that stands alone: music as outlines, words as text in fonts that it takes
 * along. Without fonts, words are set in whatever sans and monospaced faces there are.
 */
export function formatSvgPage(page: Page, title: string, fonts: readonly PageFont[] = []): string {
  const { width, height, space, figures } = page
  const drawing = element(
    'svg',
    {
      xmlns: 'http://www.w3.org/2000/svg',
      width: `${width}mm`,
      height: `${height}mm`,
      viewBox: `0 0 ${width} ${height}`,
      color: '#000',
      fill: 'currentColor',
    },
    element('title', {}, title || 'Sheet'),
    element('style', {}, raw(styleOf(usedFonts(page, fonts)))),
    element('rect', { width, height, fill: '#fff' }),
    element('g', { transform: `scale(${space})` }, figureXml(figures)),
  )
  return `<?xml version="1.0" encoding="UTF-8"?>\n${drawing.xml}\n`
}

/** What the first text face lacks and the second has: Latin letters beyond Western Europe. */
const EXTENDED = /[\u0100-\u02ba\u1e00-\u1eff\u2c60-\u2c7f\ua720-\ua7ff]/

/** The fonts that a page needs: one that none of its texts is set in is left out. */
function usedFonts({ figures }: Page, fonts: readonly PageFont[]): readonly PageFont[] {
  const used = new Set<string>()
  for (const { shapes } of figures)
    for (const shape of shapes)
      if (shape.kind === 'text')
        for (const { text, bold } of shape.runs) {
          const weight = bold ? 600 : 400
          used.add(`${shape.face} ${weight}`)
          if (EXTENDED.test(text)) used.add(`text-ext ${weight}`)
        }
  return fonts.filter(({ family, weight }) => used.has(`${family} ${weight}`))
}

/** Style is text without markup: nothing of the player's is in it. */
function raw(css: string): Xml {
  return { xml: css }
}

function styleOf(fonts: readonly PageFont[]): string {
  const faces = fonts.map(
    ({ family, weight, source }) =>
      `@font-face{font-family:'sheet-${family}';font-weight:${weight};src:url(${source})}`,
  )
  return [
    ...faces,
    "text.text{font-family:'sheet-text','sheet-text-ext',sans-serif}",
    "text.mono{font-family:'sheet-mono',monospace}",
  ].join('')
}

/** Figures as a group of SVG elements each. The player's words are escaped. */
function figureXml(figures: readonly Figure[]): Xml[] {
  return figures.map((figure) =>
    element('g', { class: figure.part }, svgElements(figure).map(toXml)),
  )
}

function toXml({ tag, attributes, children }: SvgElement): Xml {
  const inside = children.map((child) => (typeof child === 'string' ? child : toXml(child)))
  return element(tag, attributes, ...inside)
}
