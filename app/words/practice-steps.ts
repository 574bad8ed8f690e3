import type { Lick } from '~/core/line'
import { type PlayContext, speedLimit } from '~/core/playability'
import {
  effectiveForm,
  formName,
  type GridRung,
  inForm,
  type PlannedStep,
  type PracticeForm,
  type PracticePart,
  partKey,
  rungSpeed,
  stageSeconds,
} from '~/core/practice'
import type { Grid } from '~/core/time'
import { PART_WORDS } from './practice-words'
import { stretchWords } from './stretch-words'

/** A step of the plan as it is listed and played. */
export interface Step {
  readonly key: string
  readonly words: string
  readonly part: PracticePart
  readonly form: PracticeForm
  readonly skipped: boolean
  /** The tempos that it alone is played at; null for those of the plan. */
  readonly tempos: readonly number[] | null
  /** What is heard: the part in its form. */
  readonly played: Lick
}

/** The steps of a plan, in order; a step that stands there twice has two keys. */
export function toSteps(planned: readonly PlannedStep[], lick: Lick): Step[] {
  const seen = new Map<string, number>()
  return planned.map(({ part, form, skipped, tempos = null }) => {
    const times = (seen.get(partKey(part)) ?? 0) + 1
    seen.set(partKey(part), times)
    return { ...toStep(part, form, lick), key: `${partKey(part)} ${times}`, skipped, tempos }
  })
}

/** A part in a form as a step by itself. */
export function toStep(part: PracticePart, form: PracticeForm, lick: Lick): Step {
  const words = partWords(part, form, lick)
  // A part by itself has no groove; with bars of groove around it, it is the lick's own.
  const { groove } = lick.frame
  const grooving = { ...part.lick, frame: { ...part.lick.frame, groove } }
  const played = inForm(form.kind === 'over' ? part.lick : grooving, form)
  return { key: partKey(part), words, part, form, skipped: false, tempos: null, played }
}

/** The key of a step's part, however often it stands in the plan. */
export function partKeyOf({ part }: Pick<Step, 'part'>): string {
  return partKey(part)
}

/** `the five, in every bar`, `all so far: the five and the three`, `in the bar, after groove: 1 + 2`. */
function partWords(part: PracticePart, wished: PracticeForm, lick: Lick): string {
  const { kind, range, name } = part
  const form = effectiveForm(part.lick, wished)
  const partial = kind !== 'version' && range.to - range.from < lick.line.slots.length
  const called = name ? (kind === 'version' ? `the version ${name}` : name) : PART_WORDS[kind]
  const stretch = partial ? stretchWords(lick, range) : ''
  // A part without a name of its own is called by what it is.
  const words = !partial || name ? called : kind === 'part' ? stretch : `${called}: ${stretch}`
  return form.kind === 'over' ? words : `${words}${partial ? ', ' : ': '}${formName(form)}`
}

/** Up to which tempo a step can be played, by the model; null where nothing limits it. */
export function stepLimit({ part }: Step, setting: PlayContext): number | null {
  return speedLimit(part.lick, 'line', setting).bpm
}

/** Which rungs are above a limit that holds on one grid: a limit is strokes a minute. */
export function rungsAbove(
  rungs: readonly GridRung[],
  grid: Grid,
  limit: number | null,
): readonly boolean[] {
  const most = limit === null ? Number.POSITIVE_INFINITY : rungSpeed({ tempo: limit, grid }, 1)
  return rungs.map((rung) => rungSpeed(rung, 1) > most * (1 + 1e-9))
}

/** Minutes of the steps that are not skipped, each over its tempos, so many repeats on each. */
export function planMinutes(
  steps: readonly Pick<Step, 'part' | 'form' | 'skipped'>[],
  temposOf: (step: number) => readonly number[],
  repeats: number,
): number {
  const seconds = steps.flatMap(({ part, form, skipped }, i) =>
    skipped ? [] : stageSeconds({ part: { ...part, form }, tempos: temposOf(i), repeats }),
  )
  return seconds.reduce((sum, one) => sum + one, 0) / 60
}
