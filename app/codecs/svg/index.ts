export { type SvgElement, svgElements } from './elements'
export { formatSvgPage, type PageFont } from './page'
