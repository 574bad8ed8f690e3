import { isEqual } from '../foundation'
import type { SlotContent } from '../sticking'
import { type Grid, gridTicks, type Ticks } from '../time'
import { EMPTY_LINE, type GridChange, type Line } from './line'

/** One slot with its time: where it begins, how long it is, and the grid it stands on. */
export interface TimedSlot {
  readonly index: number
  readonly group: number
  readonly tick: Ticks
  readonly ticks: Ticks
  readonly grid: Grid
  readonly content: SlotContent
}

/** A line, the grid until its first change, and the tick of its slot 0. */
export interface PlacedLine {
  readonly line: Line
  readonly base: Grid
  readonly start: Ticks
}

/** A line that has been timed. */
export interface TimedLine extends PlacedLine {
  readonly slots: readonly TimedSlot[]
}

/**
 * Every slot of a line at its tick. Each tick is the last grid change's plus whole slots, so
 * nothing drifts. `start` is the tick of slot 0, `base` the grid until the first change.
 *
 * @example the slots of `RL` on sixteenths from tick 0 begin at ticks 0 and 1260
 */
export function timedSlots(line: Line, base: Grid, start: Ticks): TimedSlot[] {
  return timedFrom([], { line, base, start }, line.slots.length)
}

/**
 * The same along a line that was timed before: slots at its front, and where only contents differ at its end
 * too, that stand as they stood are taken over as they are. A long line that has changed a little costs
 * little. Law: it is equal to the line timed alone.
 */
export function timedAlong(
  placed: PlacedLine,
  before: TimedLine = { ...placed, line: EMPTY_LINE, slots: [] },
): TimedSlot[] {
  const { slots } = placed.line
  const [front, back] = standing(placed, before)
  const timed = timedFrom(before.slots.slice(0, front), placed, slots.length - back)
  return timed.concat(before.slots.slice(before.slots.length - back))
}

/** Goes on from the slots that are timed already, up to a slot of the line. */
function timedFrom(timed: TimedSlot[], { line, base, start }: PlacedLine, to: number): TimedSlot[] {
  const from = timed.length
  const last = timed[from - 1]
  let grid = last?.grid ?? base
  let ticks = gridTicks(grid)
  let tick = last ? last.tick + last.ticks : start
  let change = line.gridChanges.findIndex(({ at }) => at >= from)
  let group = 0
  let groupEnd = line.groups[0] ?? 0
  for (let index = from; index < to; index += 1) {
    if (line.gridChanges[change]?.at === index) {
      grid = (line.gridChanges[change] as GridChange).grid
      ticks = gridTicks(grid)
      change += 1
    }
    while (index >= groupEnd) {
      group += 1
      groupEnd += line.groups[group] as number
    }
    timed.push({ index, group, tick, ticks, grid, content: line.slots[index] as SlotContent })
    tick += ticks
  }
  return timed
}

/** How many slots stand as they stood before: from the front on, and behind those from the end on. */
function standing(
  { line, base, start }: PlacedLine,
  before: TimedLine,
): readonly [front: number, back: number] {
  const { slots, groups, gridChanges } = line
  const old = before.line
  if (!isEqual([start, base, gridChanges], [before.start, before.base, old.gridChanges]))
    return [0, 0]
  const sizes = alike(groups, old.groups)
  // A group that has grown or shrunk has the slots that both have.
  let grouped = Math.min(groups[sizes] ?? 0, old.groups[sizes] ?? 0)
  for (let i = 0; i < sizes; i += 1) grouped += groups[i] as number
  const front = Math.min(alike(slots, old.slots), grouped)
  const { length } = slots
  const end = grouped === length && old.slots.length === length ? length : front
  let from = end
  while (from > front && slots[from - 1] === old.slots[from - 1]) from -= 1
  return [front, end - from]
}

/** How many items two lists have in common from the front. */
function alike<T>(a: readonly T[], b: readonly T[]): number {
  let count = 0
  while (count < a.length && count < b.length && a[count] === b[count]) count += 1
  return count
}
