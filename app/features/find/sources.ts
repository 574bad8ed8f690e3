import type { Phrase } from '~/core/changes'

/** Something that can be found by its name, or by everyday words, and done. */
export interface Found {
  readonly id: string
  readonly name: string
  /** What it is, as it stands beside its name: `limbs`, `bar`, `panel`, `cell`, `lick` … */
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

/** What a page offers to be found, with what is typed: a metre or a tempo is an answer by itself. */
export type Source = (typed: string) => readonly Found[]

const sources = new Set<Source>()

/** Offers something to be found while a page is open. Returns the way to take it back. */
export function offer(source: Source): () => void {
  sources.add(source)
  return () => void sources.delete(source)
}

/** Everything that the open page offers. */
export function offered(typed: string): Found[] {
  return [...sources].flatMap((source) => source(typed))
}
