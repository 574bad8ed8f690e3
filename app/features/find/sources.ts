import type { Phrase } from '~/core/changes'

/** Something that can be found by its name, or by everyday words, and done. */
export interface Found {
  readonly id: string
  readonly name: string
  /** What it is: `change`, `panel`, `cell`, `lick` … */
  readonly kind: string
  /** Other words that people look for it by. */
  readonly also?: string
  /** A sticking to be seen beside its name. */
  readonly phrase?: Phrase | null
  readonly run: () => void
  /** Shows what it would do, or ends that. */
  readonly show?: (shown: boolean) => void
}

/** A key that the list is told of: it knows what is listed. */
export interface ListKey {
  readonly key: 'ArrowDown' | 'ArrowUp' | 'Enter'
  readonly count: number
}

/** What a page offers to be found; asked each time the field is opened. */
export type Source = () => readonly Found[]

const sources = new Set<Source>()

/** Offers something to be found while a page is open. Returns the way to take it back. */
export function offer(source: Source): () => void {
  sources.add(source)
  return () => void sources.delete(source)
}

/** Everything that the open page offers. */
export function offered(): Found[] {
  return [...sources].flatMap((source) => source())
}

/**
 * Those that every word is found in, the best first: names that begin with what is typed, then names
 * with a word that does, then the rest. Example: `flam` puts Flam before Remove graces.
 */
export function findIn(all: readonly Found[], typed: string): Found[] {
  const words = typed.toLowerCase().split(/\s+/).filter(Boolean)
  if (words.length === 0) return all.filter(({ kind }) => kind !== 'cell' && kind !== 'lick')
  const ranked = all.flatMap((found) => {
    const rank = rankOf(found, words)
    return rank === null ? [] : [{ found, rank }]
  })
  return ranked.sort((a, b) => a.rank - b.rank).map(({ found }) => found)
}

/** How well words fit, 0 the best; null where one is not found. */
function rankOf({ name, kind, also = '' }: Found, words: readonly string[]): number | null {
  const said = name.toLowerCase()
  const parts = said.split(/[^a-z0-9]+/)
  let rank = said.startsWith(words.join(' ')) ? 0 : 1
  for (const word of words) {
    if (parts.some((part) => part.startsWith(word))) continue
    rank += 1
    if (said.includes(word)) continue
    rank += 1
    if (!`${kind} ${also}`.toLowerCase().includes(word)) return null
  }
  return rank
}
