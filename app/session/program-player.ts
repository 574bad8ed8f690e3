import type { Rating } from '~/core/log'
import type { Performance, Position, TempoPlan } from '~/core/performance'
import { chooseRung, nextRung, type Standing, standAt } from '~/core/practice'
import { secondsPerTick } from '~/core/time'
import type { HeardSummary } from '~/core/timing'
import { Slices } from '~/workspace/slices'
import type { Playback } from './playback'
import { type Program, tempoAt } from './program'
import type { SessionLog } from './session-log'

/** Where a session stands. */
export interface PlayerState {
  /** Whether something sounds, or will as soon as the sound is open. */
  readonly playing: boolean
  /** Why nothing is heard, in words; empty where all is well. */
  readonly trouble: string
  /** The rungs that were chosen, each from a bar on. */
  readonly chosen: readonly Standing[]
  /** The bar that sounds, from 0 after the count-in, and the repeats on its rung so far. */
  readonly bar: number
  readonly done: number
}

/** What a player asks of the page's clock. */
export interface Clock {
  /** Milliseconds of a clock that goes on evenly. */
  readonly now: () => number
  /** Calls back every so many milliseconds. Returns the way to stop. */
  readonly every: (ms: number, work: () => void) => () => void
}

export const PAGE_CLOCK: Clock = {
  now: () => performance.now(),
  every: (ms, work) => {
    const timer = setInterval(work, ms)
    return () => clearInterval(timer)
  },
}

/** How often what is running is looked at, and written down: until the last second it is in the log. */
const LOOK_MS = 200
const SAVE_MS = 1000

const GROUND: readonly Standing[] = [{ bar: 0, rung: 0 }]

/**
 * Plays a program up its ladder, and writes its sessions. Where the music is tells the rung, the repeats and the
 * session: they are worked out from the bars that have sounded, never counted beside them. States: silent, or
 * playing; a program that is taken while it plays goes over at its next stroke, or begins anew where it is
 * another music.
 *
 * @example player.take(program); player.begin(); player.rate('clean'); player.stop()
 */
export class ProgramPlayer extends Slices<PlayerState> {
  private program: Program | null = null
  private playback: Playback | null = null
  private hasPlayed = false
  private stopLooking: (() => void) | undefined
  private savedAt = 0

  /** `open` makes the sound, and is asked once; the log saves what it is told. */
  constructor(
    private readonly open: (onChange: (playing: boolean, trouble: string) => void) => Playback,
    private readonly log: SessionLog,
    private readonly clock: Clock = PAGE_CLOCK,
  ) {
    super({ playing: false, trouble: '', chosen: GROUND, bar: 0, done: 0 })
  }

  /** The sound, made at the first need of it. */
  get sound(): Playback {
    this.playback ??= this.open(this.changed)
    return this.playback
  }

  /** The rung that sounds, or will from where what is played comes round next. */
  get rung(): number {
    const wanted = this.pending?.rung ?? this.standing.rung
    return Math.max(0, Math.min(wanted, (this.program?.tempos.length ?? 1) - 1))
  }

  /** The tempo that sounds, in beats per minute. */
  get tempo(): number {
    return this.program ? tempoAt(this.program, this.standing.rung) : 80
  }

  /** The tempo that comes with the next round; null where it stays. */
  get nextTempo(): number | null {
    const { pending, standing, program } = this
    return pending && program && pending.rung !== standing.rung
      ? tempoAt(program, pending.rung)
      : null
  }

  /** Seconds a tick in every bar that is played. */
  readonly plan: TempoPlan = (bar) => {
    const { program } = this
    if (!program) return 1
    const { chosen } = this.current
    return secondsPerTick(tempoAt(program, standAt(chosen, bar, program.climb).rung), program.beat)
  }

  /** Where the music is, or will be so many seconds ahead. */
  readonly position = (ahead = 0): Position | undefined => this.playback?.position(ahead)

  private get standing(): Standing {
    const { chosen, bar } = this.current
    return this.program ? standAt(chosen, bar, this.program.climb) : (GROUND[0] as Standing)
  }

  /** A rung that was chosen and does not sound yet. */
  private get pending(): Standing | undefined {
    const { playing, chosen, bar } = this.current
    const last = chosen.at(-1)
    return playing && last && last.bar > bar ? last : undefined
  }

