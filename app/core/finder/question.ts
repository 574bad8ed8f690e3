import type { Phrase } from '../changes'
import type { PlayContext } from '../playability'
import type { Letter, Limb, SlotContent } from '../sticking'
import type { Ticks } from '../time'

/** What a fill has to fill: slots from its start to its landing, in ticks from the barline of its bar. */
export interface Space {
  readonly start: Ticks
  /** How long each slot is; the grid may change inside. */
  readonly slots: readonly Ticks[]
  /** How long a beat of the metre is. */
  readonly beat: Ticks
  /** What sounds under the line: a limb and its instant, in any order. */
  readonly layers: readonly { readonly tick: Ticks; readonly limb: Limb }[]
}

/** A cell that a fill may be made of, and how often it must and may be used. */
export interface FinderCell {
  readonly phrase: Phrase
  /** Fewest uses; 0 where nothing is said. */
  readonly least?: number
  /** Most uses; as often as it fits where nothing is said. */
  readonly most?: number
}

/** Which forms of a cell count as the cell. */
export interface FormChoice {
  /** Begun at any of its strokes. */
  readonly inversions: boolean
  /** Led by the other hand. */
  readonly mirrors: boolean
  /** The last group may be cut where the space ends. */
  readonly cut: boolean
}

/** Sizes of groups: never smaller than the one before, never larger, or the same forwards and back. */
export const SIZE_ORDERS = ['rising', 'falling', 'mirrored'] as const
export type SizeOrder = (typeof SIZE_ORDERS)[number]

/**
 * What a fill has to be. A condition that is not named is not wanted. Slots are counted from 0, from the first
 * of the space; `runs` and `kicksApart` are over neighbouring onsets, joins of groups included.
 */
export interface Conditions {
  /** Letters of its first onsets, each among what is struck there. */
  readonly starts?: readonly Letter[]
  /** Letters of its last onsets. */
  readonly ends?: readonly Letter[]
  /** A limb that has time for the landing: the other hand or foot may have struck last. */
  readonly free?: Free
  /** One stroke at a time and no graces; with `layers` also with what sounds under the line. */
  readonly linear?: 'alone' | 'layers'
  /** No limb that a layer needs at the same instant. */
  readonly clear?: boolean
  /** Slots that have an accent, and slots that have none. */
  readonly accents?: AccentWish
  /** No limb strikes more often in a row. */
  readonly runs?: number
  /** How many strokes the kicks are, by either foot. */
  readonly kicks?: { readonly least: number; readonly most: number }
  /** No two neighbouring onsets have a kick. */
  readonly kicksApart?: boolean
  /** Slots that have a kick. */
  readonly kicksOn?: readonly number[]
  /** One limb strikes where these slots begin. */
  readonly backbeat?: { readonly letter: Letter; readonly slots: readonly number[] }
  /** In so many slots other limbs strike than in each of these lines, which are as long as the space. */
  readonly fresh?: {
    readonly least: number
    readonly lines: readonly (readonly SlotContent[])[]
  }
  /** Plays at this tempo on one surface, in beats a minute. */
  readonly speed?: number
  /** No cell comes more often in a row. */
  readonly inRow?: number
  readonly sizes?: SizeOrder
  /** Sizes of its groups: in this order, or in any. */
  readonly grouping?: { readonly sizes: readonly number[]; readonly ordered: boolean }
  /** All patterns of one rule; the cells are then those of one slot that stand in it. */
  readonly pattern?: PatternWish
}

/** A slot of a pattern as it is, and with what is put there; null where nothing can be. */
export interface PatternSlot {
  readonly plain: SlotContent
  readonly put: SlotContent | null
}

/** What is put at some slots of a line, how often, and whether never in two slots side by side. */
export interface PatternWish {
  readonly slots: readonly PatternSlot[]
  readonly least: number
  readonly most: number
  readonly apart: boolean
}
export type ConditionName = keyof Conditions

/** Where accents are: as the cells have them, or put there, on whatever a hand strikes. */
export interface AccentWish {
  readonly must: readonly number[]
  readonly not: readonly number[]
  readonly put?: boolean
}

/** The limb that the landing needs, and how fast it has to get there; a pedal has no way to go. */
export interface Free {
  readonly letter: 'R' | 'L' | 'K'
  /** Beats a minute. */
  readonly tempo: number
  /** Milliseconds of a hand's way from the snare to what it lands on. */
  readonly wayMs: number
}

/** Weights of what is liked, whole numbers; below 0 for what is not. What is not named does not count. */
export interface Taste {
  /** For each kick. */
  readonly kicks?: number
  /** For each accent off the beat. */
  readonly offbeats?: number
  /** For each slot of a group of a cell, by the cell. */
  readonly cells?: readonly number[]
  /** For each two neighbouring groups of one cell. */
  readonly repeats?: number
  /** For each stroke by the limb that struck right before it, within a group. */
  readonly doubles?: number
  /** For each slot in which the limbs are those of a line. */
  readonly like?: { readonly weight: number; readonly slots: Phrase['slots'] }
}

/** Which fills are looked for. */
export interface Question {
  readonly space: Space
  readonly cells: readonly FinderCell[]
  readonly forms: FormChoice
  readonly conditions: Conditions
  readonly taste: Taste
  readonly setting: PlayContext
  /** What is played right before the space, as far as runs and tempos ask; nothing where nothing is said. */
  readonly before?: readonly SlotContent[]
}
