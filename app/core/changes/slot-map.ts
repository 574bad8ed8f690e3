import type { SlotRange } from './phrase'

/**
 * What an edit did to the slots of a line: for each slot after it the slot that it was before, or null
 * for one that is new. Whatever hangs on slots (selection, struck voices, notes, swells) goes through
 * this one map. Source: the position maps of collaborative editors, for copies and reorderings too.
 */
export interface SlotMap {
  /** How many slots there were. */
  readonly before: number
  readonly origins: readonly (number | null)[]
}

/**
 * The map of an edit that leaves every slot where it is.
 *
 * @example sameSlots(3) // { before: 3, origins: [0, 1, 2] }
 */
export function sameSlots(size: number): SlotMap {
  return { before: size, origins: Array.from({ length: size }, (_, slot) => slot) }
}

/**
 * The map of an edit that replaces a range by slots of these origins, counted from the start of the range; a slot
 * before or behind the range is the origin of a copy.
 *
 * @example of 4 slots, 1 to 3 turned round: `spliceMap(4, { from: 1, to: 3 }, [1, 0])` has the origins 0, 2, 1, 3
 * @example the first of 2 slots repeated: `spliceMap(2, { from: 2, to: 2 }, [-2])` has the origins 0, 1, 0
 * @throws RangeError for a range or an origin outside the line
 */
export function spliceMap(
  before: number,
  { from, to }: SlotRange,
  origins: readonly (number | null)[],
): SlotMap {
  if (from < 0 || to < from || to > before) {
    throw new RangeError(`range ${from} to ${to}: must lie in 0 to ${before}`)
  }
  const all: (number | null)[] = []
  for (let slot = 0; slot < from; slot += 1) all.push(slot)
  for (const origin of origins) {
    if (origin !== null && (from + origin < 0 || from + origin >= before))
      throw new RangeError(`origin ${origin}: not in the line`)
    all.push(origin === null ? null : from + origin)
  }
  for (let slot = to; slot < before; slot += 1) all.push(slot)
  return { before, origins: all }
}

/**
 * Origins where nothing says more: slot for slot from the front, what is more is new.
 * Example: 2 slots in place of 3 are `[0, 1]`; 3 in place of 2 are `[0, 1, null]`.
 */
export function inPlace(before: number, after: number): (number | null)[] {
  return Array.from({ length: after }, (_, slot) => (slot < before ? slot : null))
}

/**
 * One map after another. Law: `origins(then(a, b))[i]` is `a.origins[b.origins[i]]`.
 *
 * @example thenMap(sameSlots(2), sameSlots(2)) // { before: 2, origins: [0, 1] }
 */
export function thenMap(first: SlotMap, second: SlotMap): SlotMap {
  return {
    before: first.before,
    origins: second.origins.map((slot) => (slot === null ? null : (first.origins[slot] ?? null))),
  }
}

/**
 * Where a slot went first; null for one that is gone. A slot beyond the line, where a mark may wait for
 * strokes to come, stays.
 */
export function mapSlot({ before, origins }: SlotMap, slot: number): number | null {
  if (slot >= before) return slot
  const went = origins.indexOf(slot)
  return went < 0 ? null : went
}

/**
 * Origins of a change that puts slots between others: a slot that was there already is the same object.
 * Where none was added, each slot is where it was. Example: `RL` with a kick after the right is
 * `[0, null, 1]`.
 */
export function originsOf(
  before: readonly unknown[],
  after: readonly unknown[],
): (number | null)[] {
  if (before.length === after.length) return inPlace(before.length, after.length)
  let next = 0
  return after.map((content) => {
    const at = before.indexOf(content, next)
    if (at < 0) return null
    next = at + 1
    return at
  })
}
