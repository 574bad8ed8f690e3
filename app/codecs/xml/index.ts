export { attribute, child, children, number, parseXml, text, type XmlNode } from './read'
export { type Content, element, type Xml } from './write'
