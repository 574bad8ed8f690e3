import type { LadderKind, PartKind, PlanSequence, PracticeOrder, Pulse } from '~/core/practice'

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
/** How a ladder's tempos are chosen, and in which order a plan goes through steps and tempos. */
export const LADDER_KINDS = [
  'three',
  'bpm-5',
  'bpm',
  'bpm-20',
  'percent',
] as const satisfies readonly LadderKind[]
export const PLAN_SEQUENCES = ['step', 'tempo'] as const satisfies readonly PlanSequence[]
/** Where the hi-hat foot goes under what is practised. */
export const PULSES = ['beats', 'second', 'between'] as const satisfies readonly Pulse[]
