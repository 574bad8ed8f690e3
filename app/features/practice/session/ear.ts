import type { HeardDevice } from '~/audio'
import type { Kit } from '~/core/kit'
import type { Rating } from '~/core/log'
import type { Performance, Position, TempoPlan } from '~/core/performance'
import {
  type HeardSummary,
  MIN_RATED_ROUNDS,
  SIMULATED_DELAY_MS,
  SIMULATED_PLAYERS,
} from '~/core/timing'
import type { MicrophoneState } from '~/session/microphone-session'
import { type Clock, PAGE_CLOCK } from '~/session/program-player'
import { type HeardThing, Microphone, micDelay } from '~/session/use-microphone'
import { listenToStrokes, type StrikeSource, type Stroke } from '~/session/use-strikes'
import type { Settings } from '~/storage'
import type { Step } from '~/words/practice-steps'
import { type AlongLine, AlongSession, type AlongState } from '~/workspace/along-session'
import { memoize } from '~/workspace/memoize'
import { SimulatedDrummer } from '~/workspace/simulated-drummer'
import { Slices } from '~/workspace/slices'
import { clicksOfRound, TakeMemory } from '~/workspace/takes'
import { meantOf } from '../along-line'

/** Who plays: the player by keys, fingers and pads, or at a microphone, or a simulated player by name. */
export type Who = 'you' | 'mic' | (string & {})

/** What the ear is told, and what it has heard. */
export interface EarState {
  readonly wanted: boolean
  readonly who: Who
  /** Whether a simulated player is heard as sound, by the ear that hears a microphone. */
  readonly asSound: boolean
  /** By what the player struck last. */
  readonly from: Exclude<StrikeSource, 'mic'>
  /** Whether it listens now. */
  readonly active: boolean
  /** When it began to listen, in milliseconds since 1970. */
  readonly begunAt: number
  readonly microphone: MicrophoneState
  readonly device: HeardDevice | undefined
  readonly heard: AlongState
  /** The microphone's delay, or another source's, in milliseconds; `find` where it was never measured. */
  readonly delayMs: number | 'find'
  /** How many rounds carry a rating by ear. */
  readonly enough: number
}

/** Whether it is a simulated player who plays. */
export function isSimulated(who: Who): boolean {
  return SIMULATED_PLAYERS.some(({ name }) => name === who)
}

/** What is played while the ear listens. */
export interface Listened {
  /** The same each time round; undefined where there is no such thing. */
  readonly step: Step | undefined
  readonly countsEach: boolean
  /** What sounds; null for nothing. */
  readonly compose: (() => Performance) | null
  readonly playing: boolean
  readonly settings: Settings
  /** Its notes tell what a pad is. */
  readonly kit: Kit
  /** How often the line is played on a rung. */
  readonly repeats: number
  /** Whether the ladder is climbed by what is heard. */
  readonly climbs: boolean
}

/** What the ear asks of the room. */
export interface EarPorts {
  readonly position: (ahead?: number) => Position | undefined
  /** The tempo of every bar that is played. */
  readonly plan: TempoPlan
  readonly softenClick: (soft: boolean) => void
  /** What was heard so far at this tempo, to be written down; null where nothing was. */
  readonly onHeard: (heard: HeardSummary | null) => void
  readonly onRate: (rating: Rating) => void
  /** Whether a simulated player plays, who leaves no trace. */
  readonly onSimulates: (simulates: boolean) => void
  /** Listens to keys and pads. Returns the way to stop. */
  readonly listen?: typeof listenToStrokes
  readonly clock?: Clock
}

const LOOK_MS = 100
/** Of the simulated players. */
const SEED = 2026
const SILENT: AlongLine = { rounds: [], every: 1 }

/**
 * Hears the player along with a step while it sounds, and tells of each round once it is over. States: off,
 * wanted (in silence), active (while the step sounds). What is listened to follows what is played.
 */
export class Ear extends Slices<EarState> {
  private listened: Listened | null = null
  private readonly session = new AlongSession(SILENT, 'find')
  private drummer: SimulatedDrummer | null = null
  private stops: (() => void)[] = []
  /** What the session that goes on was begun with. */
  private begunWith: {
    readonly line: AlongLine
    readonly delayMs: number | 'find'
    readonly who: Who
  } | null = null
  private listensTo: HeardThing | null = null
  private readonly clock: Clock
  private readonly meantIn = memoize(meantOf)
  /** The sound of the last rounds, in memory alone. */
  readonly takes = new TakeMemory()
  readonly microphone: Microphone

