import type { Voice } from '../sticking'

export const HEAD_SHAPES = [
  'round',
  'cross',
  'circled-cross',
  'diamond',
  'triangle',
  'circled',
  'square',
  'slash',
] as const
export type HeadShape = (typeof HEAD_SHAPES)[number]

/** Where a voice stands on the staff: steps up from the bottom line, a line or space each. */
export interface HeadPlace {
  readonly step: number
  readonly shape: HeadShape
}

/** Where every voice of a kit stands. */
export type StaffKey = Readonly<Record<Voice, HeadPlace>>

/** The steps that a piece may stand on, from two ledger lines below the staff to two above. */
export const STAFF_STEPS = { lowest: -4, highest: 12 } as const

/**
 * The staff key: drums with round heads from the bass drum in the lowest space to the first tom in
 * the highest, cymbals with crosses above, pedals below. No two voices look the same.
 */
export const STAFF_KEY: StaffKey = {
  bd: { step: 1, shape: 'round' },
  b2: { step: 0, shape: 'round' },
  hf: { step: -1, shape: 'cross' },
  f2: { step: 2, shape: 'round' },
  f1: { step: 3, shape: 'round' },
  t3: { step: 4, shape: 'round' },
  sn: { step: 5, shape: 'round' },
  rs: { step: 5, shape: 'circled' },
  xs: { step: 5, shape: 'cross' },
  s2: { step: 5, shape: 'square' },
  t2: { step: 6, shape: 'round' },
  t1: { step: 7, shape: 'round' },
  t4: { step: 4, shape: 'triangle' },
  t5: { step: 3, shape: 'triangle' },
  t6: { step: 2, shape: 'triangle' },
  cb: { step: 7, shape: 'triangle' },
  rd: { step: 8, shape: 'cross' },
  rb: { step: 8, shape: 'diamond' },
  hh: { step: 9, shape: 'cross' },
  ho: { step: 9, shape: 'circled-cross' },
  c1: { step: 10, shape: 'cross' },
  sp: { step: 10, shape: 'diamond' },
  c2: { step: 11, shape: 'cross' },
  ch: { step: 11, shape: 'circled-cross' },
  x2: { step: 12, shape: 'cross' },
  '??': { step: 4, shape: 'slash' },
}
