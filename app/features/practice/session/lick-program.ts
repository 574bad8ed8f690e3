import { onGrid } from '~/core/fitting'
import { keepEqual } from '~/core/foundation'
import { soundsOn } from '~/core/kit'
import { frameTicks, type Lick } from '~/core/line'
import type { LickLog } from '~/core/log'
import { onKit, type Performance, toMedley, toPerformance } from '~/core/performance'
import { type PlayContext, speedLimit } from '~/core/playability'
import {
  type Bounds,
  type Climb,
  findPulsed,
  formName,
  type GridRung,
  inTurn,
  loopPart,
  type PlannedStep,
  type PracticeForm,
  type RungCounts,
  roundOf,
  toImprovised,
} from '~/core/practice'
import { type Grid, gridName, sameGrid } from '~/core/time'
import type { Program } from '~/session/program'
import { clickedMarks, type PlanRecord, type Settings, type SharedPlan } from '~/storage'
import { partKeyOf, type Step, toStep, toSteps } from '~/words/practice-steps'
import { memoize } from '~/workspace/memoize'
import { laidPlan, rungsOf, type SetPlan, sequenceOf, stepsOfPlan } from '~/workspace/plan-ladder'
import type { Choice } from './choice'
import { stepAt } from './choice'
import { boundsOf } from './improvising'
import { lickOf, logOf, savedVersions, settingOfWorld } from './practised'
import type { World } from './world'

/** What is worked out from: what is stored, what was chosen, and where the ladder stands. */
export interface Given {
  readonly world: World
  readonly plan: PlanRecord
  /** The plan of the set that it is practised in; null for none. It goes before the lick's own. */
  readonly setPlan: SetPlan | null
  readonly choice: Choice
  readonly rung: number
  /** The log as it was when the page was opened: what is proposed does not move under the player. */
  readonly first: LickLog | undefined
}

/** A lick as it is practised: its plan, the step that is played, and how it sounds. */
export interface Practised {
  readonly lick: Lick
  readonly setting: PlayContext
  readonly log: LickLog | undefined
  readonly plan: PlanRecord
  /** The ladder of the plan. */
  readonly ladder: readonly GridRung[]
  /** The ladder of the step that stands: its own, or the plan's. */
  readonly rungs: readonly GridRung[]
  readonly tempos: readonly number[]
  /** How many rungs each step of the plan has; 0 for one that is skipped. */
  readonly counts: RungCounts
  /** The grid that is played on: of the rung that the ladder stands on. */
  readonly grid: Grid
  /** The lick on that grid. */
  readonly played: Lick
  readonly versions: ReturnType<typeof savedVersions>
  readonly planned: readonly PlannedStep[]
  readonly steps: readonly Step[]
  /** Which step of the plan stands, from 0. */
  readonly at: number
  /** What is played: that step, or a loop in its place; undefined for a lick without a stroke. */
  readonly step: Step | undefined
  /** The step with the hi-hat foot's pulse, where there is a foot for it. */
  readonly pulsed: Lick | undefined
  /** What is heard of the step. */
  readonly heard: Lick
  /** The line that sounds in a round, from 0, where it is drawn anew or taken by turns; null where it stays. */
  readonly soundingAt: ((round: number) => Lick) | null
  /** Whether it may be drawn anew: the whole line, once a round. */
  readonly drawable: boolean
  /** Within what it is drawn anew; null where it is played as it is. */
  readonly bounds: Bounds | null
  readonly countsEach: boolean
  readonly program: Program | null
}

/** How often each version comes before the next. */
const TIMES_IN_TURN = 2

/**
 * Works a practised lick out from what is given. Each part is remembered by what it is made from, so that the
 * same givens make the same objects: whoever asks draws or sounds anew only what has changed.
 */
