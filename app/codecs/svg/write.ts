import type { Figure } from '~/core/figures'
import { element, type Xml } from '../xml'
import { type SvgElement, svgElements } from './elements'

/** Figures as a group of SVG elements each. The player's words are escaped. */
export function figureXml(figures: readonly Figure[]): Xml[] {
  return figures.map((figure) =>
    element('g', { class: figure.part }, svgElements(figure).map(toXml)),
  )
}

function toXml({ tag, attributes, children }: SvgElement): Xml {
  const inside = children.map((child) => (typeof child === 'string' ? child : toXml(child)))
  return element(tag, attributes, ...inside)
}
