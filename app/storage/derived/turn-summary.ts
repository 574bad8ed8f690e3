import { turnDisc } from '~/core/sticking'
import type { LickSummary } from './summary'

/** A summary with its letters turned, as a left-handed player may read them. Law: twice is the same. */
export function turnSummary(summary: LickSummary): LickSummary {
  return { ...summary, stacks: summary.stacks.map((stack) => stack.map(turnDisc)) }
}
