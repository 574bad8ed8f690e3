import {
  barOf,
  barStart,
  eventsBetween,
  LONGEST_GRACE_MS,
  type Performance,
  type Position,
  positionAt,
  type SoundEvent,
  secondsAt,
  type TempoMark,
  type TempoPlan,
  tickAt,
} from '~/core/performance'
import type { Ticks } from '~/core/time'

/** Where scheduled events go: a kit in a browser, a list in a test. Seconds are the clock's. */
export interface Sink {
  strike(event: SoundEvent, seconds: number, secondsPerTick: number): void
  /** Takes back whatever was to begin at this time or later. */
  cancelFrom(seconds: number): void
}

/**
 * How far ahead events are handed over: longer than the page may be kept busy between two pulses.
 * What was handed over too early is taken back when tempo or content change.
 */
export const AHEAD_SECONDS = 0.5
/** The same while the page is hidden: browsers may let its timers run once a second only. */
export const HIDDEN_AHEAD_SECONDS = 2.5
/** A change takes effect at the first event that is still this far away. */
const CHANGE_LEAD_SECONDS = 0.02

/**
 * Hands the events of a performance to a sink, ahead of time. Every time is derived from its tick
 * and the tempo mark before it; windows are half-open, so none is late, lost or doubled.
 */
export class Scheduler {
  /** In order; the first is where the music began, or was last changed, as far as still needed. */
  private marks: TempoMark[]
  private handedTo: Ticks = 0
  /** The first bar whose tempo is not known yet. */
  private unplanned = 1

  constructor(
    private performance: Performance,
    private plan: TempoPlan,
    startSeconds: number,
    private readonly now: () => number,
    private readonly sink: Sink,
    private readonly ahead: () => number = () => AHEAD_SECONDS,
  ) {
    this.marks = [{ tick: 0, seconds: startSeconds, secondsPerTick: plan(0) }]
  }

  /** Hands over what begins soon. Call it at every pulse; more often does no harm. */
  pulse(): void {
    const now = this.now()
    const horizon = now + this.ahead() + LONGEST_GRACE_MS / 1000
    this.planUntil(horizon)
    this.forgetBefore(now)
    const to = Math.ceil(tickAt(this.last, horizon))
    if (to <= this.handedTo) return
    for (const event of eventsBetween(this.performance, this.handedTo, to)) {
      const mark = this.markAtTick(event.tick)
      this.sink.strike(event, secondsAt(mark, event.tick), mark.secondsPerTick)
    }
    this.handedTo = to
  }

  /** Where the music is now, or at another time of the clock, in seconds. */
  position(at = this.now()): Position {
    return positionAt(this.performance, this.tickAtTime(at))
  }

  get isOver(): boolean {
    return this.position().phase === 'over'
  }

  /**
   * Other tempos, bar by bar. That of the bar which sounds holds from the next stroke on, those of
   * later bars from their barlines.
   */
  setPlan(plan: TempoPlan): void {
    this.plan = plan
    const at = this.nextOnset()
    const mark = this.markAtTick(at)
    this.change({ tick: at, seconds: secondsAt(mark, at), secondsPerTick: this.tempoOf(at) })
  }

  /**
   * Other content, from the next stroke on: the music goes on at the same place of the bar, as far
   * as the new content has it.
   */
  setPerformance(next: Performance): void {
    const at = this.nextOnset()
    const seconds = secondsAt(this.markAtTick(at), at)
    const tick = samePlace(positionAt(this.performance, at), next)
    this.performance = next
    this.change({ tick, seconds, secondsPerTick: this.tempoOf(tick) })
  }

  private change(mark: TempoMark): void {
    this.sink.cancelFrom(mark.seconds - 1e-6)
    // Until then the music goes on as it was; its last tick is that of the new mark.
    this.marks = [...this.marks.filter(({ seconds }) => seconds < mark.seconds), mark]
    this.unplanned = Math.max(0, barOf(this.performance, mark.tick)) + 1
    this.handedTo = mark.tick
    this.pulse()
  }

  /** Marks every barline before a time at which the tempo changes. */
  private planUntil(horizon: number): void {
    for (;;) {
      const tick = barStart(this.performance, this.unplanned)
      const seconds = secondsAt(this.last, tick)
      if (seconds > horizon) return
      const secondsPerTick = this.plan(this.unplanned)
      if (secondsPerTick !== this.last.secondsPerTick) {
        this.marks.push({ tick, seconds, secondsPerTick })
      }
      this.unplanned += 1
    }
  }

  private forgetBefore(now: number): void {
    while ((this.marks[1]?.seconds ?? Number.POSITIVE_INFINITY) < now - 1) this.marks.shift()
  }

  private tempoOf(tick: Ticks): number {
    return this.plan(Math.max(0, barOf(this.performance, tick)))
  }

  private get last(): TempoMark {
    return this.marks.at(-1) as TempoMark
  }

  private markAtTick(tick: Ticks): TempoMark {
    return this.marks.findLast((mark) => mark.tick <= tick) ?? (this.marks[0] as TempoMark)
  }

  private tickAtTime(time: number): Ticks {
    const mark =
      this.marks.findLast(({ seconds }) => seconds <= time) ?? (this.marks[0] as TempoMark)
    return tickAt(mark, time)
  }

  /** The tick of the first event that has not begun yet, or the place reached where there is none. */
  private nextOnset(): Ticks {
    const from = Math.ceil(this.tickAtTime(this.now() + CHANGE_LEAD_SECONDS))
    const soon = eventsBetween(this.performance, from, from + this.performance.roundTicks)
    return soon.reduce((first, { tick }) => Math.min(first, tick), soon[0]?.tick ?? from)
  }
}

function samePlace(position: Position, next: Performance): Ticks {
  const { countInTicks, roundTicks, barlineTick } = next
  switch (position.phase) {
    case 'count-in':
      return Math.min(position.tick, countInTicks)
    case 'round': {
      const inRound = Math.max(0, position.tick + barlineTick)
      return countInTicks + position.round * roundTicks + (inRound % roundTicks)
    }
    case 'ending':
      return countInTicks + Math.max(roundTicks, position.tick + barlineTick)
    case 'over':
      return countInTicks + roundTicks + next.endingTicks
  }
}
