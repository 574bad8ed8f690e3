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
