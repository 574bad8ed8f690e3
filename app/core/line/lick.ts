import type { Level, Squeeze, Struck, Surface } from '../sticking'
import {
  barTicks,
  beatTicks,
  type Grid,
  isStraight,
  type Meter,
  STRAIGHT,
  type Swing,
  TICKS_PER_QUARTER,
  type Ticks,
  toMeter,
} from '../time'
import { EMPTY_LINE, type Line } from './line'

/** Under what an ostinato sounds, in the order in which a text has its rows. */
export const OSTINATO_SCOPES = ['all', 'fill', 'groove'] as const
export type OstinatoScope = (typeof OSTINATO_SCOPES)[number]

/** An ostinato that repeats under the line, on its own grid. */
export interface Ostinato {
  /** `all` sounds under groove and line, `fill` under the line only, `groove` under the groove only. */
  readonly scope: OstinatoScope
  readonly grid: Grid
  readonly line: Line
}

/** Landings that are one word: `last` is the line's own last slot. */
export const LANDING_WORDS = ['crash', 'stop', 'groove', 'none', 'last'] as const
export type LandingWord = (typeof LANDING_WORDS)[number]

/**
 * What happens after the line, and whether it aims at a barline or at the nearest beat. A crash or a
 * stop is on `c1` where no crash is chosen; the text does not carry the choice, since it is the kit's.
 */
export type Landing =
  | { readonly kind: LandingWord; readonly at: 'bar' | 'beat'; readonly crash?: Surface }
  /** Strokes of the lick's own; with `choke` their hands damp them an eighth later. */
  | {
      readonly kind: 'strokes'
      readonly at: 'bar' | 'beat'
      readonly slot: Struck | Squeeze
      readonly choke: boolean
    }
export type LandingKind = Landing['kind']

/** What a landing chokes is choked an eighth after it is struck. */
export const CHOKE_AFTER: Ticks = TICKS_PER_QUARTER / 2

/** Plain strokes in slots from..to (both included) change evenly from one level to another. */
export interface Hairpin {
  readonly from: number
  readonly to: number
  readonly start: Level
  readonly end: Level
}

/** Slots from..to (both included) of the line that the player has named: they may cross its groups. */
export interface NamedPart {
  readonly name: string
  readonly from: number
  readonly to: number
}
/** The longest name of a part, in letters, and how many parts a lick has. */
export const PART_NAME_MOST = 40
export const MAX_NAMED_PARTS = 32

/** Where the line stands in the music. All ticks count from the barline of the fill's bar. */
export interface Frame {
  readonly meter: Meter
  readonly tempo: number
  readonly goal: number | null
  readonly grid: Grid
  readonly start: Ticks
  /** Where the groove falls silent; null is at the start itself. */
  readonly stop: Ticks | null
  readonly lead: number
  readonly groove: string
  /** How many bars the line is meant to fill; null is the barline nearest to its end. */
  readonly bars: number | null
  readonly landing: Landing
  /** How the line swings, with what sounds under it; the groove too, where that has no swing of its own. */
  readonly swing: Swing
  /** How the groove swings; null where it does as the line. */
  readonly grooveSwing: Swing | null
  readonly swells: readonly Hairpin[]
}

/** A fill or solo lick: what the text format carries. */
export interface Lick {
  readonly title: string
  readonly tags: readonly string[]
  readonly frame: Frame
  readonly kit: string | null
  readonly line: Line
  /**
   * Strokes that end where the line begins, played before the first time only: on the frame's grid, or on one
   * of their own, which is then a grid change at their first slot.
   */
  readonly pickup: Line
  readonly ostinatos: readonly Ostinato[]
  /** What is practised, exchanged and kept by name; in the player's own order. */
  readonly parts: readonly NamedPart[]
  /** Keys that this version does not know, in order, kept as they were written. */
  readonly unknown: readonly (readonly [key: string, value: string])[]
}

export const TEMPO_RANGE = { least: 20, most: 400 } as const
export const DEFAULT_TEMPO = 80
export const DEFAULT_LEAD = 1
export const MAX_LEAD = 8
export const NO_GROOVE = 'none'
export const DEFAULT_GROOVE = 'eighths'

export const DEFAULT_FRAME: Frame = {
  meter: toMeter(4, 4),
  tempo: DEFAULT_TEMPO,
  goal: null,
  grid: { value: 16, tuplet: null },
  start: 0,
  stop: null,
  lead: DEFAULT_LEAD,
  groove: DEFAULT_GROOVE,
  bars: null,
  landing: { kind: 'crash', at: 'bar' },
  swing: STRAIGHT,
  grooveSwing: null,
  swells: [],
}

export const EMPTY_LICK: Lick = {
  title: '',
  tags: [],
  frame: DEFAULT_FRAME,
  kit: null,
  line: EMPTY_LINE,
  pickup: EMPTY_LINE,
  ostinatos: [],
  parts: [],
  unknown: [],
}

/**
 * A lick as it is notated: nothing in it swings.
 *
 * @example withoutSwing(lickOf('swing: 66\nline: RL')).frame.swing // { percent: 50, pairs: 8 }
 */
export function withoutSwing(lick: Lick): Lick {
  const { swing, grooveSwing } = lick.frame
  if (isStraight(swing) && grooveSwing === null) return lick
  return { ...lick, frame: { ...lick.frame, swing: STRAIGHT, grooveSwing: null } }
}

/**
 * Ticks of the frame's bar and of its beat.
 *
 * @example frameTicks(lickOf('line: RL').frame) // { bar: 40320, beat: 10080 }
 */
export function frameTicks(frame: Frame): { bar: Ticks; beat: Ticks } {
  return { bar: barTicks(frame.meter), beat: beatTicks(frame.meter) }
}
