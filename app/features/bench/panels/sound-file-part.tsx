import { useCallback, useMemo, useState } from 'react'
import { findVoicedLick } from '~/codecs/voicing'
import { soundsOn } from '~/core/kit'
import type { Lick } from '~/core/line'
import { type PlayContext, speedLimit } from '~/core/playability'
import type { LoopParts, LoopStretch } from '~/core/sound'
import { useLive } from '~/live/use-live'
import { useRead } from '~/live/use-read'
import { SaveSound } from '~/session/save-sound'
import { liveLogs, liveVersions, loadPlan, type PlanRecord } from '~/storage'
import { Checkbox } from '~/ui/checkbox'
import { LabelledNumber } from '~/ui/number-field'
import { Choice, Part } from '~/ui/parts'
import { plural } from '~/words/figures'
import { toSteps } from '~/words/practice-steps'
import { newPlan } from '~/workspace/documents/plan-document'
import { rungsOf, stepsOfPlan } from '~/workspace/plan-ladder'
import { usePanel } from '../state/use-panel'
import { usePlayedTempo } from '../state/use-workspace'

const MAX_ROUNDS = 64
const PARTS = [
  ['all', 'everything'],
  ['without-line', 'the fill left free'],
  ['click', 'the click alone'],
] as const satisfies readonly (readonly [LoopParts, string])[]

type Course = 'tempo' | 'ladder' | 'plan' | 'versions'

/** The lick as a sound file to play along with: at one tempo, up its plan's ladder, step by step, or with its versions in turn. */
export function SoundFilePart() {
  const { id, voiced, grooves, setting } = usePanel()
  const tempo = usePlayedTempo()
  const [rounds, setRounds] = useState(8)
  const [click, setClick] = useState(true)
  const [parts, setParts] = useState<LoopParts>('all')
  const [course, setCourse] = useState<Course>('tempo')
  const versions = useLive(liveVersions(id)).rows
  const { ladder, steps } = usePlanOf(id, voiced, setting)
  const courses: (readonly [Course, string])[] = [
    ['tempo', `at ${tempo} bpm`],
    ...(ladder.length > 1 ? [['ladder', `${ladder.join(', ')} bpm`] as const] : []),
    ...(steps.length > 1
      ? [['plan', `the ${plural(steps.length, 'step')} of its plan`] as const]
      : []),
    ...(versions.length > 0 ? [['versions', 'saved versions in turn'] as const] : []),
  ]
  const chosen = courses.some(([one]) => one === course) ? course : 'tempo'
  const stretches = (): LoopStretch[] => {
    if (chosen === 'ladder') return ladder.map((rung) => ({ lick: voiced, tempo: rung, rounds }))
    if (chosen === 'plan')
      return steps.flatMap(({ lick, tempos }) =>
        tempos.map((rung) => ({ lick, tempo: rung, rounds })),
      )
    const saved = chosen === 'versions' ? versions : []
    const others = saved.flatMap((one) => findVoicedLick(one) ?? [])
    return [voiced, ...others].map((lick) => ({ lick, tempo, rounds }))
  }
  const name = voiced.title || 'lick'
  return (
    <Part title="To play along with">
      <div className="flex flex-wrap items-end gap-x-4 gap-y-2">
        <div className="w-24">
          <LabelledNumber
            label={chosen === 'tempo' ? 'Rounds' : 'Rounds of each'}
            value={rounds}
            min={1}
            max={MAX_ROUNDS}
            onChange={setRounds}
          />
        </div>
        <Choice legend="What is heard" options={PARTS} value={parts} onChoose={setParts} />
        {parts !== 'click' && (
          <Checkbox checked={click} onTick={setClick}>
            Click
          </Checkbox>
        )}
      </div>
      {courses.length > 1 && (
        <Choice legend="In which order" options={courses} value={chosen} onChoose={setCourse} />
      )}
      <SaveSound
        name={chosen === 'tempo' ? `${name} ${tempo}` : name}
        stretches={stretches}
        options={{
          click,
          parts,
          grooves,
          sounds: soundsOn(setting.kit),
          swapsGroove: setting.player.swapsGroove ?? false,
        }}
      />
    </Part>
  )
}

interface PlannedSound {
  /** The tempos of the plan, in beats per minute. */
  readonly ladder: readonly number[]
  /** The steps that are not skipped as they are played, each at its own tempos, or those of the plan. */
  readonly steps: readonly { readonly lick: Lick; readonly tempos: readonly number[] }[]
}

/** How a lick is practised, as far as it can be heard. */
function usePlanOf(id: string, lick: Lick, setting: PlayContext): PlannedSound {
  const load = useCallback(() => loadPlan(id), [id])
  const concerns = useCallback(
    (table: string, ids: readonly string[]) => table === 'plans' && ids.includes(id),
    [id],
  )
  const stored = useRead<PlanRecord | null>(load, concerns, null)
  const log = useLive(liveLogs).rows.find(({ lickId }) => lickId === id)
  return useMemo(() => {
    const plan = stored ?? newPlan(id, lick, 0)
    const rungs = rungsOf(plan, lick, speedLimit(lick, 'line', setting).bpm, log)
    const ladder = rungs.map(({ tempo }) => tempo)
    const steps = toSteps(stepsOfPlan(lick, plan, setting), lick)
    const heard = steps.map(({ played, skipped, tempos }) =>
      skipped ? [] : [{ lick: played, tempos: tempos ?? ladder }],
    )
    return { ladder, steps: heard.flat() }
  }, [stored, log, id, lick, setting])
}
