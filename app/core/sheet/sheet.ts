import type { Figure } from '../figures'
import type { HeadPlace } from '../kit'
import type { Ticks } from '../time'
import type { SheetLine } from './bars'
import type { Rows } from './system'

/** A line of an item: the lick itself, a part of it, or another way to voice it. */
export interface SheetRow {
  /** What stands over it; nothing where it is empty. */
  readonly label: string
  readonly line: SheetLine
}

/** What is printed of one lick. */
export interface SheetItem {
  readonly title: string
  /** A row of words under the title. */
  readonly facts: string
  readonly notes: readonly string[]
  /** What stands at the right of the title, as a metronome mark: beats of so many ticks. */
  readonly tempo: { readonly beat: Ticks; readonly words: string } | null
  readonly rows: readonly SheetRow[]
  /** Tempos to tick off. */
  readonly rungs: readonly number[]
}

/** A sheet: what it says, not how it is laid out. */
export interface Sheet {
  readonly title: string
  readonly notes: readonly string[]
  readonly items: readonly SheetItem[]
  /** The places of the staff and what they are called; empty where no key is printed. */
  readonly key: readonly { readonly place: HeadPlace; readonly name: string }[]
}

/** Papers in millimetres: A4 after ISO 216, Letter after ANSI/ASME Y14.1 (8.5 by 11 inches). */
export const PAPERS = {
  A4: { width: 210, height: 297 },
  Letter: { width: 215.9, height: 279.4 },
} as const
export type Paper = keyof typeof PAPERS

/** How a sheet is laid out. */
export interface SheetLook {
  readonly paper: Paper
  /** A staff space in millimetres; a staff of 7 mm, as in printed parts, has 1.75. */
  readonly space: number
  /** How many systems a page has at the most; null for as many as fit. */
  readonly mostSystems: number | null
  readonly rows: Rows
}

/** Something that goes on one page whole, from its own upper edge down. */
export interface Block {
  readonly figures: readonly Figure[]
  /** Staff spaces before it, unless it begins a page. */
  readonly gap: number
  readonly height: number
  /** Whether it must stand on the page of what follows it. */
  readonly keep: boolean
  readonly system: boolean
}
