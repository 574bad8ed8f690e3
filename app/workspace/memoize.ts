/**
 * A pure function that remembers its last results by the identity of its arguments: the newest, and a few
 * before it for readers that follow a moment later. All who ask get the same object, so what is worked
 * out from it further on is the same too.
 */
export function memoize<Args extends readonly unknown[], T>(
  work: (...args: Args) => T,
  size = 4,
): (...args: Args) => T {
  const known: { readonly args: Args; readonly result: T }[] = []
  return (...args) => {
    const hit = known.find((one) => one.args.every((arg, i) => Object.is(arg, args[i])))
    if (hit) return hit.result
    const result = work(...args)
    known.unshift({ args, result })
    known.length = Math.min(known.length, size)
    return result
  }
}

/**
 * A function of one object that is worked out once for it, for all who ask while the object is there.
 *
 * @example `const byId = oncePer((rows: readonly Row[]) => new Map(rows.map((row) => [row.id, row])))`
 */
export function oncePer<K extends object, T>(work: (of: K) => T): (of: K) => T {
  const known = new WeakMap<K, { readonly result: T }>()
  return (of) => {
    const hit = known.get(of) ?? { result: work(of) }
    known.set(of, hit)
    return hit.result
  }
}
