import type { Graces, Level } from '~/core/sticking'

/** What the next letter does, besides being a stroke. */
export interface PendingModifiers {
  /** It joins the slot, splits it, or begins a group. */
  readonly mode: 'together' | 'split' | 'new-group' | null
  /** The level and the graces that it will have, typed before it as in the line. */
  readonly level: Level | null
  readonly graces: Graces
}

export const NOTHING_WAITING: PendingModifiers = { mode: null, level: null, graces: 0 }
