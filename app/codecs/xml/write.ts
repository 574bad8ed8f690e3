/** A piece of XML that is finished; what is no piece of it yet is text, and is escaped. */
export interface Xml {
  readonly xml: string
}

export type Content = Xml | string | number | null | false | undefined | readonly Content[]
type Attributes = Readonly<Record<string, string | number | undefined>>

/**
 * An element with its attributes and what is in it; what is null, false or undefined is left out.
 * Example: `element('beats', {}, 4)` is `<beats>4</beats>`.
 */
export function element(name: string, attributes: Attributes = {}, ...content: Content[]): Xml {
  const written = Object.entries(attributes).flatMap(([key, value]) =>
    value === undefined ? [] : [` ${key}="${escaped(String(value))}"`],
  )
  const inside = contentText(content)
  const head = `${name}${written.join('')}`
  return { xml: inside === '' ? `<${head}/>` : `<${head}>${inside}</${name}>` }
}

function contentText(content: Content): string {
  if (content === null || content === undefined || content === false) return ''
  if (typeof content === 'string' || typeof content === 'number') return escaped(String(content))
  if ('xml' in content) return content.xml
  return content.map(contentText).join('')
}

/** Characters that XML 1.0 has no place for, not even escaped; half a pair of surrogates is one. */
// biome-ignore lint/suspicious/noControlCharactersInRegex: these are what is taken out
const FORBIDDEN = /[\u0000-\u0008\u000b\u000c\u000e-\u001f\ufffe\uffff]|\p{Cs}/gu
const ESCAPES: Readonly<Record<string, string>> = {
  '&': '&amp;',
  '<': '&lt;',
  '>': '&gt;',
  '"': '&quot;',
}

function escaped(text: string): string {
  return text
    .replace(FORBIDDEN, '')
    .replace(/[&<>"]/g, (character) => ESCAPES[character] ?? character)
}
