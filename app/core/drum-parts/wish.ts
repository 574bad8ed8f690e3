import type { PlayContext } from '../playability'
import type { Voice } from '../sticking'
import type { Grid } from '../time'

/** What a player decides about a part. */
export interface PartWish {
  /** What instruments are taken for, by key; null leaves one out. What is not told is as proposed. */
  readonly voices?: ReadonlyMap<string, Voice | null>
  /** One grid for everything; without it, those that explain the strokes. */
  readonly grid?: Grid | null
  readonly setting?: PlayContext
}
