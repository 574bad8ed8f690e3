import { commonEnd, commonStart } from '../foundation'

/** What was replaced on the way from one text to another: before[from, beforeTo) by after[from, afterTo). */
export interface ChangedSpan {
  readonly from: number
  readonly beforeTo: number
  readonly afterTo: number
}

/**
 * What was replaced, given the caret after the change: nothing behind the caret was touched, as far
 * as the texts agree there. Without the caret `RL` typed before `RL` would look as if typed after it.
 * Law: outside of the span the texts are equal.
 *
 * @example changedSpan('RLK', 'RLLK', 3) // { from: 2, beforeTo: 2, afterTo: 3 }
 */
export function changedSpan(before: string, after: string, caret: number): ChangedSpan {
  const shorter = Math.min(before.length, after.length)
  const tail = commonEnd(before, after, Math.min(shorter, Math.max(0, after.length - caret)))
  const from = commonStart(before, after, shorter - tail)
  return { from, beforeTo: before.length - tail, afterTo: after.length - tail }
}

/**
 * Two changes, one after the other, as one; undefined where the second does not touch what the first
 * put there. Law: outside of the span the first text and the last are equal.
 */
export function joinSpans(first: ChangedSpan, then: ChangedSpan): ChangedSpan | undefined {
  if (then.from > first.afterTo || then.beforeTo < first.from) return undefined
  return {
    from: Math.min(first.from, then.from),
    beforeTo: first.beforeTo + Math.max(0, then.beforeTo - first.afterTo),
    afterTo: then.afterTo + Math.max(0, first.afterTo - then.beforeTo),
  }
}
