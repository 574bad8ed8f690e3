import type { LickLog } from '~/core/log'
import type { PartKind } from '~/core/practice'
import { tempoFigure } from './figures'

/** What the parts of a build-up are called, in lists and on paper. */
export const PART_WORDS: Readonly<Record<PartKind, string>> = {
  hands: 'hands alone',
  feet: 'feet alone',
  together: 'on one surface',
  transition: 'link between groups',
  bottleneck: 'the tightest move',
  half: 'one half',
  part: 'one part',
  'so-far': 'all so far',
  'right-voices': 'the right hand’s voices',
  'left-voices': 'the left hand’s voices',
  bar: 'in the bar, after groove',
  loop: 'a loop',
  'loop-plain': 'a loop on one surface',
  'loop-right': 'a loop, the right hand’s voices',
  'loop-left': 'a loop, the left hand’s voices',
  version: 'a saved version',
}

/**
 * Up to where a lick was clean: `clean at 84`, `not clean yet`; where parts of it were clean, and the whole never,
 * `not clean in the bar yet`.
 */
export function cleanWords({
  bestClean,
  steps = [],
}: Pick<LickLog, 'bestClean'> & Partial<Pick<LickLog, 'steps'>>): string {
  if (bestClean !== null) return `clean at ${tempoFigure(bestClean)}`
  const inParts = steps.some((step) => step.bestClean !== null)
  return inParts ? 'not clean in the bar yet' : 'not clean yet'
}
