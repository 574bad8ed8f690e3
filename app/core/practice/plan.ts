import type { PracticePart } from './build-up'
import { roundSeconds } from './form'

/** One stage of a plan: a part at its tempos, each so many rounds. */
export interface Stage {
  readonly part: PracticePart
  readonly tempos: readonly number[]
  readonly repeats: number
}

/** Seconds at each tempo of a stage. Example: 1 + 1 in 4/4, 8 repeats at 80 96 108: 48.0 40.0 35.6. */
export function stageSeconds({ part, tempos, repeats }: Stage): number[] {
  return tempos.map((tempo) => roundSeconds(part.lick, part.form, tempo) * repeats)
}

/** Seconds of a whole plan. */
export function planSeconds(stages: readonly Stage[]): number {
  return stages.reduce(
    (sum, stage) => sum + stageSeconds(stage).reduce((total, seconds) => total + seconds, 0),
    0,
  )
}
