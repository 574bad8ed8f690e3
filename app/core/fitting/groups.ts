import { gcd, lcm } from '../foundation'

/** How often a group goes into a space, and what is left. All figures in slots. */
export interface GroupFit {
  readonly times: number
  readonly left: number
  readonly starts: readonly number[]
  /** When group and space begin together again. */
  readonly again: { readonly slots: number; readonly groups: number; readonly spaces: number }
}

/** Holds groups of a size against a space. Example: fives in 12 go twice, 2 left. */
export function groupsInSpace(space: number, size: number): GroupFit {
  if (!(Number.isInteger(space) && Number.isInteger(size) && space > 0 && size > 0)) {
    throw new RangeError(`space ${space}, size ${size}: must be whole slots from 1`)
  }
  const times = Math.floor(space / size)
  const slots = lcm(space, size)
  return {
    times,
    left: space - times * size,
    starts: Array.from({ length: Math.ceil(space / size) }, (_, i) => i * size),
    again: { slots, groups: slots / size, spaces: slots / space },
  }
}

/**
 * The fewest whole beats after which `slots` slots at `perBeat` a beat begin on a beat again, and
 * how often they have gone through: k / gcd(k, s) beats, s / gcd(k, s) times.
 *
 * @example naturalMetre(14, 4) // { beats: 7, times: 2 }
 */
export function naturalMetre(slots: number, perBeat: number): { beats: number; times: number } {
  const shared = gcd(slots, perBeat)
  return { beats: slots / shared, times: perBeat / shared }
}
