import type { SlotRange } from '~/core/changes'
import type { Lick } from '~/core/line'
import type { Rating } from '~/core/log'
import type { Position } from '~/core/performance'
import {
  findStep,
  type GridRung,
  isAdded,
  moveGridRung,
  nextCell,
  type PlanCell,
  type PlannedStep,
  type PracticeForm,
  slowerRung,
  toChoices,
} from '~/core/practice'
import type { PlayerState, ProgramPlayer } from '~/session/program-player'
import {
  liveSettings,
  type PlanContent,
  type PlanRecord,
  type Settings,
  type SharedPlan,
} from '~/storage'
import { partKeyOf } from '~/words/practice-steps'
import type { PlanDocument } from '~/workspace/documents/plan-document'
import type { SetDocument } from '~/workspace/documents/set-document'
import { exceptPlan } from '~/workspace/documents/set-edits'
import { memoize } from '~/workspace/memoize'
import { laidPlan, type SetPlan, sequenceOf, toPlanRungs } from '~/workspace/plan-ladder'
import { Slices } from '~/workspace/slices'
import { litOf, type Phase, phaseAt, STILL } from '../lights'
import { LIMB_KEYS } from '../sound-strip'
import { type Choice, noChoice } from './choice'
import { Ear, type EarPorts } from './ear'
import { keepDrawn } from './improvising'
import { type Practised, practising } from './lick-program'
import { lickOf, logOf } from './practised'
import type { StoredWorld, World } from './world'

/** The practice of a lick as it stands. */
export interface RoomState {
  readonly world: World
  readonly plan: PlanRecord
  /** The plan of the set that it is practised in; null for none. */
  readonly setPlan: SetPlan | null
  readonly choice: Choice
  readonly player: PlayerState
  /** Whether the pads are looked at, and whether one is waited for. */
  readonly pads: { readonly open: boolean; readonly learning: boolean }
  /** What came of keeping what was improvised; empty for nothing. */
  readonly kept: string
}

/** What the practice of a lick is made of. */
export interface RoomParts {
  readonly world: StoredWorld
  readonly plan: PlanDocument
  /** The set that it is practised in, which may have a plan for all its exercises; null for none. */
  readonly set: SetDocument | null
  readonly player: ProgramPlayer
  readonly ear?: Pick<EarPorts, 'listen' | 'clock'>
  readonly changeSettings?: (changed: Partial<Settings>) => void
}

/**
 * Practice without its page: what is stored of a lick and of who practises it, what was chosen, the program that
 * follows from both, the player who plays it and the ear that hears along. `practised` is all that is drawn; every
 * change goes through the methods here.
 *
 * @example const close = room.open(); room.goStep(1); room.player.toggle(); room.rate('clean'); close()
 */
export class PracticeRoom extends Slices<RoomState> {
  readonly player: ProgramPlayer
  readonly plan: PlanDocument
  readonly ear: Ear
  private readonly stored: StoredWorld
  private readonly set: SetDocument | null
  private readonly changeSettings: (changed: Partial<Settings>) => void
  private readonly work = practising()
  private readonly setPlanIn = memoize(setPlanOf)
  private readonly litIn = memoize(litOf)
  /** The log as it was at first: what is proposed does not move under the player. */
  private readonly first
  /** The rung on which the next music begins, where that is not the one that stands. */
  private takenAt: number | undefined
  private worked: { readonly state: RoomState; readonly practised: Practised } | null = null

  constructor({ world, plan, set, player, ear, changeSettings }: RoomParts) {
    const now = world.state()
    const id = now.record.id
    super({
      world: now,
      plan: plan.content,
      setPlan: set && setPlanOf(set.content, id),
      choice: noChoice(1 + (Date.now() % SEEDS)),
      player: player.state(),
      pads: { open: false, learning: false },
      kept: '',
    })
    this.stored = world
    this.plan = plan
    this.set = set
    this.player = player
    this.changeSettings = changeSettings ?? ((changed) => liveSettings.change(changed))
    this.first = logOf(now.sessions, lickOf(now.record, now.settings.turnLetters))
    this.ear = new Ear({
      position: player.position,
      plan: player.plan,
      softenClick: (soft) => player.sound.setSoftClick(soft),
      onHeard: (heard) => player.hear(heard),
      onRate: (rating) => this.rate(rating),
      onSimulates: (simulates) => player.leaveNoTrace(simulates),
      ...ear,
    })
    this.takenAt = this.firstRung()
    this.refresh()
  }

