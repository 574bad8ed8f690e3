import { createElement, memo, type ReactNode } from 'react'
import { type SvgElement, svgElements } from '~/codecs/svg'
import type { Figure } from '~/core/figures'

/** A figure as a group of SVG elements, of the class of what it shows. */
export const FigureView = memo(function FigureView({ figure }: { readonly figure: Figure }) {
  return <g className={figure.part}>{svgElements(figure).map(toNode)}</g>
})

function toNode({ tag, attributes, children }: SvgElement, key: number): ReactNode {
  return createElement(
    tag,
    { key, ...toProps(attributes) },
    ...children.map((child, i) => (typeof child === 'string' ? child : toNode(child, i))),
  )
}

/** Attributes by the names that React knows them by. */
function toProps(attributes: SvgElement['attributes']): Record<string, string | number> {
  return Object.fromEntries(
    Object.entries(attributes).map(([name, value]) => [
      name === 'class' ? 'className' : name.replace(/-(\w)/g, (_, letter) => letter.toUpperCase()),
      value,
    ]),
  )
}
