import type { LickSummary } from '~/storage'

export type SortKey = 'changed' | 'title' | 'tempo' | 'length'

const byTitle = (a: LickSummary, b: LickSummary) =>
  a.sortTitle < b.sortTitle ? -1 : a.sortTitle > b.sortTitle ? 1 : a.id < b.id ? -1 : 1

const ORDERS: Readonly<Record<SortKey, (a: LickSummary, b: LickSummary) => number>> = {
  changed: (a, b) => b.updatedAt - a.updatedAt || byTitle(a, b),
  title: byTitle,
  tempo: (a, b) => a.tempo - b.tempo || byTitle(a, b),
  length: (a, b) => a.slots - b.slots || byTitle(a, b),
}

/** Rows in an order. Work for each of n rows: log n comparisons of numbers or ready-made words. */
export function sortedRows(rows: readonly LickSummary[], sort: SortKey): LickSummary[] {
  return [...rows].sort(ORDERS[sort])
}

/** The rows that have every word of a search and a tag, in the order that they have. */
export function foundRows(
  rows: readonly LickSummary[],
  search: string,
  tag: string,
): readonly LickSummary[] {
  const wanted = search.toLowerCase().split(/\s+/).filter(Boolean)
  if (wanted.length === 0 && tag === '') return rows
  return rows.filter(
    (row) =>
      wanted.every((word) => row.words.includes(word)) && (tag === '' || row.tags.includes(tag)),
  )
}

/** Every tag in use, in order. */
export function tagsOf(rows: readonly LickSummary[]): string[] {
  return [...new Set(rows.flatMap((row) => row.tags))].sort()
}
