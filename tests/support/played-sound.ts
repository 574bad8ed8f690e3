import { type Performance, positionAt, type TempoPlan } from '~/core/performance'
import { Playback, type Sound } from '~/session/playback'
import { SessionLog } from '~/session/session-log'
import type { PracticeSessionRecord } from '~/storage'

/**
 * A device without a sound, whose music goes on when it is told to: what plays beside it can be asked for every
 * tick. Its time goes on by the plan, bar by bar.
 */
export class SilentDevice {
  performance: Performance | null = null
  plan: TempoPlan = () => 1
  /** The play tick that it is at, from the count-in, and seconds since it was made. */
  tick = 0
  seconds = 0
  /** Ticks and seconds of rounds, without what counted in. */
  soundedTicks = 0
  soundedSeconds = 0
  readonly muted = new Map<string, number>()
  soft = false
  private ticking: { readonly ms: number; readonly work: () => void; due: number }[] = []

  /** The clock that goes along with it. */
  readonly clock = {
    now: () => this.seconds * 1000,
    every: (ms: number, work: () => void) => {
      const timer = { ms, work, due: this.seconds * 1000 + ms }
      this.ticking.push(timer)
      return () => {
        this.ticking = this.ticking.filter((one) => one !== timer)
      }
    },
  }

  private readonly sound: Sound = {
    play: async (performance, plan) => {
      this.performance = performance
      this.plan = plan
      this.tick = 0
    },
    stop: () => {
      this.performance = null
    },
    setPlan: (plan) => {
      this.plan = plan
    },
    setPerformance: (performance) => {
      this.performance = performance
    },
    setVolume: (channel, volume) => void this.muted.set(channel, volume),
    setSoftClick: (soft) => {
      this.soft = soft
    },
    level: () => 0,
    position: (ahead = 0) =>
      this.performance
        ? positionAt(this.performance, this.tick + ahead / this.perTick())
        : undefined,
    close: () => {
      this.performance = null
    },
  }

  /** A playback on it; what is opened is there a moment later, or when `opening` resolves. */
  readonly open =
    (opening: Promise<unknown> = Promise.resolve()) =>
    (onChange: (playing: boolean, trouble: string) => void): Playback =>
      new Playback(
        async () => {
          await opening
          return this.sound
        },
        (state, trouble) => onChange(state !== 'silent', trouble),
      )

  private perTick(): number {
    const at = this.performance && positionAt(this.performance, this.tick)
    return this.plan(at?.phase === 'round' ? at.bar : 0)
  }

  /** Lets the music go on by so many ticks, and everything that looks at it look. */
  advance(ticks: number, step = 420): void {
    for (let done = 0; done < ticks; done += step) {
      const by = Math.min(step, ticks - done)
      const seconds = by * this.perTick()
      if (this.performance) {
        const { countInTicks } = this.performance
        const sounded = Math.max(0, this.tick + by - Math.max(this.tick, countInTicks))
        this.soundedTicks += sounded
        this.soundedSeconds += (seconds * sounded) / by
        this.tick += by
      }
      this.seconds += seconds
      for (const timer of [...this.ticking]) {
        if (timer.due > this.seconds * 1000) continue
        timer.due = this.seconds * 1000 + timer.ms
        timer.work()
      }
    }
  }
}

/** A log of practice, and all that it has saved. */
export function savedLog() {
  const saved = new Map<string, PracticeSessionRecord>()
  let id = 0
  const log = new SessionLog(
    (session) => saved.set(session.id, session),
    () => {
      id += 1
      return String(id)
    },
    () => 0,
  )
  return { log, sessions: () => [...saved.values()] }
}

/** Lets everything that waits for nothing but a promise come about. */
export const settled = () => new Promise<void>((done) => setTimeout(done, 0))
