import type { TimingReport } from '~/core/timing'

/**
 * The best of some rounds: of those with the fewest missed strokes the one whose strokes are nearest to their
 * places, by the mean of how far each is off; of two alike the later. Undefined for none.
 */
export function bestRound<R extends { readonly told: TimingReport }>(
  rounds: readonly R[],
): R | undefined {
  return rounds.reduce<R | undefined>((best, round) => {
    if (!best) return round
    const [now, before] = [round.told, best.told]
    if (now.missed.length !== before.missed.length)
      return now.missed.length < before.missed.length ? round : best
    return offOf(now) <= offOf(before) ? round : best
  }, undefined)
}

function offOf({ strokes }: TimingReport): number {
  const sum = strokes.reduce((all, { offsetMs }) => all + Math.abs(offsetMs), 0)
  return strokes.length === 0 ? Number.POSITIVE_INFINITY : sum / strokes.length
}