  /** The rung to begin with: the highest that was clean already. */
  private firstRung(): number {
    const { tempos, log, step } = this.practised()
    const known = log?.steps.find(({ part }) => step && part === partKeyOf(step))
    const clean = Math.max(log?.bestClean ?? 0, known?.bestClean ?? 0)
    return Math.max(
      0,
      tempos.findLastIndex((tempo) => tempo <= clean + 0.5),
    )
  }

  /** Follows what is stored, until it is left by what is returned. */
  open(): () => void {
    const { stored, plan, set, player } = this
    const stops = [
      stored.subscribe(() => this.take({ world: stored.state() })),
      plan.subscribe(() => this.take({ plan: plan.content })),
      player.subscribe(() => this.playerMoved()),
      stored.open(),
      plan.open(),
    ]
    const { id } = this.current.world.record
    if (set)
      stops.push(set.subscribe(() => this.take({ setPlan: this.setPlanIn(set.content, id) })))
    return () => {
      for (const stop of stops) stop()
      this.ear.close()
      player.close()
    }
  }

  /** Everything that follows from how it stands; the same object while that stays. */
  readonly practised = (): Practised => {
    const state = this.current
    if (this.worked?.state === state) return this.worked.practised
    const { world, plan, setPlan, choice } = state
    const { rung } = this.player
    const practised = this.work({ world, plan, setPlan, choice, rung, first: this.first })
    this.worked = { state, practised }
    return practised
  }

  /** Changes how it stands, and brings what plays and what listens in line with that. */
  private take(changed: Partial<RoomState>): void {
    this.together(() => {
      this.patch(changed)
      this.refresh()
    })
  }

  private choose(changed: Partial<Choice>): void {
    this.take({ choice: { ...this.current.choice, ...changed } })
  }

  private refresh(): void {
    const { program, step, countsEach, setting, plan } = this.practised()
    const { world, choice, player } = this.current
    const { sound } = this.player
    for (const [channel] of LIMB_KEYS) sound.setMuted(channel, choice.muted.has(channel))
    sound.setMuted('click', world.settings.clickMarks === 'off')
    const { takenAt } = this
    this.takenAt = undefined
    this.player.take(program, takenAt)
    this.ear.follow({
      step: choice.improvise.drawn ? undefined : step,
      countsEach,
      compose: program?.compose ?? null,
      playing: player.playing,
      settings: world.settings,
      kit: setting.kit,
      repeats: plan.repeats,
      climbs: choice.byEar,
    })
  }

  private playerMoved(): void {
    this.take({ player: this.player.state() })
    this.climbOn()
  }

  /** Where the plan goes on after a rating; null at its end, and for a loop, which is no step. */
  readonly after = (rating: Rating): PlanCell | null => {
    const { at, counts, plan } = this.practised()
    if (this.current.choice.loop) return null
    return nextCell({ step: at, rung: this.player.rung }, counts, sequenceOf(plan), rating)
  }

  /** Goes to a cell of the plan: at once in silence, else from where what is played comes round, or anew. */
  readonly goToCell = ({ step, rung }: PlanCell): void => {
    if (step === this.practised().at && !this.current.choice.loop) {
      this.player.go(rung)
      return
    }
    this.takenAt = rung
    this.choose({ loop: null, lost: null, index: step })
  }

  /** A plan that is climbed by itself goes on where the music cannot: to the next step. */
  private climbOn(): void {
    const { plan, at } = this.practised()
    const { choice, player } = this.current
    const done = player.playing && player.done >= plan.repeats
    if (!plan.climbs || choice.byEar || !done) return
    const next = this.after('clean')
    if (next && next.step !== at) this.goToCell(next)
  }

  // The plan

  /** Changes the plan that is followed: the lick's own, or what is other for it in its set. */
  readonly changePlan = (changed: Partial<PlanContent>): void => {
    const { plan } = this.practised()
    const next = { ...plan, ...changed }
    const { record } = this.current.world
    if (this.set && this.current.setPlan)
      this.set.edit((now) => exceptPlan(now, record.id, contentOfPlan(next)))
    else this.plan.edit((now) => ({ ...now, ...changed }))
  }

