import type { EndRun } from '../fitting'
import type { RandomStream } from '../foundation'

/** A cell of a flow by its length, and how often it is wished for beside the others. */
export interface FlowCell {
  /** In whole units, whatever the unit is: slots, or ticks divided by what they have in common. */
  readonly length: number
  /** A whole number; 0 for never. */
  readonly weight: number
}

export interface FlowRules {
  readonly cells: readonly FlowCell[]
  /** Every phrase has exactly so many units. */
  readonly length: number
  /** No cell comes more than so often in a row. */
  readonly mostInRow: number
  /** What is made up at the end is a whole number of these; 1 where nothing is said. */
  readonly restUnit?: number
  /** How a cell joins what ends so; null where it may not. Every cell joins where nothing is said. */
  readonly join?: (cell: number, end: EndRun | null) => Join | null
}

/** A cell as it joins what is before it. */
export interface Join {
  /** Whether it is led by the other hand. */
  readonly mirrored: boolean
  /** The limb that ends the line then, and how often in a row. */
  readonly end: EndRun | null
}

/** The cell that came last, and how often in a row: what the next phrase must take up. */
export interface FlowRun {
  readonly cell: number
  readonly times: number
  /** The limb that ends what was played, and how often in a row; null where none does alone. */
  readonly end?: EndRun | null
}

/** One phrase of a flow: the cells in order by their index, and what is left to make up. */
export interface FlowPhrase {
  readonly order: readonly number[]
  /** Which of them are led by the other hand. */
  readonly mirrored: readonly boolean[]
  /** Units of remainder at the end; 0 where the cells come out exactly. */
  readonly rest: number
  readonly run: FlowRun
}

export const NO_RUN: FlowRun = { cell: -1, times: 0 }

/** Draws one phrase after what went before it. */
export type DrawPhrase = (random: RandomStream, before?: FlowRun) => FlowPhrase

/**
 * Draws phrases that always come out: among all orders of cells that fill a phrase exactly, each as
 * likely as the product of its cells' weights; equal weights draw evenly from all chains. Where no
 * order is exact, the longest that leaves a remainder which can be made up. Deterministic in its
 * stream; what is worked out for one phrase serves the next. Throws RangeError for rules that are none.
 */
export function toDraw(rules: FlowRules): DrawPhrase {
  assertRules(rules)
  const { cells, length, restUnit = 1 } = rules
  const weigh = toWeights(rules)
  return (random, before = NO_RUN) => {
    let rest = 0
    while (rest < length && weigh(length - rest, before) === 0n) rest += restUnit
    const order: number[] = []
    const mirrored: boolean[] = []
    let run = before
    let left = Math.max(0, length - rest)
    while (left > 0) {
      const chances = cells.map((cell, i) => chanceOf(rules, cell, i, left, run, weigh))
      const chosen = pick(chances, random())
      mirrored.push(joinOf(rules, chosen, run)?.mirrored ?? false)
      run = after(rules, run, chosen)
      left -= (cells[chosen] as FlowCell).length
      order.push(chosen)
    }
    const made = length - order.reduce((sum, cell) => sum + (cells[cell] as FlowCell).length, 0)
    // What is made up stands between: whatever came before it is no longer the last.
    return { order, mirrored, rest: made, run: made > 0 ? NO_RUN : run }
  }
}

type Weigh = (left: number, run: FlowRun) => bigint

/** The summed weight of all ways to fill what is left after a run: exact, in whole numbers. */
function toWeights(rules: FlowRules): Weigh {
  const known = new Map<string, bigint>()
  const weigh: Weigh = (left, run) => {
    if (left === 0) return 1n
    const key = `${left} ${run.cell} ${run.times} ${run.end?.letter ?? ''}${run.end?.strokes ?? ''}`
    const before = known.get(key)
    if (before !== undefined) return before
    let sum = 0n
    for (const [i, cell] of rules.cells.entries()) sum += chanceOf(rules, cell, i, left, run, weigh)
    known.set(key, sum)
    return sum
  }
  return weigh
}

function chanceOf(
  rules: FlowRules,
  { length, weight }: FlowCell,
  index: number,
  left: number,
  run: FlowRun,
  weigh: Weigh,
): bigint {
  if (length > left || weight === 0 || joinOf(rules, index, run) === null) return 0n
  const next = after(rules, run, index)
  if (next.times > rules.mostInRow) return 0n
  return BigInt(weight) * weigh(left - length, next)
}

function after(rules: FlowRules, run: FlowRun, cell: number): FlowRun {
  const times = cell === run.cell ? run.times + 1 : 1
  return { cell, times, end: joinOf(rules, cell, run)?.end ?? null }
}

function joinOf({ join }: FlowRules, cell: number, { end = null }: FlowRun): Join | null {
  return join ? join(cell, end) : { mirrored: false, end: null }
}

/** Shares are drawn in steps of 2 ** -48. */
const STEPS = 2 ** 48

function pick(chances: readonly bigint[], share: number): number {
  const total = chances.reduce((sum, chance) => sum + chance, 0n)
  let mark = (BigInt(Math.floor(share * STEPS)) * total) / BigInt(STEPS)
  for (const [i, chance] of chances.entries()) {
    mark -= chance
    if (mark < 0n) return i
  }
  return chances.findLastIndex((chance) => chance > 0n)
}

/** A phrase is a few bars, in units as small as its grids ask for. */
const MAX_UNITS = 2 ** 20

function assertRules({ cells, length, mostInRow, restUnit = 1 }: FlowRules): void {
  const whole = (value: number, least: number) => Number.isInteger(value) && value >= least
  const fine =
    cells.every((cell) => whole(cell.length, 1) && whole(cell.weight, 0)) &&
    whole(length, 0) &&
    length <= MAX_UNITS &&
    whole(mostInRow, 1) &&
    whole(restUnit, 1)
  if (!fine) throw new RangeError(`a flow of ${length} units, ${mostInRow} in a row`)
}
