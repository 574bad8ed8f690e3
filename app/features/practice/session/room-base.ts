import type { Rating } from '~/core/log'
import type { PlayerState, ProgramPlayer } from '~/session/program-player'
import { liveSettings, type PlanRecord, type Settings } from '~/storage'
import { partKeyOf } from '~/words/practice-steps'
import type { PlanDocument } from '~/workspace/documents/plan-document'
import type { SetDocument } from '~/workspace/documents/set-document'
import { memoize } from '~/workspace/memoize'
import type { SetPlan } from '~/workspace/plan-ladder'
import { Slices } from '~/workspace/slices'
import { LIMB_KEYS } from '../sound-strip'
import { type Choice, noChoice } from './choice'
import { Ear, type EarPorts } from './ear'
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
 * What practice is made of, without what can be done in it: what is stored of a lick and of who practises it, what
 * was chosen, the program that follows from both, the player who plays it and the ear that hears along. After every
 * change, what plays and what listens is brought in line with how it stands.
 */
export abstract class RoomBase extends Slices<RoomState> {
  readonly player: ProgramPlayer
  readonly plan: PlanDocument
  readonly ear: Ear
  private readonly stored: StoredWorld
  protected readonly set: SetDocument | null
  protected readonly changeSettings: (changed: Partial<Settings>) => void
  private readonly work = practising()
  private readonly setPlanIn = memoize(setPlanOf)
  /** The log as it was at first: what is proposed does not move under the player. */
  private readonly first
  /** The rung on which the next music begins, where that is not the one that stands. */
  protected takenAt: number | undefined
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
  protected take(changed: Partial<RoomState>): void {
    this.together(() => {
      this.patch(changed)
      this.refresh()
    })
  }

  protected choose(changed: Partial<Choice>): void {
    this.take({ choice: { ...this.current.choice, ...changed } })
  }

  private refresh(): void {
    const { program, step, countsEach, setting, plan, lick } = this.practised()
    const { world, choice, player } = this.current
    // Slots that the lick has no more are not looped.
    if (choice.loop && choice.loop.to > lick.line.slots.length) {
      this.choose({ loop: null })
      return
    }
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

  /** Says how it went. */
  abstract readonly rate: (rating: Rating) => void
  /** The music has come further. */
  protected abstract climbOn(): void

  private playerMoved(): void {
    this.take({ player: this.player.state() })
    this.climbOn()
  }
}

/** So many ways there are to draw anew. */
export const SEEDS = 999_999

/** The plan that a set has for one of its exercises; null where it has none for all. */
function setPlanOf({ plan, exercises }: SetDocument['content'], lickId: string): SetPlan | null {
  const exercise = exercises.find((one) => one.lickId === lickId)
  return plan && exercise ? { shared: plan, exception: exercise.plan } : null
}