export function practising(): (given: Given) => Practised {
  const lickIn = memoize((record: World['record'], turned: boolean) => lickOf(record, turned))
  const logIn = memoize(logOf)
  const rungsIn = memoize(
    (
      plan: Parameters<typeof rungsOf>[0],
      lick: Lick,
      setting: PlayContext,
      log: LickLog | undefined,
    ) => rungsOf(plan, lick, speedLimit(lick, 'line', setting).bpm, log),
  )
  const temposIn = memoize((rungs: readonly GridRung[]) => rungs.map(({ tempo }) => tempo))
  const countsIn = memoize((planned: readonly PlannedStep[], rungs: number) =>
    planned.map(({ skipped, tempos }) => (skipped ? 0 : (tempos?.length ?? rungs))),
  )
  const ownRungsIn = memoize((tempos: readonly number[], grid: Grid) =>
    tempos.map((tempo) => ({ tempo, grid })),
  )
  const gridIn = memoize((lick: Lick, grid: Grid) =>
    sameGrid(grid, lick.frame.grid) ? lick : onGrid(lick, grid),
  )
  const planIn = memoize(
    (
      stored: PlanRecord,
      setPlan: SetPlan | null,
      played: Lick,
      setting: PlayContext,
    ): PlanRecord => {
      if (!setPlan) return stored
      return { ...stored, ...(setPlan.exception ?? laidPlan(setPlan.shared, played, setting)) }
    },
  )
  const versionsIn = memoize(savedVersions)
  const plannedIn = memoize(
    (played: Lick, plan: PlanRecord, setting: PlayContext, versions: Practised['versions']) =>
      stepsOfPlan(played, plan, setting, versions),
  )
  const stepsIn = memoize(toSteps)
  const loopIn = memoize((played: Lick, loop: NonNullable<Choice['loop']>, form: PracticeForm) =>
    toStep(loopPart(played, loop), form, played),
  )
  const pulsedIn = memoize(findPulsed)
  const boundsIn = memoize(boundsOf)
  const soundingIn = memoize(soundingOf)
  const composeIn = memoize(composing)
  const climbIn = memoize(climbOf)
  const programIn = memoize(toProgram)

  let setting: PlayContext | undefined
  return ({ world, plan: stored, setPlan, choice, rung, first }) => {
    const { record, settings } = world
    const lick = lickIn(record, settings.turnLetters)
    // The same while it says the same, whatever else of the settings changes.
    setting = keepEqual(setting, settingOfWorld(lick, world))
    const log = logIn(world.sessions, lick)
    const wished = setPlan ? (setPlan.exception ?? setPlan.shared) : stored
    const ladder = rungsIn('rungs' in wished ? wished : proposedIn(wished), lick, setting, first)
    // Which step stands does not hang on the grid that its rung is on.
    const own = lick.frame.grid
    const ownPlan = planIn(stored, setPlan, lick, setting)
    const ownVersions = versionsIn(world.versions, settings.turnLetters, own, own)
    const ownPlanned = plannedIn(lick, ownPlan, setting, ownVersions)
    const at = stepAt(choice, ownPlanned)
    const counts = countsIn(ownPlanned, ladder.length)
    const alone = choice.loop ? undefined : ownPlanned[at]?.tempos
    const rungs = alone ? ownRungsIn(alone, own) : ladder
    const tempos = temposIn(rungs)
    const grid = rungs[Math.max(0, Math.min(rung, rungs.length - 1))]?.grid ?? own
    const played = gridIn(lick, grid)
    const versions = versionsIn(world.versions, settings.turnLetters, grid, own)
    const plan = planIn(stored, setPlan, played, setting)
    const planned = plannedIn(played, plan, setting, versions)
    const steps = stepsIn(planned, played)
    const step = choice.loop ? loopIn(played, choice.loop, choice.loopForm) : steps[at]
    const pulsed = step && pulsedIn(step.played, settings.pulseOn)
    const heard = (settings.pulse ? pulsed : undefined) ?? step?.played ?? lick
    const countsEach = settings.practiceCountIn === 'each' && step?.form.kind !== 'over'
    const drawable = step !== undefined && heard.line.slots.length === played.line.slots.length
    const bounds = drawable ? boundsIn(choice.improvise, setting, Math.max(...tempos)) : null
    const others = drawable && choice.improvise.drawn === 'versions' ? versions : NONE
    const sounding = soundingIn(heard, step, bounds, others, setting)
    const compose = composeIn(sounding, heard, countsEach, settings, setting)
    // Step by step the music climbs by itself; tempo by tempo the room goes from step to step.
    const climbs = plan.climbs && !choice.byEar && sequenceOf(plan) === 'step'
    const every = climbs ? plan.repeats : null
    const climb = step && climbIn(step, tempos.length, every, countsEach)
    const program =
      step && climb
        ? programIn(record.id, step, grid, settings.practiceCountIn, compose, tempos, climb)
        : null
    return {
      lick,
      setting,
      log,
      plan,
      ladder,
      counts,
      rungs,
      tempos,
      grid,
      played,
      versions,
      planned,
      steps,
      at,
      step,
      pulsed,
      heard,
      soundingAt: sounding,
      drawable,
      bounds,
      countsEach,
      program,
    }
  }
}

