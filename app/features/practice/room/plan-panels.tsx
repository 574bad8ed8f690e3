import { useMemo, useState } from 'react'
import { frameTicks } from '~/core/line'
import type { Rating } from '~/core/log'
import {
  findStep,
  type GridRung,
  LADDER_KINDS,
  type LadderKind,
  onlyGrid,
  type PlannedStep,
  PRACTICE_ORDERS,
  type PracticeOrder,
} from '~/core/practice'
import { findGrid, type Grid, gridName } from '~/core/time'
import { useSettings } from '~/live/use-live'
import { useSlices } from '~/live/use-slices'
import type { PracticeSessionRecord } from '~/storage'
import { SelectField } from '~/ui/field'
import { Tick } from '~/ui/tick'
import { plural, tempoFigure } from '~/words/figures'
import { LADDER_WORDS, ORDER_WORDS } from '~/words/plan-words'
import { AddStep } from '../add-step'
import { Ladder } from '../ladder'
import { pastOf } from '../session/remarks'
import type { PracticeRoom } from '../session/room'
import { usePractised } from '../session/use-room'
import { SetPlanNotice } from '../set-plan-notice'
import { StepList } from '../step-list'
import { planMinutes, type Step } from '../step-view'
import { Templates } from '../templates'
import { ladderJumpWords } from '../words'

const REPEATS = [2, 4, 6, 8, 12, 16, 24, 32]

/** The ladder of tempos, and how it is climbed. */
export function TemposPanel({ room }: { room: PracticeRoom }) {
  const { sessions } = useSlices(room).world
  useSlices(room.player)
  const practised = usePractised(room)
  const { plan, rungs, lick } = practised
  const { rung } = room.player
  const onChange = room.changePlan
  const [editing, setEditing] = useState(false)
  const went = useMemo(() => rungs.map((one) => lastRating(sessions, one)), [rungs, sessions])
  const { goal, grid } = lick.frame
  const { beat } = frameTicks(lick.frame)
  const jumps = ladderJumpWords(rungs, beat)
  return (
    <>
      <SetPlanNotice room={room} />
      <div className="flex flex-col gap-2">
        <Heading title="Ladder" pressed={editing} act="Edit" onPress={setEditing} />
        <Ladder
          rungs={rungs}
          now={rung}
          goal={goal}
          past={pastOf(practised)}
          went={went}
          editing={editing}
          onGo={(next) => room.player.go(next)}
          grids={gridsFor(grid)}
          onEdit={room.setRungs}
        />
        {jumps && (
          <p className="flex flex-wrap items-center gap-2 text-sm">
            {jumps}
            {!plan.rungs && plan.ladder === 'three' && (
              <button
                type="button"
                className="link"
                onClick={() => onChange({ ladder: 'percent', rungs: null, rungGrids: null })}
              >
                Use even steps
              </button>
            )}
          </p>
        )}
        <div className="flex items-end gap-3">
          <SelectField
            label="Tempos"
            className="grow"
            value={plan.rungs ? 'own' : plan.ladder}
            options={[
              ...(plan.rungs ? [{ value: 'own', label: 'your own' }] : []),
              ...LADDER_KINDS.map((one) => ({ value: one, label: LADDER_WORDS[one] })),
            ]}
            onChange={(ladder) => {
              if (ladder !== 'own')
                onChange({ ladder: ladder as LadderKind, rungs: null, rungGrids: null })
            }}
          />
          <SelectField
            label="Repeats per tempo"
            className="w-34 shrink-0"
            value={String(plan.repeats)}
            options={REPEATS.map((count) => ({ value: String(count), label: String(count) }))}
            onChange={(count) => onChange({ repeats: Number(count) })}
          />
        </div>
        <Tick checked={plan.climbs} onTick={(climbs) => onChange({ climbs })}>
          Climb automatically after {plan.repeats} repeats
        </Tick>
      </div>
    </>
  )
}

