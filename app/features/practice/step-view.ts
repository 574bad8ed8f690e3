import type { Lick } from '~/core/line'
import { type Setting, speedLimit } from '~/core/playing'
import {
  formName,
  inForm,
  type PartKind,
  type PlannedStep,
  type PracticeForm,
  type PracticePart,
  partKey,
  stageSeconds,
} from '~/core/practice'

const PART_WORDS: Readonly<Record<PartKind, string>> = {
  hands: 'hands alone',
  feet: 'feet alone',
  together: 'on one surface',
  transition: 'a transition alone',
  bottleneck: 'the tightest move',
  half: 'a half alone',
  'right-voices': 'the right hand’s voices',
  'left-voices': 'the left hand’s voices',
  bar: 'in the bar, after groove',
  loop: 'a loop',
}

/** A step of the plan as it is listed and played. */
export interface Step {
  readonly key: string
  readonly words: string
  readonly part: PracticePart
  readonly form: PracticeForm
  readonly skipped: boolean
  /** What is heard: the part in its form. */
  readonly played: Lick
}

/** The steps of a plan, in order; a step that stands there twice has two keys. */
export function toSteps(planned: readonly PlannedStep[], lick: Lick): Step[] {
  const seen = new Map<string, number>()
  return planned.map(({ part, form, skipped }) => {
    const times = (seen.get(partKey(part)) ?? 0) + 1
    seen.set(partKey(part), times)
    return { ...toStep(part, form, lick), key: `${partKey(part)} ${times}`, skipped }
  })
}

/** A part in a form as a step by itself. */
export function toStep(part: PracticePart, form: PracticeForm, lick: Lick): Step {
  const words = partWords(part, form, lick)
  // A part by itself has no groove; with bars of groove around it, it is the lick's own.
  const { groove } = lick.frame
  const grooving = { ...part.lick, frame: { ...part.lick.frame, groove } }
  const played = inForm(form.kind === 'over' ? part.lick : grooving, form)
  return { key: partKey(part), words, part, form, skipped: false, played }
}

/** `a transition alone: slots 4 to 7`, `in the bar, after groove: 1 + 1`. */
function partWords({ kind, range }: PracticePart, form: PracticeForm, lick: Lick): string {
  const partial = range.to - range.from < lick.line.slots.length
  const words = partial
    ? `${PART_WORDS[kind]}: slots ${range.from + 1} to ${range.to}`
    : PART_WORDS[kind]
  return form.kind === 'over' ? words : `${words}${partial ? ', ' : ': '}${formName(form)}`
}

/** The rungs past what the part can be played at, by the model. */
export function pastLimit(
  { part }: Step,
  rungs: readonly number[],
  setting: Setting,
): readonly number[] {
  const { bpm } = speedLimit(part.lick, 'line', setting)
  return bpm === null ? [] : rungs.filter((rung) => rung > bpm)
}

/** Minutes of the steps that are not skipped over a ladder, so many repeats on each rung. */
export function planMinutes(
  steps: readonly Pick<Step, 'part' | 'form' | 'skipped'>[],
  rungs: readonly number[],
  repeats: number,
): number {
  const seconds = steps
    .filter(({ skipped }) => !skipped)
    .flatMap(({ part, form }) => stageSeconds({ part: { ...part, form }, tempos: rungs, repeats }))
  return seconds.reduce((sum, one) => sum + one, 0) / 60
}
