/**
 * The first place in a list from which on something holds, by halving; the list's length where it holds nowhere.
 * What holds at one place has to hold at all later ones.
 *
 * @example firstWhere([10, 20, 30], (one) => one >= 15) is 1
 */
export function firstWhere<T>(list: readonly T[], holds: (item: T) => boolean): number {
  let [low, high] = [0, list.length]
  while (low < high) {
    const middle = (low + high) >> 1
    if (holds(list[middle] as T)) high = middle
    else low = middle + 1
  }
  return low
}

/** Letters that are compared at once, by the engine itself, before they are looked at one by one. */
const AT_ONCE = 256

/**
 * How many characters two texts have in common from the front, up to a number.
 *
 * @example commonStart('RLLK', 'RLRK') is 2
 */
export function commonStart(a: string, b: string, most = Math.min(a.length, b.length)): number {
  let at = 0
  const next = () => at + AT_ONCE
  while (next() <= most && a.slice(at, next()) === b.slice(at, next())) at += AT_ONCE
  while (at < most && a.charCodeAt(at) === b.charCodeAt(at)) at += 1
  return at
}

/**
 * The same from the end.
 *
 * @example commonEnd('RLLK', 'RLRK') is 1
 */
export function commonEnd(a: string, b: string, most = Math.min(a.length, b.length)): number {
  let end = 0
  const next = () => end + AT_ONCE
  const before = (text: string) => text.slice(text.length - next(), text.length - end)
  while (next() <= most && before(a) === before(b)) end += AT_ONCE
  const last = (text: string) => text.charCodeAt(text.length - 1 - end)
  while (end < most && last(a) === last(b)) end += 1
  return end
}
