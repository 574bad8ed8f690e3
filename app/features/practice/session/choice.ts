import type { SlotRange } from '~/core/changes'
import type { Rating } from '~/core/log'
import { findStep, type PlannedStep, type PracticeForm } from '~/core/practice'
import type { ImproviseChoice } from './improvising'

/** What was rated, and at which tempo: the way back from a key that was hit by mistake. */
export interface Rated {
  readonly rating: Rating
  readonly tempo: number
  /** The rung and the step that it was rated on. */
  readonly rung: number
  readonly step: number
}

/** What a player chose while practising; what is stored, as plan and sessions, is not here. */
export interface Choice {
  /** The step of the plan that was chosen; null before one was. See `stepAt`. */
  readonly index: number | null
  /** The slots that are looped instead of the step; null for none. */
  readonly loop: SlotRange | null
  readonly loopForm: PracticeForm
  /** What is not heard. */
  readonly muted: ReadonlySet<string>
  readonly rated: Rated | null
  /** The tempo that was put below the ladder where the lick was lost; null for none. */
  readonly lost: number | null
  readonly improvise: ImproviseChoice
  /** Whether the ladder is climbed by what is heard: then not by the count. */
  readonly byEar: boolean
}

const OVER: PracticeForm = { kind: 'over' }

/** Nothing chosen yet; what is drawn anew begins with a seed. */
export function noChoice(seed: number): Choice {
  return {
    index: null,
    loop: null,
    loopForm: OVER,
    muted: new Set(),
    rated: null,
    lost: null,
    improvise: { drawn: null, share: 0.5, seed },
    byEar: false,
  }
}

/**
 * Which step of a plan is played: the one that was chosen, the last where the plan became shorter, else the
 * first that is not skipped. Counts from 0.
 */
export function stepAt({ index }: Pick<Choice, 'index'>, planned: readonly PlannedStep[]): number {
  const at = index ?? findStep(planned, -1, 1) ?? 0
  return Math.max(0, Math.min(at, planned.length - 1))
}
