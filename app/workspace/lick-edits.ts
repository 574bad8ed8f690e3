import { type Key, parseLickText, setValues, splitTags, valuesOf } from '~/codecs/lick-text'
import { applyTransaction, toTransaction } from '~/core/editing'
import type { LickTexts } from '~/storage'

/** The texts of a copy: the same under another title. */
export function copyOf({ text, draft, voicing }: LickTexts): LickTexts {
  return { text: titled(text), draft: draft === null ? null : titled(draft), voicing }
}

function titled(text: string): string {
  const title = valuesOf(text, 'title')[0] ?? 'Untitled'
  return withValues(text, 'title', [`${title}, copy`])
}

/** Where a line stands in its bar, and what goes before and after it: the keys of the text that say so. */
const BAR_KEYS = [
  'meter',
  'grid',
  'start',
  'stop',
  'lead',
  'groove',
  'bars',
  'landing',
  'swing',
  'groove swing',
] as const satisfies readonly Key[]

/**
 * Texts with the bar settings of another lick; its strokes, tempo and name stay. Undefined where they have them, or
 * where the line cannot be read in that bar: a barline that it checks would be elsewhere.
 */
export function withBarOf<T extends LickTexts>(texts: T, model: string): T | undefined {
  const put = (text: string) =>
    BAR_KEYS.reduce((now, key) => withValues(now, key, valuesOf(model, key)), text)
  const text = put(texts.text)
  if (text === texts.text || !parseLickText(text).ok) return undefined
  return { ...texts, text, draft: texts.draft === null ? null : put(texts.draft) }
}

function withValues(text: string, key: Key, values: readonly string[]): string {
  return applyTransaction(text, toTransaction(key, setValues(text, key, values)))
}

/** Texts with a tag added; undefined where they have it. */
export function withTag<T extends LickTexts>(texts: T, tag: string): T | undefined {
  const tagsOf = (text: string) => splitTags(valuesOf(text, 'tags')[0] ?? '')
  if (tagsOf(texts.text).includes(tag)) return undefined
  const add = (text: string) => withValues(text, 'tags', [[...tagsOf(text), tag].join(', ')])
  return { ...texts, text: add(texts.text), draft: texts.draft === null ? null : add(texts.draft) }
}
