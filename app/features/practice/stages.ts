import type { Lick } from '~/core/line'
import { type Setting, speedLimit } from '~/core/playing'
import {
  buildUp,
  formName,
  inForm,
  type LadderSchool,
  type LickLog,
  ladderOf,
  nextTempos,
  type PartKind,
  type PracticePart,
  type PracticeSchool,
  type Stage,
  stageSeconds,
} from '~/core/practice'

const PART_WORDS: Readonly<Record<PartKind, string>> = {
  hands: 'hands alone',
  feet: 'feet alone',
  together: 'on one surface',
  joint: 'a joint alone',
  bottleneck: 'the tightest move',
  half: 'a half alone',
  'right-voices': 'the right hand’s voices',
  'left-voices': 'the left hand’s voices',
  bar: 'in the bar, after groove',
}

/** A step of a build-up as it is listed and played. */
export interface Step {
  readonly key: string
  readonly words: string
  readonly part: PracticePart
  /** What is heard: the part in its form. */
  readonly played: Lick
}

/** The steps of a lick's build-up, in order. */
export function toSteps(lick: Lick, school: PracticeSchool, setting: Setting): Step[] {
  return buildUp(lick, school, setting).map((part, i) => ({
    key: `${i} ${part.kind}`,
    words: partWords(part, lick),
    part,
    played: inForm(part.lick, part.form),
  }))
}

/** `a joint alone: slots 4 to 7`, `in the bar, after groove: 1 + 1`. */
function partWords({ kind, range, form }: PracticePart, lick: Lick): string {
  const partial = range.to - range.from < lick.line.slots.length
  if (partial) return `${PART_WORDS[kind]}: slots ${range.from + 1} to ${range.to}`
  return form.kind === 'bars' ? `${PART_WORDS[kind]}: ${formName(form)}` : PART_WORDS[kind]
}

/** The tempos to climb: from the learning tempo, or between clean and tense, to the goal. */
export function rungsFor(lick: Lick, school: LadderSchool, log: LickLog | undefined): number[] {
  const { tempo, goal } = lick.frame
  const from =
    log?.bestClean === null || log === undefined
      ? tempo
      : Math.max(tempo, nextTempos(log.bestClean, log.tense)[0])
  return ladderOf(school, from, Math.max(from, goal ?? from))
}

/** The rungs past what the part can be played at, by the model. */
export function pastLimit(step: Step, rungs: readonly number[], setting: Setting): number[] {
  const { bpm } = speedLimit(step.part.lick, 'line', setting)
  return bpm === null ? [] : rungs.filter((rung) => rung > bpm)
}

/** Minutes of a whole build-up over a ladder, so many repeats on each rung. */
export function planMinutes(steps: readonly Step[], rungs: readonly number[], repeats: number) {
  const seconds = steps.reduce((sum, { part }) => {
    const stage: Stage = { part, tempos: rungs, repeats }
    return sum + stageSeconds(stage).reduce((total, one) => total + one, 0)
  }, 0)
  return seconds / 60
}
