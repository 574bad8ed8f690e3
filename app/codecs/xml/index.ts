export { type Content, element, type Xml } from './write'
