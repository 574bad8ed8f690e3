/** Where a unit stands on the ruler: its columns come from there. */
export interface UnitGeometry {
  readonly width: number
  readonly pixelsPerTick: number
  /** From the unit's left edge to its first instant. */
  readonly inset: number
  readonly barlineLeft: boolean
  readonly barlineRight: 'none' | 'single'
  readonly stickings: boolean
}

/** How high the staff of a row is, pixels. */
export const STAFF_HEIGHT = 176
/** A staff space, pixels. */
export const SPACE = 10
/** The top line of the staff, pixels from the row's top. */
export const STAVE_TOP = 76
/** In staff spaces from the top line: the sticking under the notes, and the room for these. */
export const STICKING_BASELINE = 9.5
export const HIGHEST = -6.6
export const LOWEST = 8.2
