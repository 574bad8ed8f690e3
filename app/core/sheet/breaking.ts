/** What a piece wants: its natural width, and the least it can do with. */
export interface Breakable {
  readonly natural: number
  readonly least: number
  /** Whether it stays with what is before it: what a lick lands on never begins a system. */
  readonly glued?: boolean
}

/**
 * How pieces go into systems: the ends (exclusive) of each, so that all systems together are as near to
 * their natural widths as can be. `room(first)` is what a system has for its pieces. The last system
 * may stay short. Exact, by dynamic programming over the breaks (as Knuth and Plass break paragraphs,
 * "Breaking Paragraphs into Lines", 1981); equal to trying all. O(n^2) for n pieces.
 */
export function breakSystems(
  pieces: readonly Breakable[],
  room: (first: number) => number,
): number[] {
  const best: { cost: number; from: number }[] = [{ cost: 0, from: 0 }]
  for (let end = 1; end <= pieces.length; end += 1) {
    let found = { cost: Number.POSITIVE_INFINITY, from: end - 1 }
    for (let from = end - 1; from >= 0; from -= 1) {
      if (from > 0 && pieces[from]?.glued) continue
      const cost =
        (best[from]?.cost ?? 0) +
        systemCost(pieces.slice(from, end), room(from), end === pieces.length)
      if (cost < found.cost) found = { cost, from }
    }
    best.push(found)
  }
  const ends: number[] = []
  for (let end = pieces.length; end > 0; end = (best[end] as { from: number }).from)
    ends.unshift(end)
  return ends
}

/** More than its least does not fit: such a system is taken only where a piece alone is too wide. */
const TOO_WIDE = 1000
const PER_SYSTEM = 0.02

/** How far a system is from its natural width, squared; each system costs a little by itself. */
export function systemCost(pieces: readonly Breakable[], width: number, last: boolean): number {
  const natural = pieces.reduce((sum, piece) => sum + piece.natural, 0)
  const least = pieces.reduce((sum, piece) => sum + piece.least, 0)
  if (least > width) return TOO_WIDE * (least / width) * pieces.length
  const ratio = width / natural
  if (ratio >= 1) return PER_SYSTEM + (last ? 0 : (ratio - 1) ** 2)
  return PER_SYSTEM + 3 * (1 / ratio - 1) ** 2
}
