import type { Lick } from '~/core/line'
import type { PlayContext } from '~/core/playability'
import { type GridRung, minutesSinceBreak, seamRuns, strainsAt } from '~/core/practice'
import type { Grid } from '~/core/time'
import { rungsAbove, type Step, stepLimit } from '~/words/practice-steps'
import { memoize } from '~/workspace/memoize'
import { breakWords, jumpWords, seamWords, strainWords } from '../words'
import type { Practised } from './lick-program'
import type { World } from './world'

const strainsIn = memoize((heard: Lick, tempo: number, setting: PlayContext) =>
  strainsAt(heard, tempo, setting).map(strainWords),
)
const seamIn = memoize((step: Step, { grooves = [] }: PlayContext) =>
  seamWords(seamRuns(step.played, { grooves })),
)
const pastIn = memoize((rungs: readonly GridRung[], grid: Grid, step: Step, setting: PlayContext) =>
  rungsAbove(rungs, grid, stepLimit(step, setting)),
)

/** What is to be minded at a tempo: another speed than last time, and strokes that follow too fast. */
export function warningsOf(
  { played, heard, setting }: Practised,
  { sessions }: World,
  tempo: number,
): string[] {
  const jump = jumpWords(played, tempo, sessions)
  return [...(jump ? [jump] : []), ...strainsIn(heard, tempo, setting)]
}

/** What happens where a step comes round; empty where nothing does. */
export function seamOf({ step, setting }: Practised): string {
  return step ? seamIn(step, setting) : ''
}

/** Whether each rung is above what the step can be played at. */
export function pastOf({ rungs, grid, step, setting }: Practised): readonly boolean[] {
  return step ? pastIn(rungs, grid, step, setting) : []
}

/** When the last break was, and whether one is due. */
export function restOf({ recent, settings }: World): ReturnType<typeof breakWords> {
  const played = recent.map(({ createdAt, seconds }) => ({ at: createdAt, seconds }))
  return breakWords(minutesSinceBreak(played, Date.now()), settings.breakAfter)
}
