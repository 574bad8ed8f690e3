import { XMLParser } from 'fast-xml-parser'

/** An element of an XML document, its children in order. */
export interface XmlNode {
  readonly name: string
  readonly attributes: Readonly<Record<string, string>>
  readonly children: readonly XmlNode[]
  /** The text right in it. */
  readonly text: string
}

const parser = new XMLParser({
  preserveOrder: true,
  ignoreAttributes: false,
  attributeNamePrefix: '',
  parseTagValue: false,
  parseAttributeValue: false,
  // A text keeps its rows and its last line end; `text` takes blanks off.
  trimValues: false,
  // Entities of a document's own are never expanded: a few lines of them can stand for gigabytes.
  processEntities: false,
  ignoreDeclaration: true,
  ignorePiTags: true,
})

/** Elements deeper than this are no music: a score has about ten levels. */
const DEEPEST = 64

/**
 * The elements of a document; undefined where it is no XML, or nested without end. Names, attributes and
 * text are as they are written, the five entities that XML itself has resolved.
 */
export function parseXml(source: string): XmlNode[] | undefined {
  if (isTooDeep(source)) return undefined
  try {
    return nodesOf(parser.parse(source, true) as RawNode[]).children
  } catch {
    return undefined
  }
}

type RawNode = Readonly<Record<string, unknown>>

/** Counts how deep tags are nested before anything is read: readers go down by calling themselves. */
function isTooDeep(source: string): boolean {
  let depth = 0
  for (let at = source.indexOf('<'); at >= 0; at = source.indexOf('<', at + 1)) {
    const next = source[at + 1]
    if (next === '/') depth -= 1
    else if (next !== '!' && next !== '?') {
      const end = source.indexOf('>', at)
      if (end >= 0 && source[end - 1] !== '/') depth += 1
    }
    if (depth > DEEPEST) return true
  }
  return false
}

function nodesOf(raw: readonly RawNode[]): { children: XmlNode[]; text: string } {
  const children: XmlNode[] = []
  let text = ''
  for (const one of raw) {
    for (const [name, value] of Object.entries(one)) {
      if (name === ':@') continue
      if (name === '#text') text += String(value)
      else if (Array.isArray(value)) {
        const attributes = (one[':@'] ?? {}) as Record<string, unknown>
        const inside = nodesOf(value as RawNode[])
        children.push({
          name,
          attributes: Object.fromEntries(
            Object.entries(attributes).map(([key, given]) => [key, resolved(String(given))]),
          ),
          children: inside.children,
          text: resolved(inside.text),
        })
      }
    }
  }
  return { children, text }
}

const ENTITIES: Readonly<Record<string, string>> = {
  lt: '<',
  gt: '>',
  amp: '&',
  quot: '"',
  apos: "'",
}

/** The five entities of XML 1.0 (section 4.6) and characters by number; others stay as they are. */
function resolved(text: string): string {
  return text.replace(
    /&(?:#(\d{1,7})|#x([0-9a-fA-F]{1,6})|([a-z]{2,4}));/g,
    (whole, ten, hex, name) => {
      if (name) return ENTITIES[name as string] ?? whole
      const code = ten ? Number(ten) : Number.parseInt(hex as string, 16)
      return code > 0 && code <= 0x10ffff && !(code >= 0xd800 && code < 0xe000)
        ? String.fromCodePoint(code)
        : whole
    },
  )
}

/** The first child of a name. */
export function child(node: XmlNode, name: string): XmlNode | undefined {
  return node.children.find((one) => one.name === name)
}

/** All children of a name, in order. */
export function children(node: XmlNode, name: string): XmlNode[] {
  return node.children.filter((one) => one.name === name)
}

/** The text of an element; empty where there is none. */
export function text(node: XmlNode | undefined): string {
  return node?.text.trim() ?? ''
}

/** An element's text as a number; null where it is none. */
export function number(node: XmlNode | undefined): number | null {
  const written = text(node)
  const value = Number(written)
  return written !== '' && Number.isFinite(value) ? value : null
}

export function attribute(node: XmlNode, name: string): string | undefined {
  return Object.hasOwn(node.attributes, name) ? node.attributes[name] : undefined
}
