import type { Lick } from '../line'
import type { MixSource, Tail } from '../practice'
import type { Grid, Meter } from '../time'

/** What stands between a part and the one after it: its own landing, or nothing. */
export const PART_ENDS = ['auto', 'land', 'straight-on'] as const
export type PartEnd = (typeof PART_ENDS)[number]

interface Named {
  /** Tells the part from the others of its solo. */
  readonly id: string
  /** What the player calls it; empty for what it is. */
  readonly name: string
}

/** Something that is struck: how it is led, and how it goes over into the next part. */
interface Struck extends Named {
  readonly lick: Lick
  /** The lick that it was taken from, whose versions may take its place; null for none. */
  readonly lickId: string | null
  /** Whether right and left change places. */
  readonly otherHand: boolean
  /**
   * `auto` lands on the barline unless the next part strikes there; `land` and `straight-on` are the
   * player's word.
   */
  readonly end: PartEnd
}

/** A lick so often, each time the bars that it needs. */
export interface LickPart extends Struck {
  readonly kind: 'lick'
  readonly times: number
}

/** A cell over and over across the barlines, cut where the last of its bars ends. */
export interface RunPart extends Struck {
  readonly kind: 'run'
  readonly bars: number
}

/** Bars of groove. */
export interface GroovePart extends Named {
  readonly kind: 'groove'
  readonly groove: string
  readonly meter: Meter
  readonly bars: number
}

/** Bars that are left to the others: over groove, or over the click alone where the groove is `none`. */
export interface OthersPart extends Named {
  readonly kind: 'others'
  readonly groove: string
  readonly meter: Meter
  readonly bars: number
}

/** Cells mixed at random, in phrases that each end on a barline. */
export interface FlowPart extends Named {
  readonly kind: 'flow'
  readonly sources: readonly MixSource[]
  readonly meter: Meter
  readonly grid: Grid
  readonly bars: number
  /** Bars of a phrase; the last one is shorter where they do not come out. */
  readonly phrase: number
  readonly mostInRow: number
  readonly tail: Tail
  readonly seed: number
}

export type SoloPart = LickPart | RunPart | GroovePart | OthersPart | FlowPart
export type SoloPartKind = SoloPart['kind']

/** Parts in a row over many bars, at one tempo: a tick is as long from beginning to end. */
export interface Solo {
  readonly title: string
  readonly tags: readonly string[]
  /** The metre whose beats the tempo counts. */
  readonly meter: Meter
  /** Beats of that metre a minute. */
  readonly tempo: number
  readonly goal: number | null
  readonly parts: readonly SoloPart[]
  /**
   * What its maker wants of each bar, 0 for the least and 1 for the most; null where nothing is drawn.
   * Bars beyond its end are not drawn either.
   */
  readonly wish: readonly (number | null)[]
}

export const MAX_PARTS = 128
/** Bars of a whole solo. */
export const MAX_SOLO_BARS = 512
/** Bars of one part, and times of a lick. */
export const MAX_PART_BARS = 64
