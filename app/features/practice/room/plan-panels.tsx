import { useState } from 'react'
import { frameTicks } from '~/core/line'
import {
  findStep,
  type GridRung,
  LADDER_KINDS,
  type LadderKind,
  onlyGrid,
  PLAN_SEQUENCES,
  type PlanSequence,
  PRACTICE_ORDERS,
  type PracticeOrder,
} from '~/core/practice'
import { findGrid, type Grid, gridName } from '~/core/time'
import { useSettings } from '~/live/use-live'
import { useSlices } from '~/live/use-slices'
import { Checkbox } from '~/ui/checkbox'
import { SelectField } from '~/ui/field'
import { Button } from '~/ui/parts'
import { plural, tempoFigure } from '~/words/figures'
import { LADDER_WORDS, ORDER_WORDS, SEQUENCE_WORDS } from '~/words/plan-words'
import { partKeyOf, planMinutes } from '~/words/practice-steps'
import { sequenceOf } from '~/workspace/plan-ladder'
import { AddStep } from '../add-step'
import { Ladder } from '../ladder'
import { ratingOn } from '../session/cells'
import { pastOf } from '../session/remarks'
import type { PracticeRoom } from '../session/room'
import { usePractised } from '../session/use-room'
import { SetPlanNotice } from '../set-plan-notice'
import { StepList } from '../step-list'
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
  const alone = practised.planned[practised.at]?.tempos
  const onChange = room.changePlan
  const [editing, setEditing] = useState(false)
  const part = practised.step && partKeyOf(practised.step)
  const went = rungs.map((one) => (part ? ratingOn(sessions, part, one) : null))
  const { goal, grid } = lick.frame
  const { beat } = frameTicks(lick.frame)
  const jumps = ladderJumpWords(rungs, beat)
  return (
    <>
      <SetPlanNotice room={room} />
      <div className="flex flex-col gap-2">
        <EditSwitch of="ladder" pressed={editing} act="Edit" onPress={setEditing} />
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
        <Checkbox
          checked={alone !== undefined && alone !== null}
          onTick={(own) => room.temposAlone(own ? rungs.map(({ tempo }) => tempo) : null)}
        >
          These tempos for this step alone
        </Checkbox>
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
        <Checkbox checked={plan.climbs} onTick={(climbs) => onChange({ climbs })}>
          Climb automatically after {plan.repeats} repeats
        </Checkbox>
      </div>
    </>
  )
}

/** The steps of the plan in their order, and how they are changed. */
export function StepsPanel({ room }: { room: PracticeRoom }) {
  const { choice, world } = useSlices(room)
  useSlices(room.player)
  const { plan, planned, steps, at, log, played, versions, ladder, lick } = usePractised(room)
  const { change: onSettings, settings } = useSettings()
  const rungsOf = (step: number): readonly GridRung[] =>
    planned[step]?.tempos?.map((tempo) => ({ tempo, grid: lick.frame.grid })) ?? ladder
  const cellsOf = (step: number) =>
    rungsOf(step).map((rung) => {
      const part = steps[step]
      const rating = part ? ratingOn(world.sessions, partKeyOf(part), rung) : null
      return { tempo: rung.tempo, rating }
    })
  const minutes = planMinutes(
    steps,
    (step) => rungsOf(step).map(({ tempo }) => tempo),
    plan.repeats,
  )
  const [arranging, setArranging] = useState(false)
  return (
    <>
      <SetPlanNotice room={room} />
      <div className="flex flex-col gap-2">
        <EditSwitch of="steps" pressed={arranging} act="Arrange" onPress={setArranging} />
        <StepList
          steps={steps}
          planned={planned}
          logs={log?.steps ?? []}
          index={choice.loop ? -1 : at}
          arranging={arranging}
          cellsOf={cellsOf}
          rung={room.player.rung}
          onGo={room.goTo}
          onGoCell={room.goToCell}
          onArrange={room.arrange}
        />
        {arranging && (
          <>
            <AddStep lick={played} loop={choice.loop} versions={versions} onAdd={room.add} />
            <Button onClick={room.skipProposed}>Skip all proposed steps</Button>
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
        <SelectField
          label="Goes through"
          value={sequenceOf(plan)}
          options={PLAN_SEQUENCES.map((one) => ({ value: one, label: SEQUENCE_WORDS[one] }))}
          onChange={(sequence) => room.changePlan({ sequence: sequence as PlanSequence })}
        />
        <p className="text-(--quiet) text-sm">
          {plural(Math.max(1, Math.round(minutes)), 'minute')}, {plural(plan.repeats, 'repeat')} per
          tempo
        </p>
      </div>
    </>
  )
}

/** Whether what a panel shows is changed there. */
function EditSwitch({
  of,
  act,
  pressed,
  onPress,
}: {
  of: string
  act: string
  pressed: boolean
  onPress: (pressed: boolean) => void
}) {
  return (
    <button
      type="button"
      aria-pressed={pressed}
      aria-label={`${act} the ${of}`}
      className="btn btn-ghost btn-sm -mt-10 mr-8 self-end font-normal aria-pressed:bg-base-300"
      onClick={() => onPress(!pressed)}
    >
      {pressed ? 'Done' : act}
    </button>
  )
}

/** The grids that a ladder may go over: the lick's own, and half and twice as fast. */
function gridsFor(grid: Grid): string[] {
  const near = [grid.value / 2, grid.value, grid.value * 2]
  return near.flatMap((value) => {
    const found = findGrid(gridName({ ...grid, value } as Grid))
    return found ? [gridName(found)] : []
  })
}

/** What comes after a clean round: `111 bpm, then the three`, `the three at 80 bpm`, `the end of the plan`. */
export function nextWords(room: PracticeRoom): string {
  const { rungs, ladder, steps, planned, at } = room.practised()
  if (room.state().choice.loop) return 'back to the step'
  const next = room.after('clean')
  if (!next) return 'the end of the plan'
  const tempos = planned[next.step]?.tempos ?? ladder.map(({ tempo }) => tempo)
  const tempo = `${tempoFigure(tempos[next.rung] ?? 0)} bpm`
  if (next.step !== at) return `${steps[next.step]?.words} at ${tempo}`
  const grid = onlyGrid(rungs) ? '' : ` in ${gridName((rungs[next.rung] as GridRung).grid)}`
  const follower = steps[findStep(planned, at, 1) ?? -1]
  return `${tempo}${grid}, then ${follower?.words ?? 'the end of the plan'}`
}
