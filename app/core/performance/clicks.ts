import { type Frame, frameTicks } from '../line'
import {
  beatTicks,
  countedGrid,
  type Grid,
  gridTicks,
  groupStarts,
  isCompound,
  swungTick,
  type Ticks,
} from '../time'
import type { SoundClick } from './events'

/**
 * What the click marks besides the beats: what lies between them, eighths, sixteenths, every slot of the line's grid,
 * or the first stroke of each group.
 */
export const CLICK_MARKS = [
  'beats',
  'off-beats',
  'eighths',
  'sixteenths',
  'slots',
  'groups',
] as const
export type ClickMark = (typeof CLICK_MARKS)[number]

/** The click falls silent for the last bars of every so many: 1 of 4 is heard in three bars. */
export interface DropOut {
  readonly silent: number
  readonly of: number
}

/** How the click goes. */
export interface ClickScheme {
  readonly marks: ClickMark
  /** Null where it is always heard. */
  readonly dropOut: DropOut | null
  /** Whether sextuplets are clicked in eighths. */
  readonly inEighths?: boolean
}

export const PLAIN_CLICK: ClickScheme = { marks: 'beats', dropOut: null }

/**
 * The clicks of whole bars from tick 0, what they mark swung as the line is. `groups` are the ticks at which groups
 * begin as they sound, from the same tick.
 */
export function clicksOf(
  frame: Frame,
  length: Ticks,
  marks: ClickMark,
  countIn: boolean,
  { inEighths = false, groups = [] }: { inEighths?: boolean; groups?: readonly Ticks[] } = {},
): SoundClick[] {
  switch (marks) {
    case 'beats':
      return beatClicks(frame, length, countIn)
    case 'slots':
      return gridClicks(frame, length, countIn, countedGrid(frame.grid, inEighths))
    case 'eighths':
      return gridClicks(frame, length, countIn, PLAIN_GRID)
    case 'sixteenths':
      return gridClicks(frame, length, countIn, { value: 16, tuplet: null })
    case 'groups':
      return groupClicks(frame, length, countIn, groups)
    case 'off-beats':
      return offBeatClicks(frame, length, countIn)
  }
}

function beatClicks(frame: Frame, length: Ticks, countIn: boolean): SoundClick[] {
  return ticksBy(frameTicks(frame).beat, length).map((tick) => ({
    kind: 'click',
    tick,
    weight: weightOf(frame, tick),
    countIn,
  }))
}

function weightOf(frame: Frame, tick: Ticks): 'bar' | 'group' | 'beat' {
  const { bar } = frameTicks(frame)
  const groups = groupStarts(frame.meter)
  if (tick % bar === 0) return 'bar'
  return groups.length > 1 && groups.includes(tick % bar) ? 'group' : 'beat'
}

/** Beats as ever, and the slots of a grid between them softly; slots are counted from each barline. */
function gridClicks(frame: Frame, length: Ticks, countIn: boolean, grid: Grid): SoundClick[] {
  const { bar, beat } = frameTicks(frame)
  const { swing, meter } = frame
  const inBar = ticksBy(gridTicks(grid), bar).filter((tick) => tick % beat !== 0)
  const between = ticksBy(bar, length).flatMap((start) =>
    inBar.map((tick) => soft(swungTick(start + tick, grid, swing, meter), countIn)),
  )
  return [...beatClicks(frame, length, countIn), ...between].sort((a, b) => a.tick - b.tick)
}

/** Beats as ever, and softly where a group begins that is on none of them. */
function groupClicks(
  frame: Frame,
  length: Ticks,
  countIn: boolean,
  groups: readonly Ticks[],
): SoundClick[] {
  const { beat } = frameTicks(frame)
  const between = groups.filter((tick) => tick >= 0 && tick < length && tick % beat !== 0)
  return [
    ...beatClicks(frame, length, countIn),
    ...between.map((tick) => soft(tick, countIn)),
  ].sort((a, b) => a.tick - b.tick)
}

/** The middle of every beat; in a beat of three its last third, from where the next one is caught. */
function offBeatClicks(frame: Frame, length: Ticks, countIn: boolean): SoundClick[] {
  const { meter, swing } = frame
  const beat = beatTicks(meter)
  const off = isCompound(meter) ? (beat * 2) / 3 : beat / 2
  return ticksBy(beat, length).map((tick) =>
    soft(swungTick(tick + off, PLAIN_GRID, swing, meter), countIn),
  )
}

/** Whatever stands on a grid without a tuplet swings. */
const PLAIN_GRID: Grid = { value: 8, tuplet: null }

function soft(tick: Ticks, countIn: boolean): SoundClick {
  return { kind: 'click', tick, weight: 'between', countIn }
}

function ticksBy(step: Ticks, length: Ticks): Ticks[] {
  return Array.from({ length: Math.ceil(length / step) }, (_, i) => i * step)
}

/**
 * Whether a bar, counted from 0 after the count-in, is one in which the click is silent.
 *
 * @example isDropped(null, 3) // false
 */
export function isDropped(dropOut: DropOut | null, bar: number): boolean {
  return dropOut !== null && bar >= 0 && bar % dropOut.of >= dropOut.of - dropOut.silent
}
