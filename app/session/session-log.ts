import { repeatsOn, type Standing, standAt } from '~/core/practice'
import { secondsPerTick, type Ticks } from '~/core/time'
import type { HeardSummary } from '~/core/timing'
import type { PracticeSessionRecord } from '~/storage'
import { type Program, tempoAt } from './program'

/** What is trained: a program, and the rungs that were chosen, each from a bar on. */
export type Training = Program & { readonly chosen: readonly Standing[] }

/** A session while it goes on, and the standing on the ladder that it belongs to. */
interface Running {
  readonly stand: Standing
  /** Where it began, in ticks since the count-in. */
  readonly from: Ticks
  readonly session: PracticeSessionRecord
}

/** What a player says of a session. */
type Said = Pick<PracticeSessionRecord, 'rating' | 'tense'>

/** A session keeps so much of what a step is called. */
const MAX_WORDS = 120

/** Less than this was only tried, unless it was rated. */
const MIN_SECONDS = 1

/**
 * The sessions of a training as it goes on. Where the music is tells the rung, the repeats and the
 * seconds: they are worked out from the bars that have sounded, never counted beside them. Each rung
 * is a session of its own; it is saved once it lasted a second, or was rated.
 */
export class SessionLog {
  private running: Running | null = null
  /** The session that something was said of last, as it is now, and what it said before. */
  private said: { session: PracticeSessionRecord; before: Said } | null = null

  constructor(
    private readonly save: (session: PracticeSessionRecord) => void,
    private readonly newId: () => string,
    private readonly now: () => number = Date.now,
  ) {}

  /** Whether somebody plays who leaves no trace. */
  private traceless = false
  /** Whether what follows begins where it is looked at next, and not with its rung. */
  private anew = false

  /** A new start: what follows is a session of its own. */
  begin(): void {
    this.running = null
    this.anew = false
  }

  /**
   * What is played from now on is a simulated player's, and leaves no trace; or it is the player's again, and a
   * session of its own.
   */
  leaveNoTrace(traceless: boolean): void {
    if (traceless === this.traceless) return
    this.write()
    this.running = null
    this.anew = !traceless
    this.traceless = traceless
  }

  /**
   * Takes down where the music is: a bar, counted from 0 after the count-in, and the ticks played since
   * then. Returns the repeats on this rung.
   */
  look(training: Training, bar: number, played: Ticks): number {
    const { climb, chosen } = training
    const stand = standAt(chosen, bar, climb)
    if (this.traceless) return repeatsOn(stand, played, climb)
    const before = this.running
    if (before && !sameStand(before.stand, stand)) {
      // The rung before ended where this one began.
      this.running = measured(before, stand.bar * climb.barTicks, training)
      this.write()
    }
    const tempo = tempoAt(training, stand.rung)
    const known = this.running
    const same = known && sameStand(known.stand, stand) && known.session.tempo === tempo
    const from = this.anew ? played : stand.bar * climb.barTicks
    this.anew = false
    const now = same ? known : { stand, from, session: this.newSession(training, tempo) }
    this.running = measured(now, played, training)
    return this.running.session.repeats
  }

  /** The session that goes on, or was played last; null where nobody's is written down. */
  get sessionId(): string | null {
    return this.traceless ? null : (this.running?.session.id ?? null)
  }

  /** Says how it went. What is said before the first look is about the rung it begins on. */
  say(training: Training, said: Partial<Said>): void {
    if (this.traceless) return
    const stand = standAt(training.chosen, 0, training.climb)
    const now = this.running ?? {
      stand,
      from: stand.bar * training.climb.barTicks,
      session: this.newSession(training, tempoAt(training, stand.rung)),
    }
    const { rating, tense } = now.session
    this.running = { ...now, session: { ...now.session, ...said } }
    this.said = { session: this.running.session, before: { rating, tense } }
    this.write()
  }

  /** Takes down what was heard of the session that is running; nothing where none is. */
  hear(summary: HeardSummary | null): void {
    if (!this.running) return
    const heard = summary && { ...summary, limbs: [...summary.limbs] }
    this.running = { ...this.running, session: { ...this.running.session, heard } }
  }

  /** Takes back what was said last; nothing where nothing was. */
  unsay(): void {
    const { said } = this
    if (!said) return
    this.said = null
    const { running } = this
    if (running?.session.id === said.session.id) {
      this.running = { ...running, session: { ...running.session, ...said.before } }
      this.save(this.running.session)
    } else this.save({ ...said.session, ...said.before })
  }

  /** Saves what is running, where that is worth it. */
  write(): void {
    const session = this.running?.session
    if (!session) return
    if (this.said?.session.id === session.id) this.said = { ...this.said, session }
    const said = session.rating !== null || session.tense
    if (said || session.seconds >= MIN_SECONDS) this.save(session)
  }

  private newSession(
    { lickId, part, words, grid, form }: Training,
    tempo: number,
  ): PracticeSessionRecord {
    return {
      id: this.newId(),
      version: 3,
      lickId,
      createdAt: this.now(),
      part,
      step: words.slice(0, MAX_WORDS),
      tempo,
      repeats: 0,
      seconds: 0,
      rating: null,
      tense: false,
      grid,
      form,
      note: '',
      heard: null,
    }
  }
}

function sameStand(a: Standing, b: Standing): boolean {
  return a.bar === b.bar && a.rung === b.rung
}

/** A session with its repeats and seconds up to a tick since the count-in. */
function measured(running: Running, played: Ticks, { climb, beat }: Training): Running {
  const { stand, from, session } = running
  const ticks = Math.max(0, played - from)
  const seconds = Math.round(ticks * secondsPerTick(session.tempo, beat) * 10) / 10
  return {
    stand,
    from,
    session: {
      ...session,
      repeats: repeatsOn(stand, played, climb) - repeatsOn(stand, from, climb),
      seconds,
    },
  }
}
