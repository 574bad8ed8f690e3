/** What a step of a build-up is made of. */
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
  'loop',
  'loop-plain',
  'loop-right',
  'loop-left',
  'version',
] as const
export type PartKind = (typeof PART_KINDS)[number]

/**
 * Part by part, then joined, or grown by a beat each time; limbs apart, then joined; halves, then joined;
 * the whole line at once and slow, then voiced; or straight into the bar.
 */
export const PRACTICE_ORDERS = ['joined', 'growing', 'parts', 'halves', 'whole', 'bar'] as const
export type PracticeOrder = (typeof PRACTICE_ORDERS)[number]
