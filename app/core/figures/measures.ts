/**
 * The weights and distances of a staff in staff spaces. The weights are the engraving defaults of the
 * music font that ships (its SMuFL metadata, `engravingDefaults`); the distances are ours.
 */
export const STAFF_LINE = 0.13
export const STEM = 0.12
export const BEAM = 0.5
/** From the upper edge of one beam to the next: its thickness and the gap. */
export const BEAM_STEP = 0.75
export const LEDGER = 0.16
export const LEDGER_REACH = 0.4
export const THIN_BARLINE = 0.16
export const BRACKET = 0.13

/** A staff of five lines is four spaces high; y is 0 at the top line. */
export const STAFF_HEIGHT = 4
const TOP_STEP = 8

/** An octave, as stems usually have; shorter for heads that already stand high above the staff. */
export const STEM_LENGTH = 3.25
export const HIGH_STEM_LENGTH = 2.6
/** What is left of a stem where there is no room above. */
export const SHORTEST_STEM = 2.1

/** How large a grace note is beside a main one. */
export const GRACE_SIZE = 0.6

/** Where a step of the staff key lies: step 0 is the bottom line, 8 the top one. Example: 8 is at 0. */
export function stepY(step: number): number {
  return (TOP_STEP - step) / 2
}
