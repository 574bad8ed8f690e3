import { createElement, memo, type ReactNode } from 'react'
import { type SvgElement, svgElements } from '~/codecs/svg'
import type { Figure } from '~/core/figures'

/** A figure as a group of SVG elements, of the class of what it shows. */
export const FigureView = memo(function FigureView({ figure }: { readonly figure: Figure }) {
  return <g className={figure.part}>{svgElements(figure).map(toNode)}</g>
})

function toNode({ tag, attributes, children }: SvgElement, key: number): ReactNode {
  const props: Record<string, string | number> = { key }
  for (const name in attributes) props[propName(name)] = attributes[name] as string | number
  return createElement(
    tag,
    props,
    ...children.map((child, i) => (typeof child === 'string' ? child : toNode(child, i))),
  )
}

const propNames = new Map([['class', 'className']])

/** An attribute by the name that React knows it by. */
function propName(name: string): string {
  const known = propNames.get(name)
  if (known !== undefined) return known
  const made = name.replace(/-(\w)/g, (_, letter) => letter.toUpperCase())
  propNames.set(name, made)
  return made
}
