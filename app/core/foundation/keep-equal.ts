/**
 * The next value, with every part of it that equals the last one's replaced by that very part, so
 * that what did not change is the same object. Plain data only: arrays, objects, primitives.
 */
export function keepEqual<T>(last: T | undefined, next: T): T {
  if (Object.is(last, next) || last === undefined) return next
  if (Array.isArray(last) && Array.isArray(next)) {
    let same = last.length === next.length
    const kept = next.map((item, i) => {
      const part = keepEqual(last[i], item)
      same &&= part === last[i]
      return part
    })
    return same ? last : (kept as T)
  }
  if (!isRecord(last) || !isRecord(next)) return next
  const names = Object.keys(next)
  let same = names.length === Object.keys(last).length
  const entries = names.map((name) => {
    const part = keepEqual(Object.hasOwn(last, name) ? last[name] : undefined, next[name])
    same &&= Object.hasOwn(last, name) && part === last[name]
    return [name, part] as const
  })
  return same ? last : (Object.fromEntries(entries) as T)
}

function isRecord(value: unknown): value is Record<string, unknown> {
  return typeof value === 'object' && value !== null && !Array.isArray(value)
}
