import { GRACE_LEAD_MS } from '../performance'
import type { Matching } from './match'
import type { ExpectedStroke, HeardStroke } from './strokes'

/** A grace is played up to so many times its lead before its stroke: flams of beginners are that wide. */
const WIDEST = 2

/**
 * Which heard strokes that match no main stroke are too many: those that are graces of one that was hit are
 * not, since graces are not scored. A grace lies at most twice its written lead before its stroke as that was
 * heard, in the hand that plays it where that is known; each stroke has as many as are written, the nearest.
 * `extra` and what is returned are numbers of heard strokes.
 *
 * @example a flam heard at 0 (left) and 30 ms (right): nothing is too many
 */
export function withoutGraces(
  expected: readonly ExpectedStroke[],
  heard: readonly HeardStroke[],
  pairs: Matching['pairs'],
  extra: readonly number[],
): number[] {
  const graces = new Set<number>()
  for (const pair of pairs) {
    const { grace } = expected[pair.expected] as ExpectedStroke
    if (!grace) continue
    const main = heard[pair.heard] as HeardStroke
    extra
      .filter((i) => !graces.has(i))
      .map((i) => ({ i, before: main.ms - (heard[i] as HeardStroke).ms, limb: heard[i]?.limb }))
      .filter(
        ({ before, limb }) =>
          before > 0 &&
          before <= WIDEST * GRACE_LEAD_MS[grace.strokes] &&
          (limb === undefined || grace.limb === undefined || limb === grace.limb),
      )
      .sort((a, b) => a.before - b.before)
      .slice(0, grace.strokes)
      .forEach(({ i }) => {
        graces.add(i)
      })
  }
  return extra.filter((i) => !graces.has(i))
}
