import type { SlotRange } from '~/core/changes'
import type { Groove } from '~/core/groove'
import type { Kit, Player } from '~/core/kit'
import type { Lick } from '~/core/line'
import type { Position } from '~/core/performance'
import type { Setting } from '~/core/playing'
import type { CountingSystem } from '~/core/time'
import type { Voicing } from '~/core/voicing'
import type { Edit } from '~/workspace/edits/edits'

/** What every panel of the workbench works on, and what it may do. */
export interface WorkbenchProps {
  readonly id: string
  readonly text: string
  /** The sticking as it is typed; every edit is of this. */
  readonly lick: Lick
  /** The same as its voicing lays it on the kit. */
  readonly voiced: Lick
  readonly voicing: Voicing
  readonly setting: Setting
  /** Whether the letters on the bench are turned; what is stored never is. */
  readonly turned: boolean
  readonly playing: boolean
  readonly position: () => Position | undefined
  readonly selection: SlotRange | null
  readonly counting: CountingSystem
  readonly tempo: number
  /** The player's own grooves. */
  readonly grooves: readonly Groove[]
  /** Makes an edit that was worked out from a lick; refused, and said, where another is on the bench. */
  readonly onEdit: (edit: Edit, base: Lick) => void
  /** Every kit that can be chosen, as stored. */
  readonly kits: readonly Kit[]
  /** The fastest tempo at which the whole lick was clean; null where it never was. */
  readonly playedClean: number | null
  /** Takes the player's limb speeds up to what was played. */
  readonly onRaise: (player: Player) => void
  /** Says why something asked for cannot be done. */
  readonly onRefuse: (message: string) => void
  /** Names the lick's own kit; null for the player's. */
  readonly onKit: (id: string | null) => void
  readonly onVoice: (label: string, voicing: Voicing) => void
  /** Puts a saved state in place of what is on the bench. */
  readonly onRestore: (text: string, voicing: string) => void
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
  ['fit', 'Fit'],
  ['hands', 'Hands'],
  ['voices', 'Voices'],
  ['paths', 'Paths'],
  ['limits', 'Limits'],
  ['families', 'Families'],
  ['groove', 'Groove'],
  ['notes', 'Notes'],
  ['versions', 'Versions'],
] as const
export type WorkbenchTab = (typeof TABS)[number][0]