  constructor(private readonly ports: EarPorts) {
    super({
      wanted: false,
      who: 'you',
      asSound: false,
      from: 'keys',
      active: false,
      begunAt: 0,
      microphone: 'off',
      device: undefined,
      heard: new AlongSession(SILENT, 'find').state(),
      delayMs: 'find',
      enough: MIN_RATED_ROUNDS,
    })
    this.clock = ports.clock ?? PAGE_CLOCK
    this.microphone = new Microphone({
      onStroke: (stamp, velocity, attackDb) =>
        this.strike({ stamp, limb: undefined, from: 'mic', velocity, attackDb }),
      onLost: () => this.session.lose(),
      onSound: (sound) => this.takes.hear(sound),
      onState: (microphone) => {
        this.patch({ microphone, device: this.microphone.device })
        this.refresh()
      },
    })
    this.session.subscribe(() => this.roundTold())
  }

  /** The habits of the simulated player who plays; undefined where it is the player. */
  private get habits() {
    return SIMULATED_PLAYERS.find(({ name }) => name === this.current.who)?.habits
  }

  /** What a microphone hears, of a kit or of a simulated one; null where none listens. */
  private get sounding(): HeardThing | null {
    const { wanted, who, asSound } = this.current
    if (!wanted) return null
    if (who === 'mic') return 'mic'
    return this.habits && asSound ? 'simulated' : null
  }

  /** Whether it is a simulated player who plays. */
  get simulates(): boolean {
    return this.current.wanted && this.habits !== undefined
  }

  /** Changes who is listened to, and how. */
  readonly choose = (changed: Partial<Pick<EarState, 'wanted' | 'who' | 'asSound'>>): void => {
    this.patch(changed)
    this.ports.onSimulates(this.simulates)
    this.refresh()
  }

  /** Takes what is played from now on. */
  follow(listened: Listened): void {
    this.listened = listened
    this.session.judgeBy(listened.settings.clean)
    this.refresh()
  }

  /** Says how it went by what was heard; what is proposed next is of the rounds that follow. */
  readonly rate = (rating: Rating): void => {
    this.session.settle()
    this.ports.onRate(rating)
  }

  /** Takes a stroke of the player. */
  readonly strike = ({ stamp, limb, velocity, from, note, attackDb }: Stroke): void => {
    const { listened } = this
    const meant = this.meant()
    if (!this.current.active || !listened || !meant) return
    // A pad that runs the page plays nothing.
    if (note !== undefined && Object.values(listened.settings.pads).includes(note)) return
    // Where the microphone is heard, nothing else is.
    if ((from === 'mic') !== (this.sounding !== null) || (this.habits && from !== 'mic')) return
    // What a device makes itself is heard a little before it is put out: its stamp is still to come.
    const at = this.ports.position(-(this.clock.now() - stamp) / 1000)
    const since = at && sinceLine(at, meant)
    if (!at || typeof since !== 'number') return
    if (from !== 'mic' && from !== this.current.from) {
      this.patch({ from })
      this.refresh()
    }
    // A pad whose limb was not learnt is told by its piece, where one limb alone plays that.
    const striking = limb ?? (note === undefined ? undefined : meant.limbOf(note, listened.kit))
    this.session.hear({
      since,
      secondsPerTick: this.perTickAt(at),
      limb: striking,
      velocity,
      attackDb,
    })
  }

  private meant() {
    const { listened, sounding } = this
    const { step, countsEach, compose, settings } = listened ?? {}
    if (!step || !settings) return undefined
    const beside = sounding === null ? null : (compose ?? null)
    return this.meantIn(step, countsEach === true, beside, settings.clickMarks !== 'off')
  }

  /** A delay that was never measured is found round by round; that of a simulated player is known. */
  private delay(settings: Settings): number | 'find' {
    const { who, from, device } = this.current
    if (this.habits) return this.sounding === 'simulated' ? SIMULATED_DELAY_MS : 0
    const measured = who === 'mic' ? micDelay(settings, device) : settings.tapDelays[from]
    return measured || 'find'
  }

