export { type SvgElement, svgElements } from './elements'