  /**
   * Takes what is to be played from now on; null for nothing, which is silent. Another music begins on the rung
   * that stands, or on one that is given.
   */
  take(program: Program | null, rung?: number): void {
    const before = this.program
    if (program === before) return
    const { playing } = this.current
    // What sounded up to now was the music before.
    if (playing && before?.music !== program?.music) this.look()
    this.program = program
    if (!playing) {
      if (rung !== undefined) this.patch({ chosen: [{ bar: 0, rung }], bar: 0, done: 0 })
      return
    }
    if (!program) this.stop()
    else if (before?.music !== program.music) this.start(rung ?? this.rung)
    else {
      this.sound.setPlan(this.plan)
      if (before.compose !== program.compose) this.sound.setPerformance(program.compose())
    }
  }

  /** Begins from the top, on the rung that stands; nothing where there is nothing to play. */
  begin(): void {
    if (!this.program) return
    if (this.current.playing) this.look()
    this.start(this.rung)
  }

  private start(rung: number): void {
    this.hasPlayed = true
    this.patch({ chosen: [{ bar: 0, rung }], bar: 0, done: 0 })
    this.log.write()
    this.log.begin()
    void this.sound.start({ compose: this.compose, plan: () => this.plan })
  }

  private readonly compose = (): Performance => {
    if (!this.program) throw new RangeError('nothing to play')
    return this.program.compose()
  }

  stop(): void {
    // Up to the last stroke, not to the last look.
    if (this.current.playing) this.look()
    this.playback?.stop()
  }

  readonly toggle = (): void => (this.current.playing ? this.stop() : this.begin())

  private readonly changed = (playing: boolean, trouble: string): void => {
    this.patch({ playing, trouble })
    if (playing && !this.stopLooking) {
      this.savedAt = this.clock.now()
      this.stopLooking = this.clock.every(LOOK_MS, this.look)
    }
    if (playing) return
    this.stopLooking?.()
    this.stopLooking = undefined
    this.write()
  }

  private readonly look = (): void => {
    const at = this.position()
    if (at?.phase !== 'round' || !this.program) return
    const { chosen, bar, done } = this.current
    const repeats = this.log.look({ ...this.program, chosen }, at.bar, at.played)
    if (bar !== at.bar || done !== repeats) this.patch({ bar: at.bar, done: repeats })
    if (this.clock.now() - this.savedAt >= SAVE_MS) this.write()
  }

  /** Writes down what is running: now and then, in silence, and when the page is left. */
  readonly write = (): void => {
    this.savedAt = this.clock.now()
    this.log.write()
  }

  /** Goes to a rung: at once in silence, else from where what is played comes round. */
  go(rung: number): void {
    if (!this.program) return
    const at = this.position()
    const bar = this.current.playing && at?.phase === 'round' ? at.bar : null
    const chosen = chooseRung(this.current.chosen, rung, bar, this.program.climb)
    this.patch(bar === null ? { chosen, bar: 0, done: 0 } : { chosen })
    this.playback?.setPlan(this.plan)
  }

  /** The ladder was changed: what stood on a rung stands on another from now on, and sounds on. */
  remap(to: (rung: number) => number): void {
    const chosen = this.current.chosen.map(({ bar, rung }) => ({ bar, rung: to(rung) }))
    this.patch({ chosen })
  }

  /** Goes to the rung that follows from how it went. */
  climbBy(rating: Rating): void {
    if (this.program) this.go(nextRung(this.rung, this.program.tempos.length, rating))
  }

  /** Says how it went, and goes on from there; where to is another's choice if it is told. */
  rate(rating: Rating, to: (() => void) | null = null): void {
    this.say({ rating })
    if (to) to()
    else this.climbBy(rating)
  }

  /** The session that goes on, or was played last; null where none is written down. */
  get sessionId(): string | null {
    return this.log.sessionId
  }

  /** Takes back how it was rated last. */
  unrate(): void {
    this.log.unsay()
  }

  readonly feelsTense = (): void => this.say({ tense: true })

  /** Takes down what was heard so far at this tempo; null where nothing was. */
  hear(heard: HeardSummary | null): void {
    this.log.hear(heard)
  }

  /** What is played is a simulated player's, and leaves no trace; or the player's own again. */
  leaveNoTrace(traceless: boolean): void {
    this.log.leaveNoTrace(traceless)
  }

  private say(said: { rating: Rating } | { tense: true }): void {
    // In silence there is nothing to rate but what has just been played.
    const { playing, chosen } = this.current
    if (this.program && (playing || this.hasPlayed)) this.log.say({ ...this.program, chosen }, said)
  }

  /** Ends for good, with what was played written down. */
  close(): void {
    this.stop()
    this.write()
    this.playback?.close()
    this.playback = null
  }
}
