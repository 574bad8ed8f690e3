import { lcm } from '../foundation'
import type { Limb, Voice } from '../sticking'
import { type CountingSystem, countSyllable, DEFAULT_COUNTING, type Ticks } from '../time'
import { aimOf, toSlots } from './aim'
import { lastStrokes, lickSlots, lineEvents, type StrokeEvent } from './events'
import { frameTicks, type Lick } from './lick'
import { lineTicks } from './line'

/** A length both ways: in ticks, and in slots of the text's own grid. */
export interface Span {
  readonly ticks: Ticks
  readonly slots: number
}

/** Which hand can take the crash: the one that did not strike last. */
export type FreeHand = 'RH' | 'LH' | 'both' | 'none' | 'unknown'

/** The last onset before the landing, and what it leaves. */
export interface Approach {
  readonly lastLimbs: readonly Limb[]
  readonly lastSurfaces: readonly Voice[]
  /** From the last onset to the downbeat aimed at; negative where the line is over. */
  readonly gapTicks: Ticks
  readonly freeHand: FreeHand
}

/** Does it fit? The line held against its space. */
export interface LineFit {
  readonly bars: number
  readonly available: Span
  readonly used: Span
  readonly left: Span
  readonly fits: boolean
  readonly groups: readonly number[]
  /** How often the line's length goes until it meets a barline again; null for an empty line. */
  readonly again: { readonly cycles: number; readonly bars: number } | null
}

/** Everything that a drummer counts on fingers: the fit, and what the strokes come to. */
export interface Sum extends LineFit {
  readonly linear: boolean
  /** Null where the line has no stroke. */
  readonly landing: Approach | null
}

/**
 * The syllable at each slot of the line, in a counting (the default one unless told).
 *
 * @example lineCounts(lickOf('start: 3\nline: RLRL')) // ['3', 'e', '&', 'a']
 */
export function lineCounts(lick: Lick, counting: CountingSystem = DEFAULT_COUNTING): string[] {
  const { meter } = lick.frame
  return lickSlots(lick).map(({ tick, grid }) => countSyllable(tick, grid, meter, counting))
}

/**
 * Holds a line against its space. Its cost does not grow with the line's strokes.
 *
 * @example fitOf(lickOf('line: RLRL*4')).fits // true
 */
export function fitOf(lick: Lick): LineFit {
  const { frame, line } = lick
  const aim = aimOf(lick)
  const { bar } = frameTicks(frame)
  const used = lineTicks(line, frame.grid)
  const span = (ticks: Ticks): Span => ({ ticks, slots: toSlots(ticks, lick) })
  return {
    bars: aim.bars,
    available: span(aim.available),
    used: span(used),
    left: span(aim.left),
    fits: aim.left === 0,
    groups: line.groups,
    again: used === 0 ? null : { cycles: lcm(used, bar) / used, bars: lcm(used, bar) / bar },
  }
}

/**
 * The sum of a line in its frame.
 *
 * @example sumOf(lickOf('line: RLRL*4')).bars // 1
 */
export function sumOf(lick: Lick): Sum {
  const events = lineEvents(lick)
  return {
    ...fitOf(lick),
    linear: isLinear(events),
    landing: approachOf(lick),
  }
}

/** No two limbs at one tick within the line, and no flams, drags or ruffs. */
function isLinear(events: readonly StrokeEvent[]): boolean {
  return events.every((event, i) => event.grace === 0 && event.tick !== events[i + 1]?.tick)
}

/**
 * The last onset before the landing and what it leaves; null where nothing is struck. Its cost is that of
 * the line's end. Example: after `>LK` the kick was last, and both hands are free.
 */
export function approachOf(lick: Lick): Approach | null {
  const together = lastStrokes(lick)
  const [last] = together
  if (!last) return null
  const limbs = together.map((event) => event.limb)
  return {
    lastLimbs: limbs,
    lastSurfaces: together.map((event) => event.surface),
    gapTicks: aimOf(lick).target - last.tick,
    freeHand: freeHandAfter(limbs),
  }
}

/**
 * The hand that is free after these limbs struck together.
 *
 * @example freeHandAfter(['RH']) // 'LH'
 */
export function freeHandAfter(limbs: readonly Limb[]): FreeHand {
  const [right, left, undecided] = [
    limbs.includes('RH'),
    limbs.includes('LH'),
    limbs.includes('XH'),
  ]
  const hands = Number(right) + Number(left) + Number(undecided)
  if (hands === 0) return 'both'
  if (hands > 1) return 'none'
  if (undecided) return 'unknown'
  return right ? 'LH' : 'RH'
}
