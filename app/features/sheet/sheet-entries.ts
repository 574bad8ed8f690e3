import { findVoicedLick, parseVoicing } from '~/codecs/voicing'
import type { Lick } from '~/core/line'
import type { LickLog } from '~/core/log'
import { type PlayContext, speedLimit } from '~/core/playability'
import type { PlanRecord } from '~/storage'
import { toSteps } from '~/words/practice-steps'
import type { SheetEntry } from '~/words/sheet-words'
import { newPlan } from '~/workspace/documents/plan-document'
import { rungsOf, stepsOfPlan } from '~/workspace/plan-ladder'
import { turnTexts } from '~/workspace/turned'
import type { Under } from './sheet-address'

/** A lick as it comes to a sheet: its texts, and those of its saved versions. */
export interface SheetSource {
  readonly id: string
  readonly text: string
  readonly voicing: string
  /** How it is practised; null where nothing was chosen. */
  readonly plan: PlanRecord | null
  /** What the log says of it; undefined where it was not practised. */
  readonly log: LickLog | undefined
  readonly versions: readonly {
    readonly id: string
    readonly name: string
    readonly text: string
    readonly voicing: string
  }[]
}

/**
 * What is printed of a lick: itself, the steps of its plan in their order, and its saved versions;
 * undefined where its text cannot be read.
 */
export function entryOf(
  source: SheetSource,
  under: readonly Under[],
  turned: boolean,
  setting: PlayContext,
): SheetEntry | undefined {
  const texts = turnTexts({ ...source, draft: null }, turned)
  const lick = findVoicedLick(texts)
  if (!lick) return undefined
  const laid = parseVoicing(texts.voicing)
  const about = laid.ok ? (laid.value.about ?? '') : ''
  const rows = [
    ...(under.includes('parts') ? stepRows(lick, source, turned, setting) : []),
    ...(under.includes('versions') ? versionRows(source, turned) : []),
  ]
  const tempos = temposOf(lick, source, setting)
  return { lick, notes: about === '' ? [] : [about], rows, tempos }
}

/** The steps of the lick's plan that are not skipped, but the whole in the bar: that is the lick's own row. */
function stepRows(
  lick: Lick,
  { plan, versions }: SheetSource,
  turned: boolean,
  setting: PlayContext,
): SheetEntry['rows'] {
  const saved = versions.flatMap(({ id, name, text, voicing }) => {
    const read = findVoicedLick(turnTexts({ text, voicing, draft: null }, turned))
    return read ? [{ id, name, lick: read }] : []
  })
  const followed = plan ?? newPlan('', lick, 0)
  const steps = toSteps(stepsOfPlan(lick, followed, setting, saved), lick)
  return steps
    .filter(({ part, skipped }) => !skipped && part.kind !== 'bar')
    .map(({ part, words }, i) => ({ label: `${i + 1}. ${capital(words)}`, lick: part.lick }))
}

/** The tempos of the lick's plan; none where it is practised at one tempo. */
function temposOf(lick: Lick, { plan, log }: SheetSource, setting: PlayContext): number[] {
  const { bpm } = speedLimit(lick, 'line', setting)
  const rungs = rungsOf(plan ?? newPlan('', lick, 0), lick, bpm, log)
  return plan || lick.frame.goal !== null ? rungs.map(({ tempo }) => tempo) : []
}

function versionRows({ versions }: SheetSource, turned: boolean): SheetEntry['rows'] {
  return versions.flatMap(({ name, text, voicing }) => {
    const lick = findVoicedLick(turnTexts({ text, voicing, draft: null }, turned))
    return lick ? [{ label: name, lick }] : []
  })
}

function capital(words: string): string {
  return words.charAt(0).toUpperCase() + words.slice(1)
}
