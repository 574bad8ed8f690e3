/**
 * The next value, with every part of it that equals the last one's replaced by that very part, so
 * that what did not change is the same object. Plain data only: arrays, objects, primitives. Nothing is
 * made anew but what has changed and what it stands in: values that are equal cost a walk alone.
 *
 * @example keepEqual(last, { a: { b: 1 }, c: 2 }).a is last.a where last is { a: { b: 1 }, c: 3 }
 */
export function keepEqual<T>(last: T | undefined, next: T): T {
  if (Object.is(last, next) || last === undefined) return next
  if (Array.isArray(last) && Array.isArray(next)) return keepEqualParts(last, next) as T
  if (isRecord(last) && isRecord(next)) return keepEqualNamed(last, next) as T
  return next
}

function keepEqualParts(last: readonly unknown[], next: readonly unknown[]): readonly unknown[] {
  let same = last.length === next.length
  /** Written from the first part on that is not the one that is there already. */
  let kept: unknown[] | undefined
  for (let i = 0; i < next.length; i += 1) {
    const part = last[i] === next[i] ? next[i] : keepEqual(last[i], next[i])
    same &&= part === last[i]
    if (kept) kept.push(part)
    else if (part !== next[i]) kept = [...next.slice(0, i), part]
  }
  return same ? last : (kept ?? next)
}

type Named = Readonly<Record<string, unknown>>

function keepEqualNamed(last: Named, next: Named): Named {
  let same = true
  let kept: Record<string, unknown> | undefined
  for (const name in next) {
    const part = keepEqual(last[name], next[name])
    same &&= part === last[name] && Object.hasOwn(last, name)
    if (part === next[name]) continue
    kept ??= { ...next }
    kept[name] = part
  }
  for (const name in last) same &&= Object.hasOwn(next, name)
  return same ? last : (kept ?? next)
}

/**
 * Whether two values are equal, part by part: plain data only, where a part that is `undefined` is none. What
 * is the same object is not looked into, so that long lists of mostly the same parts cost little.
 *
 * @example isEqual({ a: [1, 2] }, { a: [1, 2], b: undefined }) is true
 */
export function isEqual(a: unknown, b: unknown): boolean {
  if (a === b || Object.is(a, b)) return true
  if (Array.isArray(a) && Array.isArray(b))
    return a.length === b.length && a.every((part, i) => isEqual(part, b[i]))
  if (!isRecord(a) || !isRecord(b)) return false
  for (const name in a)
    if (!isEqual(a[name], Object.hasOwn(b, name) ? b[name] : undefined)) return false
  for (const name in b) if (!Object.hasOwn(a, name) && b[name] !== undefined) return false
  return true
}

function isRecord(value: unknown): value is Record<string, unknown> {
  return typeof value === 'object' && value !== null && !Array.isArray(value)
}
