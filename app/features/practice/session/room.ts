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
import type { PlanContent, PlanRecord, SharedPlan } from '~/storage'
import { exceptPlan } from '~/workspace/documents/set-edits'
import { memoize } from '~/workspace/memoize'
import { laidPlan, sequenceOf, toPlanRungs } from '~/workspace/plan-ladder'
import { litOf, type Phase, phaseAt, STILL } from '../lights'
import { LIMB_KEYS } from '../sound-strip'
import type { Choice } from './choice'
import { keepDrawn } from './improvising'
import { RoomBase, type RoomState, SEEDS } from './room-base'

/**
 * Practice without its page: what is stored of a lick and of who practises it, what was chosen, the program that
 * follows from both, the player who plays it and the ear that hears along. `practised` is all that is drawn; every
 * change goes through the methods here.
 *
 * @example const close = room.open(); room.goStep(1); room.player.toggle(); room.rate('clean'); close()
 */
export class PracticeRoom extends RoomBase {
  private readonly litIn = memoize(litOf)

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
  protected climbOn(): void {
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
