import type { RandomStream } from '../foundation'

/** A cell of a flow by its length in slots, and how often it is wished for beside the others. */
export interface FlowCell {
  readonly slots: number
  readonly weight: number
}

export interface FlowRules {
  readonly cells: readonly FlowCell[]
  /** Every phrase has exactly so many slots. */
  readonly length: number
  /** No cell comes more than so often in a row within a phrase. */
  readonly mostInRow: number
}

/** One phrase of a flow: the cells in order by their index, and what is left to make up. */
export interface FlowPhrase {
  readonly order: readonly number[]
  /** Slots of remainder at the end; 0 where the cells come out exactly. */
  readonly rest: number
}

/**
 * Draws phrases that always come out: among all orders of cells that fill a phrase exactly, each as
 * likely as the product of its cells' weights; equal weights draw evenly from all chains. Where no
 * order is exact, the longest that fits, and a remainder. Deterministic in its stream.
 */
export function drawPhrase(rules: FlowRules, random: RandomStream): FlowPhrase {
  assertRules(rules)
  const { cells, length, mostInRow } = rules
  const weigh = toWeights(rules)
  let target = length
  while (target > 0 && weigh(target, -1, 0) === 0) target -= 1
  const order: number[] = []
  let [left, last, run] = [target, -1, 0]
  while (left > 0) {
    const chances = cells.map((cell, i) => {
      const again = i === last ? run + 1 : 1
      if (cell.slots > left || again > mostInRow) return 0
      return cell.weight * weigh(left - cell.slots, i, again)
    })
    const chosen = pick(chances, random())
    run = chosen === last ? run + 1 : 1
    last = chosen
    left -= (cells[chosen] as FlowCell).slots
    order.push(chosen)
  }
  return { order, rest: length - target }
}

/**
 * The summed weight of all ways to fill what is left, after so many of one cell in a row. Weights are
 * shares, so that the sums of long phrases stay within what a number can hold.
 */
function toWeights({ cells, mostInRow }: FlowRules) {
  const total = cells.reduce((sum, { weight }) => sum + weight, 0)
  const known = new Map<string, number>()
  const weigh = (left: number, last: number, run: number): number => {
    if (left === 0) return 1
    const key = `${left} ${last} ${run}`
    const before = known.get(key)
    if (before !== undefined) return before
    let sum = 0
    for (const [i, cell] of cells.entries()) {
      const again = i === last ? run + 1 : 1
      if (cell.slots <= left && again <= mostInRow && cell.weight > 0) {
        sum += (cell.weight / total) * weigh(left - cell.slots, i, again)
      }
    }
    known.set(key, sum)
    return sum
  }
  return weigh
}

function pick(chances: readonly number[], share: number): number {
  const total = chances.reduce((sum, chance) => sum + chance, 0)
  let mark = share * total
  for (const [i, chance] of chances.entries()) {
    mark -= chance
    if (mark < 0 && chance > 0) return i
  }
  return chances.findLastIndex((chance) => chance > 0)
}

/** A phrase is a few bars. */
const MOST_SLOTS = 512

function assertRules({ cells, length, mostInRow }: FlowRules): void {
  const fine =
    cells.every(({ slots, weight }) => Number.isInteger(slots) && slots > 0 && weight >= 0) &&
    Number.isInteger(length) &&
    length >= 0 &&
    length <= MOST_SLOTS &&
    mostInRow >= 1
  if (!fine) throw new RangeError(`a flow of ${length} slots, ${mostInRow} in a row`)
}
