import type { CellForm } from '../forms'
import type { FinderCell, SizeOrder, Space } from '../question'
import { REFUSED, type Watcher } from '../watcher'

/** A machine over whole groups: what it knows is a list of numbers. */
function overGroups(
  of: Watcher['of'],
  start: readonly number[],
  step: (known: readonly number[], form: CellForm) => readonly number[] | null,
  ends: (known: readonly number[]) => boolean = () => true,
): Watcher {
  const states = [start]
  const numbers = new Map([[start.join(' '), 0]])
  return {
    of,
    placed: false,
    free: false,
    ends: (state) => ends(states[state] as readonly number[]),
    over: (state, form) => {
      const next = step(states[state] as readonly number[], form)
      if (next === null) return REFUSED
      const name = next.join(' ')
      let number = numbers.get(name)
      if (number === undefined) {
        number = states.push(next) - 1
        numbers.set(name, number)
      }
      return number
    },
  }
}

/** How often each cell is used, as far as its least and its most ask; null where none asks. */
export function watchUses(cells: readonly FinderCell[]): Watcher | null {
  const asked = cells.flatMap(({ least = 0, most = Number.POSITIVE_INFINITY }, cell) =>
    least > 0 || most < Number.POSITIVE_INFINITY ? [{ cell, least, most }] : [],
  )
  if (asked.length === 0) return null
  return overGroups(
    'uses',
    asked.map(() => 0),
    (used, { cell }) => {
      const at = asked.findIndex((one) => one.cell === cell)
      const one = asked[at]
      if (!one) return used
      const count = (used[at] as number) + 1
      if (count > one.most) return null
      // Above its least nothing is known of a cell without a most.
      const kept = one.most === Number.POSITIVE_INFINITY ? Math.min(count, one.least) : count
      return used.map((n, i) => (i === at ? kept : n))
    },
    (used) => asked.every(({ least }, i) => (used[i] as number) >= least),
  )
}

/** No cell more than so often in a row. */
export function watchInRow(most: number): Watcher {
  return overGroups('inRow', [-1, 0], ([last, times = 0], { cell }) => {
    if (cell !== last) return [cell, 1]
    return times < most ? [cell, times + 1] : null
  })
}

/** Which cell came last: for the taste for groups that come again. */
export function watchLast(): Watcher {
  return overGroups('taste', [-1], (_, { cell }) => [cell])
}

/** Groups that never get smaller, or never larger, or have the same sizes forwards and back. */
export function watchSizes(order: SizeOrder, space: Space): Watcher {
  if (order === 'mirrored') return watchMirrored(space.slots.length)
  return overGroups('sizes', [0], ([last = 0], { slots: { length } }) => {
    const fine = last === 0 || (order === 'rising' ? length >= last : length <= last)
    return fine ? [length] : null
  })
}

/** Sizes that are the same forwards and back: up to the middle they are kept, from there they are met again. */
function watchMirrored(slots: number): Watcher {
  return overGroups(
    'sizes',
    [0],
    ([met = 0, ...kept], { slots: { length } }) => {
      if (met === 1) return kept.at(-1) === length ? [1, ...kept.slice(0, -1)] : null
      const at = kept.reduce((sum, size) => sum + size, 0)
      const to = at + length
      if (2 * to < slots) return [0, ...kept, length]
      if (2 * to === slots) return [1, ...kept, length]
      // One group may lie over the middle, if it lies evenly.
      return at + to === slots ? [1, ...kept] : null
    },
    ([met, ...kept]) => met === 1 && kept.length === 0,
  )
}

/** Groups of these sizes and no others, in this order or in any. */
export function watchGrouping(sizes: readonly number[], ordered: boolean): Watcher {
  if (ordered)
    return overGroups(
      'grouping',
      [0],
      ([at = 0], { slots: { length } }) => (sizes[at] === length ? [at + 1] : null),
      ([at]) => at === sizes.length,
    )
  const different = [...new Set(sizes)]
  const all = different.map((size) => sizes.filter((one) => one === size).length)
  return overGroups(
    'grouping',
    all,
    (left, { slots: { length } }) => {
      const at = different.indexOf(length)
      if (at < 0 || left[at] === 0) return null
      return left.map((n, i) => (i === at ? n - 1 : n))
    },
    (left) => left.every((n) => n === 0),
  )
}