  /** Goes back over what was changed of the plan, and forth again. */
  readonly undo = (): void => (this.current.setPlan ? this.set : this.plan)?.undo()
  readonly redo = (): void => (this.current.setPlan ? this.set : this.plan)?.redo()

  /** In a set: this exercise follows the plan of all again. */
  readonly followSet = (): void => {
    const { id } = this.current.world.record
    this.set?.edit((now) => exceptPlan(now, id, null))
  }

  /** Sets the ladder of the step that stands: its own where it has one, else the plan's. */
  readonly setRungs = (rungs: readonly GridRung[]): void => {
    const { lick, planned, at, tempos } = this.practised()
    this.together(() => {
      // With a rung more or fewer, the tempo that stands is another rung, and stands all the same.
      if (rungs.length !== tempos.length)
        this.player.remap((rung) => {
          const same = rungs.findIndex(({ tempo }) => tempo === tempos[rung])
          return same < 0 ? Math.min(rung, rungs.length - 1) : same
        })
      this.keepRungs(rungs, planned[at]?.tempos != null, lick)
    })
  }

  private keepRungs(rungs: readonly GridRung[], alone: boolean, lick: Lick): void {
    if (alone && !this.current.choice.loop) this.temposAlone(rungs.map(({ tempo }) => tempo))
    else this.changePlan(toPlanRungs(rungs, lick))
  }

  /** Gives the step that stands tempos of its own; null for those of the plan. */
  readonly temposAlone = (tempos: readonly number[] | null): void => {
    const { planned, at } = this.practised()
    this.arrange(planned.map((one, i) => (i === at ? { ...one, tempos } : one)))
  }

  /** Skips every step that the build-up proposes; those that the player added stay. */
  readonly skipProposed = (): void =>
    this.arrange(
      this.practised().planned.map((one) => (isAdded(one.part) ? one : { ...one, skipped: true })),
    )

  readonly arrange = (planned: readonly PlannedStep[]): void =>
    this.changePlan({ steps: toChoices(planned) })

  /** Adds a step at the end of the plan, by the key of its part. */
  readonly add = (key: string): void => {
    const steps = toChoices(this.practised().planned)
    this.changePlan({ steps: [...steps, { part: key, skipped: false, form: null }] })
  }

  readonly layTemplate = (template: SharedPlan): void => {
    const { played, setting } = this.practised()
    this.changePlan(laidPlan(template, played, setting))
  }

  /** Moves the rung that stands by so many beats a minute. */
  readonly moveTempo = (by: number): void => {
    const { rungs, tempos } = this.practised()
    const { rung, tempo } = this.player
    this.setRungs(moveGridRung(rungs, rung, (tempos[rung] ?? tempo) + by))
  }

  // The step

  /** Goes to the next or the last step that is not skipped; stays where there is none. */
  readonly goStep = (way: 1 | -1): void => {
    const { planned, at } = this.practised()
    this.choose({ loop: null, index: findStep(planned, at, way) ?? at })
  }

  /** Goes to a step. */
  readonly goTo = (index: number): void => this.choose({ loop: null, lost: null, index })

  /** Loops slots of the lick, or goes back to the step. */
  readonly loopOver = (loop: SlotRange | null): void => this.choose({ loop })

  /** Loops slots that are told within the part that is played. */
  readonly loopWithin = ({ from, to }: SlotRange): void => {
    const start = this.practised().step?.part.range.from ?? 0
    this.choose({ loop: { from: start + from, to: start + to } })
  }

  /** Keeps the loop as a step at the end of the plan, and goes to it. */
  readonly keepLoop = ({ from, to }: SlotRange): void => {
    const last = this.practised().planned.length
    this.add(`loop ${from}-${to}`)
    this.goTo(last)
  }

  /** Plays the loop, or the step in the plan, in another form. */
  readonly changeForm = (form: PracticeForm): void => {
    if (this.current.choice.loop) {
      this.choose({ loopForm: form })
      return
    }
    const { planned, at } = this.practised()
    this.arrange(planned.map((one, i) => (i === at ? { ...one, form } : one)))
  }

