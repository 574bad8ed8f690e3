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
