import type { Rating } from '../log'
import { type HeardSummary, scoreOf } from './summary'

/** Rounds that carry a proposal. */
export const LEAST_RATED_ROUNDS = 3
/** Clean is so much on time, and lost is where so little was hit at all. */
const CLEAN = 0.92
const LOST = 0.8

/**
 * How it went, as far as it was heard; null where too little was. The player's own word stands: this is
 * proposed. Clean needs 92 of 100 strokes on time, extra ones counted as misses; where less than 80 were hit
 * at all it was lost. The limits are the app's own.
 *
 * @example of 48 strokes in 3 rounds 46 on time and none too many: clean
 */
export function proposedRating(summary: HeardSummary): Rating | null {
  const { rounds, meant, hit } = summary
  const score = scoreOf(summary)
  if (rounds < LEAST_RATED_ROUNDS || score === null || meant === 0) return null
  if (hit / meant < LOST) return 'lost'
  return score >= CLEAN ? 'clean' : 'rough'
}