  /** Silences a limb, or lets it be heard again. */
  readonly mute = (channel: string): void => {
    const muted = new Set(this.current.choice.muted)
    if (!muted.delete(channel)) muted.add(channel)
    this.choose({ muted })
  }

  readonly muteLimb = (index: number): void => {
    const limb = LIMB_KEYS[index]
    if (limb) this.mute(limb[0])
  }

  readonly switchClick = (): void => {
    const off = this.current.world.settings.clickMarks === 'off'
    this.changeSettings({ clickMarks: off ? 'beats' : 'off' })
  }

  readonly watchPads = (pads: RoomState['pads']): void => this.patch({ pads })

  readonly switchPulse = (): void =>
    this.changeSettings({ pulse: !this.current.world.settings.pulse })

  // How it went

  readonly byEar = (byEar: boolean): void => this.choose({ byEar })

  /** Says how it went; a simulated player climbs, and leaves no trace. */
  readonly rate = (rating: Rating): void => {
    if (this.ear.simulates) {
      this.player.climbBy(rating)
      return
    }
    const { rungs, tempos, grid, at } = this.practised()
    const { rung, tempo } = this.player
    const next = this.after(rating)
    const slower = rating === 'lost' && rung === 0 ? slowerRung(tempos) : tempos
    const lost = slower.length > tempos.length ? (slower[0] ?? null) : null
    this.together(() => {
      this.player.rate(rating, next && (() => this.goToCell(next)))
      this.choose({ rated: { rating, tempo, rung, step: at }, lost })
      if (lost === null) return
      this.setRungs([{ tempo: lost, grid: rungs[0]?.grid ?? grid }, ...rungs])
      this.player.go(0)
    })
  }

  /** Takes back what was said last, and goes back to where it was said. */
  readonly unrate = (): void => {
    const { rated, loop } = this.current.choice
    this.choose({ rated: null })
    if (!rated) return
    this.player.unrate()
    if (loop) this.player.go(rated.rung)
    else this.goToCell(rated)
  }

  // What is drawn anew

  readonly improvise = (changed: Partial<Pick<Choice['improvise'], 'drawn' | 'share'>>): void => {
    const { improvise } = this.current.choice
    const seed = (improvise.seed % SEEDS) + 1
    this.together(() => {
      this.choose({ improvise: { ...improvise, ...changed, seed } })
      this.patch({ kept: '' })
    })
  }

  /** Keeps what sounds now, or so many rounds before, as a version of the lick. */
  readonly keepImprovised = async (before: number): Promise<void> => {
    const { bounds, lick, heard, setting } = this.practised()
    const { record, settings } = this.current.world
    const at = this.player.position()
    if (!bounds || at?.phase !== 'round') return
    const drawn = { lickId: record.id, lick, heard, bounds, setting, turned: settings.turnLetters }
    const round = Math.max(0, at.round - before)
    this.patch({ kept: await keepDrawn(drawn, round) })
  }

  // What is shown

  /** The line that is shown while a round sounds, from 0: what is drawn is what sounds. */
  readonly lineAt = (round: number): Lick => {
    const { step, heard, soundingAt } = this.practised()
    return soundingAt ? soundingAt(round) : (step?.part.lick ?? heard)
  }

  /** What is heard at a position, for the lights. */
  readonly phaseAt = (position: Position | undefined): Phase => {
    const { step, heard, countsEach } = this.practised()
    if (!step) return STILL
    const round = position?.phase === 'round' ? position.round : 0
    return phaseAt(position, this.litIn(step, heard, countsEach, this.lineAt(round)))
  }
}

const SEEDS = 999_999

/** The plan that a set has for one of its exercises; null where it has none for all. */
function setPlanOf({ plan, exercises }: SetDocument['content'], lickId: string): SetPlan | null {
  const exercise = exercises.find((one) => one.lickId === lickId)
  return plan && exercise ? { shared: plan, exception: exercise.plan } : null
}

function contentOfPlan({
  school,
  ladder,
  sequence,
  rungs,
  rungGrids,
  repeats,
  climbs,
  steps,
}: PlanRecord): PlanContent {
  return { school, ladder, sequence, rungs, rungGrids, repeats, climbs, steps }
}
