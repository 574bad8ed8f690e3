import { setValues, splitTags, valuesOf } from '~/codecs/lick-text'
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

function withValues(text: string, key: 'title' | 'tags', values: readonly string[]): string {
  return applyTransaction(text, toTransaction(key, setValues(text, key, values)))
}

/** Texts with a tag added; undefined where they have it. */
export function withTag<T extends LickTexts>(texts: T, tag: string): T | undefined {
  const tagsOf = (text: string) => splitTags(valuesOf(text, 'tags')[0] ?? '')
  if (tagsOf(texts.text).includes(tag)) return undefined
  const add = (text: string) => withValues(text, 'tags', [[...tagsOf(text), tag].join(', ')])
  return { ...texts, text: add(texts.text), draft: texts.draft === null ? null : add(texts.draft) }
}