/** The steps of the plan in their order, and how they are changed. */
export function StepsPanel({ room }: { room: PracticeRoom }) {
  const { choice } = useSlices(room)
  const { plan, planned, steps, at, log, played, versions, tempos } = usePractised(room)
  const { change: onSettings, settings } = useSettings()
  const minutes = planMinutes(steps, tempos, plan.repeats)
  const [arranging, setArranging] = useState(false)
  return (
    <>
      <SetPlanNotice room={room} />
      <div className="flex flex-col gap-2">
        <Heading title="Steps" pressed={arranging} act="Arrange" onPress={setArranging} />
        <StepList
          steps={steps}
          planned={planned}
          logs={log?.steps ?? []}
          index={choice.loop ? -1 : at}
          arranging={arranging}
          onGo={room.goTo}
          onArrange={room.arrange}
        />
        {arranging && (
          <>
            <AddStep lick={played} versions={versions} onAdd={room.add} />
            <Templates
              templates={settings.templates}
              plan={plan}
              planned={planned}
              onTemplates={(templates) => onSettings({ templates })}
            />
          </>
        )}
        <SelectField
          label="Order"
          value={plan.school}
          options={[
            ...PRACTICE_ORDERS.map((one) => ({ value: one, label: ORDER_WORDS[one] })),
            ...settings.templates.map(({ name }, i) => ({
              value: `template ${i}`,
              label: `your own: ${name}`,
            })),
          ]}
          onChange={(order) => {
            const template = settings.templates[Number(/^template (\d+)$/.exec(order)?.[1] ?? -1)]
            if (template) room.layTemplate(template)
            else room.changePlan({ school: order as PracticeOrder, steps: [] })
          }}
        />
        <p className="text-(--quiet) text-sm">
          {plural(Math.max(1, Math.round(minutes)), 'minute')}, {plural(plan.repeats, 'repeat')} per
          tempo
        </p>
      </div>
    </>
  )
}

function Heading({
  title,
  act,
  pressed,
  onPress,
}: {
  title: string
  act: string
  pressed: boolean
  onPress: (pressed: boolean) => void
}) {
  return (
    <div className="flex items-baseline justify-between">
      <h2 className="font-semibold">{title}</h2>
      <button
        type="button"
        aria-pressed={pressed}
        aria-label={`${act} the ${title.toLowerCase()}`}
        className="rounded-field px-2 text-sm hover:bg-base-300 aria-pressed:bg-base-300"
        onClick={() => onPress(!pressed)}
      >
        {pressed ? 'Done' : act}
      </button>
    </div>
  )
}

/** How a rung went when it was last played; null where it was not, or was not rated. */
function lastRating(
  sessions: readonly PracticeSessionRecord[],
  { tempo, grid }: GridRung,
): Rating | null {
  const [last] = sessions
    .filter((one) => Math.abs(one.tempo - tempo) < 0.5 && one.grid === gridName(grid))
    .sort((a, b) => b.createdAt - a.createdAt)
  return last?.rating ?? null
}

/** The grids that a ladder may go over: the lick's own, and half and twice as fast. */
function gridsFor(grid: Grid): string[] {
  const near = [grid.value / 2, grid.value, grid.value * 2]
  return near.flatMap((value) => {
    const found = findGrid(gridName({ ...grid, value } as Grid))
    return found ? [gridName(found)] : []
  })
}

/** `95 bpm, then link between groups: 2a to 3e`. */
export function nextWords(
  rungs: readonly GridRung[],
  rung: number,
  steps: readonly Step[],
  planned: readonly PlannedStep[],
  index: number,
): string {
  const next = rungs[rung + 1]
  const follower = steps[findStep(planned, index, 1) ?? -1]
  const step = index < 0 ? 'back to the step' : (follower?.words ?? 'the end of the plan')
  if (!next) return step
  const grid = onlyGrid(rungs) ? '' : ` in ${gridName(next.grid)}`
  return `${tempoFigure(next.tempo)} bpm${grid}, then ${step}`
}
