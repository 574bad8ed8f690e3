import { type PracticePart, partKey } from './build-up'
import type { PracticeForm } from './form'
import type { PartKind } from './kinds'

/** What the player made of a step of the build-up. */
export interface StepChoice {
  /** Which part, by its key. */
  readonly part: string
  readonly skipped: boolean
  /** The form that it is played in; null for its own. */
  readonly form: PracticeForm | null
  /** The tempos that it alone is played at, rising; null for those of the plan. */
  readonly tempos?: number[] | null | undefined
}

/** A step as it stands in the player's plan. */
export interface PlannedStep {
  readonly part: PracticePart
  readonly skipped: boolean
  readonly form: PracticeForm
  /** The tempos that it alone is played at; null for those of the plan. */
  readonly tempos?: readonly number[] | null
}

/**
 * The steps of a build-up in the player's own order, with those that the player added, which `added`
 * makes from their keys. A part that the lick has no more is left out; one that is new stands before the part that follows it in the build-up, or at the end.
 */
export function planSteps(
  parts: readonly PracticePart[],
  choices: readonly StepChoice[],
  added: (key: string) => PracticePart | undefined = () => undefined,
): PlannedStep[] {
  const byKey = new Map(parts.map((part) => [partKey(part), part]))
  const chosen = choices.flatMap((choice): { key: string; step: PlannedStep }[] => {
    const part = byKey.get(choice.part) ?? added(choice.part)
    if (!part) return []
    const { skipped, form, tempos } = choice
    return [
      {
        key: choice.part,
        step: { part, skipped, form: form ?? part.form, ...(tempos && { tempos }) },
      },
    ]
  })
  const known = new Set(chosen.map(({ key }) => key))
  for (const [i, part] of [...parts.entries()].reverse()) {
    const key = partKey(part)
    if (known.has(key)) continue
    known.add(key)
    const follower = parts[i + 1]
    const at = follower ? chosen.findIndex((one) => one.key === partKey(follower)) : -1
    const step = { part, skipped: false, form: part.form }
    chosen.splice(at < 0 ? chosen.length : at, 0, { key, step })
  }
  return chosen.map(({ step }) => step)
}

/** The plan as the player's choices, to be kept. */
export function toChoices(steps: readonly PlannedStep[]): StepChoice[] {
  return steps.map(({ part, skipped, form, tempos }) => ({
    part: partKey(part),
    skipped,
    form: sameForm(form, part.form) ? null : form,
    ...(tempos && { tempos: [...tempos] }),
  }))
}

/** A plan as it can be laid on other licks: which kinds of parts, in which order and form. */
export interface StepPattern {
  readonly kind: PartKind
  /** Null for the form that is usual for the part. */
  readonly form: PracticeForm | null
}

/** The pattern of a plan: each kind where it comes first, without what is skipped or added. */
export function patternOf(steps: readonly PlannedStep[]): StepPattern[] {
  const seen = new Set<PartKind>()
  return steps.flatMap(({ part, skipped, form }) => {
    if (skipped || seen.has(part.kind) || isAdded(part)) return []
    seen.add(part.kind)
    return [{ kind: part.kind, form: sameForm(form, part.form) ? null : form }]
  })
}

/** A pattern laid on the parts of a lick: its kinds in its order, all others skipped at the end. */
export function layPattern(
  parts: readonly PracticePart[],
  pattern: readonly StepPattern[],
): StepChoice[] {
  const wanted = pattern.flatMap(({ kind, form }) =>
    parts
      .filter((part) => part.kind === kind)
      .map((part) => ({ part: partKey(part), skipped: false, form })),
  )
  const kinds = new Set(pattern.map(({ kind }) => kind))
  const others = parts.filter(({ kind }) => !kinds.has(kind))
  return [...wanted, ...others.map((part) => ({ part: partKey(part), skipped: true, form: null }))]
}

/** Whether a part is none of the build-up's own: the player put it into the plan. */
export function isAdded({ kind }: PracticePart): boolean {
  return kind === 'version' || kind.startsWith('loop')
}

/** A step moved to another place; places beyond the ends are the ends. */
export function moveStep(steps: readonly PlannedStep[], from: number, to: number): PlannedStep[] {
  const step = steps[from]
  if (!step) return [...steps]
  const place = Math.max(0, Math.min(steps.length - 1, to))
  return steps.toSpliced(from, 1).toSpliced(place, 0, step)
}

/** A step once more, after itself. */
export function repeatStep(steps: readonly PlannedStep[], at: number): PlannedStep[] {
  const step = steps[at]
  return step ? steps.toSpliced(at + 1, 0, step) : [...steps]
}

/** The next step that is not skipped, in a direction; undefined where there is none. */
export function findStep(
  steps: readonly PlannedStep[],
  from: number,
  way: 1 | -1,
): number | undefined {
  for (let at = from + way; at >= 0 && at < steps.length; at += way) {
    if (!steps[at]?.skipped) return at
  }
  return undefined
}

export function sameForm(a: PracticeForm, b: PracticeForm): boolean {
  if (a.kind !== 'bars' || b.kind !== 'bars') return a.kind === b.kind
  return a.groove === b.groove && a.fill === b.fill
}
