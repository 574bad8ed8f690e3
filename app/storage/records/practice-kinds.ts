import type { PartKind, PracticeOrder } from '~/core/practice'

// Named here and not taken from the core: its index would bring 40 kB of practice into every first page.
/** The orders of a build-up that are stored. */
export const PRACTICE_ORDERS = [
  'joined',
  'growing',
  'parts',
  'halves',
  'whole',
  'bar',
] as const satisfies readonly PracticeOrder[]
/** The steps that a template may hold: all but those that a player adds for one lick. */
export const PART_KINDS = [
  'hands',
  'feet',
  'together',
  'transition',
  'bottleneck',
  'half',
  'part',
  'so-far',
  'right-voices',
  'left-voices',
  'bar',
] as const satisfies readonly PartKind[]
