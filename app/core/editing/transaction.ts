/** Replaces text at an offset: `removed` must stand there, `inserted` takes its place. */
export interface Splice {
  readonly at: number
  readonly removed: string
  readonly inserted: string
}

/** A change of a document as a value: splices against the text before, ascending, not touching. */
export interface Transaction {
  readonly label: string
  readonly splices: readonly Splice[]
  /** What is kept beside the text, before and after. */
  readonly beside?: { readonly removed: string; readonly inserted: string }
}

/** A transaction of splices in any order; what is only inserted comes before what is replaced there. */
export function toTransaction(label: string, splices: readonly Splice[]): Transaction {
  const inOrder = (a: Splice, b: Splice) =>
    a.at - b.at || Number(a.removed !== '') - Number(b.removed !== '')
  return { label, splices: [...splices].sort(inOrder) }
}

/** A transaction of what is kept beside the text alone. */
export function toBesideTransaction(label: string, removed: string, inserted: string): Transaction {
  return { label, splices: [], beside: { removed, inserted } }
}

/**
 * Applies a transaction. The same string comes back if nothing changes. Throws RangeError where
 * a splice does not find the text that it removes.
 *
 * @example applyTransaction('RLK', toTransaction('x', [{ at: 1, removed: 'L', inserted: 'RR' }])) // 'RRRK'
 */
export function applyTransaction(text: string, { splices }: Transaction): string {
  let result = ''
  let from = 0
  for (const { at, removed, inserted } of splices) {
    if (at < from || !text.startsWith(removed, at)) {
      throw new RangeError(`splice at ${at}: the text there is not ${JSON.stringify(removed)}`)
    }
    result += text.slice(from, at) + inserted
    from = at + removed.length
  }
  return result + text.slice(from)
}

/** The transaction that takes another one back: `apply(apply(text, t), invert(t))` is text. */
export function invertTransaction({ label, splices, beside }: Transaction): Transaction {
  let shift = 0
  const inverted = splices.map(({ at, removed, inserted }) => {
    const splice = { at: at + shift, removed: inserted, inserted: removed }
    shift += inserted.length - removed.length
    return splice
  })
  if (!beside) return { label, splices: inverted }
  return {
    label,
    splices: inverted,
    beside: { removed: beside.inserted, inserted: beside.removed },
  }
}

/**
 * Where an offset comes to stand: behind what is inserted at it, at the start of what is cut.
 *
 * @example mapOffset(5, toTransaction('x', [{ at: 0, removed: '', inserted: 'ab' }])) // 7
 */
export function mapOffset(offset: number, { splices }: Transaction): number {
  let mapped = offset
  for (const { at, removed, inserted } of splices) {
    if (offset < at) break
    const cut = Math.min(removed.length, offset - at)
    mapped += offset - at >= removed.length ? inserted.length - cut : -cut
  }
  return mapped
}