  /** Brings what listens in line with what is wanted and what is played. */
  private refresh(): void {
    const { listened, sounding } = this
    if (!listened) return
    const meant = this.meant()
    const delayMs = this.delay(listened.settings)
    const active = this.current.wanted && listened.playing && meant !== undefined
    const enough = Math.max(MIN_RATED_ROUNDS, listened.repeats)
    if (this.listensTo !== sounding) {
      this.listensTo = sounding
      // A click that begins softly spoils less of what is near it.
      this.ports.softenClick(sounding !== null)
      this.microphone.want(sounding)
    }
    const { active: before } = this.current
    if (active !== before || delayMs !== this.current.delayMs || enough !== this.current.enough)
      this.patch({ active, delayMs, enough })
    if (active) this.begin(meant, delayMs)
    else this.begunWith = null
    if (active && !before) this.start()
    if (!active) this.stopListening()
  }

  /** A session of its own for another line, another delay, or another player: nobody is told what another played. */
  private begin(meant: NonNullable<ReturnType<Ear['meant']>>, delayMs: number | 'find'): void {
    const { habits, begunWith } = this
    const { who } = this.current
    const { line } = meant
    if (begunWith?.line === line && begunWith.delayMs === delayMs && begunWith.who === who) return
    this.begunWith = { line, delayMs, who }
    this.takes.forget()
    // The same drummer while the music goes on, also where its tempo changes: no round is played twice.
    this.drummer = habits ? new SimulatedDrummer(meant.played, habits, SEED) : null
    this.patch({ begunAt: Date.now() })
    this.session.begin(meant.line, delayMs)
  }

  private start(): void {
    const listen = this.ports.listen ?? listenToStrokes
    this.stops = [
      listen(this.strike, () => this.listened?.settings.padLimbs ?? []),
      this.clock.every(LOOK_MS, this.look),
    ]
  }

  private stopListening(): void {
    for (const stop of this.stops) stop()
    this.stops = []
    this.drummer = null
  }

  private readonly look = (): void => {
    const at = this.ports.position()
    const meant = this.meant()
    const since = at && meant && sinceLine(at, meant)
    if (!at || !meant || typeof since !== 'number') return
    const perTick = this.perTickAt(at)
    for (const stroke of this.drummer?.reach(since, perTick) ?? []) {
      if (this.sounding === null) this.session.hear(stroke)
      else
        this.microphone.strike({
          at: this.clock.now() + (stroke.since - since) * stroke.secondsPerTick * 1000,
          surface: meant.surfaceOf(stroke.slot, stroke.limb),
          velocity: stroke.velocity,
        })
    }
    this.session.follow(since, perTick, this.clock.now())
    this.session.reach(since)
  }

  /** A round was told of, or all were forgotten. */
  private roundTold(): void {
    const heard = this.session.state()
    const before = this.current.heard
    this.noteTake(heard, before)
    this.patch({ heard })
    const { active, enough } = this.current
    if (!active) return
    // What a simulated player plays is nobody's practice.
    if (!this.habits && heard.summary !== before.summary) this.ports.onHeard(heard.summary)
    // The ladder is climbed by what was heard of as many rounds as a rung has repeats.
    const { proposal, unsettled } = heard
    if (this.listened?.climbs && proposal && unsettled >= enough) this.rate(proposal)
  }

  /** A round that was heard as sound can be listened back to. */
  private noteTake({ rounds }: AlongState, before: AlongState): void {
    const round = rounds.at(-1)
    const line = this.begunWith?.line
    if (!round || !line || round === before.rounds.at(-1)) return
    const { number, told, startedAt, secondsPerTick } = round
    if (this.sounding === null || startedAt === null) return
    const clicks = clicksOfRound(line.clicks?.round ?? [], secondsPerTick)
    this.takes.note({ number, startedAt, told, clicks })
  }

  /** Seconds a tick where the music is; a count-in goes at the tempo of the first bar. */
  private perTickAt(at: Position): number {
    return this.ports.plan(at.phase === 'round' ? at.bar : 0)
  }

  /** Lets everything go. */
  close(): void {
    this.stopListening()
    this.microphone.want(null)
    this.listensTo = null
    this.takes.forget()
  }
}

/** How far the music is from the line's first slot in the first round, in ticks; null where it is over. */
function sinceLine(
  at: Position,
  { bar, lineFrom }: Pick<ReturnType<typeof meantOf>, 'bar' | 'lineFrom'>,
): number | null {
  if (at.phase === 'over') return null
  return (at.phase === 'round' ? at.played : at.tick - bar) - lineFrom
}