/** The round that sounds, and those near it. */
const KEPT_ROUNDS = 8
const NONE: Practised['versions'] = []
const proposedIn = memoize(({ ladder }: SharedPlan) => ({ ladder, rungs: null, rungGrids: null }))

/** What sounds in each round where that differs; null where every round is the same. */
function soundingOf(
  heard: Lick,
  step: Step | undefined,
  bounds: Bounds | null,
  others: Practised['versions'],
  setting: PlayContext,
): ((round: number) => Lick) | null {
  // Asked for by the sound and by the picture: each round is drawn once.
  if (bounds) return memoize(toImprovised(heard, bounds, setting), KEPT_ROUNDS)
  const form = step?.form
  if (form?.kind !== 'bars') return null
  const { bar } = frameTicks(heard.frame)
  const fitting = others
    .map(({ lick }) => lick)
    .filter(({ frame }) => frameTicks(frame).bar === bar)
  return fitting.length > 0 ? inTurn([heard, ...fitting], form, TIMES_IN_TURN) : null
}

/** How it sounds on the player's kit. */
function composing(
  sounding: ((round: number) => Lick) | null,
  heard: Lick,
  countsEach: boolean,
  settings: Settings,
  setting: PlayContext,
): () => Performance {
  const { practiceCountIn, dropOut, sextupletsInEighths: inEighths } = settings
  return () => {
    const options = {
      countIn: countsEach ? ('each' as const) : practiceCountIn !== 'off',
      click: { marks: clickedMarks(settings), dropOut, inEighths },
      grooves: setting.grooves ?? [],
      swapsGroove: setting.player.swapsGroove ?? false,
    }
    const performance = sounding
      ? toMedley(sounding, options)
      : toPerformance(heard, { ...options, loop: true })
    return onKit(performance, soundsOn(setting.kit))
  }
}

/** How a step's ladder is climbed; `every` so many repeats by itself, null for never. */
export function climbOf(
  step: Step,
  rungs: number,
  every: number | null,
  countsEach: boolean,
): Climb {
  const { bar } = frameTicks(step.played.frame)
  const { ticks } = roundOf(step.part.lick, step.form)
  if (step.form.kind === 'over')
    return { rungs, every, barTicks: bar, repeatTicks: ticks, roundBars: 1 }
  const round = ticks + (countsEach ? bar : 0)
  return { rungs, every, barTicks: bar, repeatTicks: round, roundBars: round / bar }
}

function toProgram(
  lickId: string,
  step: Step,
  grid: Grid,
  countIn: Settings['practiceCountIn'],
  compose: () => Performance,
  tempos: readonly number[],
  climb: Climb,
): Program {
  return {
    lickId,
    part: partKeyOf(step),
    words: step.words,
    grid: gridName(step.part.lick.frame.grid),
    form: formName(step.form),
    compose,
    // Another step, form, grid or way of counting in is another music.
    music: `${step.key} ${step.words} ${countIn} ${gridName(grid)}`,
    tempos,
    climb,
    beat: frameTicks(step.played.frame).beat,
  }
}
