import type { SlotRange } from '~/core/changes'
import type { Groove } from '~/core/groove'
import type { Lick } from '~/core/line'
import type { CountingSchool } from '~/core/time'
import type { Edit } from './edits'

/** What every panel of the workbench works on, and what it may do. */
export interface WorkbenchProps {
  readonly id: string
  readonly text: string
  readonly lick: Lick
  readonly selection: SlotRange | null
  readonly school: CountingSchool
  readonly tempo: number
  /** The player's own grooves. */
  readonly grooves: readonly Groove[]
  /** Takes an edit that was worked out from a lick; nothing where that is on the bench no more. */
  readonly onEdit: (edit: Edit, base: Lick) => void
  /** Takes a whole text in place of what is on the bench. */
  readonly onText: (text: string) => void
  /** Plays a lick by itself, or stops it. */
  readonly onHear: (lick: Lick) => void
}

/** A panel's view: the workbench's, and the slots that a change is about. */
export interface PanelProps extends Omit<WorkbenchProps, 'onEdit'> {
  readonly onEdit: (edit: Edit) => void
  readonly range: SlotRange
}

export const TABS = [
  ['cells', 'Cells'],
  ['change', 'Change'],
  ['sums', 'Sums'],
  ['meeting', 'Meets'],
  ['hands', 'Hands'],
  ['families', 'Families'],
  ['groove', 'Groove'],
  ['versions', 'Versions'],
] as const
export type WorkbenchTab = (typeof TABS)[number][0]
