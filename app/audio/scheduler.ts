import {
  eventsBetween,
  LONGEST_GRACE_MS,
  type Performance,
  type Position,
  positionAt,
  type SoundEvent,
  secondsAt,
  type TempoMark,
  tickAt,
} from '~/core/performance'
import type { Ticks } from '~/core/time'

/** Where scheduled events go: a kit in a browser, a list in a test. Seconds are the clock's. */
export interface Sink {
  strike(event: SoundEvent, seconds: number, secondsPerTick: number): void
  /** Takes back whatever was to begin at this time or later. */
  cancelFrom(seconds: number): void
}

/** How far ahead events are handed over: longer than a pulse of the ticker may be late. */
export const AHEAD_SECONDS = 0.12
/** A change takes effect at the first event that is still this far away. */
const CHANGE_LEAD_SECONDS = 0.02

/**
 * Hands the events of a performance to a sink, ahead of time. Every time is derived from its tick
 * and the last tempo mark; windows are half-open, so none is late, lost or doubled.
 */
export class Scheduler {
  private mark: TempoMark
  private before: TempoMark
  private handedTo: Ticks = 0

  constructor(
    private performance: Performance,
    secondsPerTick: number,
    startSeconds: number,
    private readonly now: () => number,
    private readonly sink: Sink,
  ) {
    this.mark = { tick: 0, seconds: startSeconds, secondsPerTick }
    this.before = this.mark
  }

  /** Hands over what begins soon. Call it at every pulse; more often does no harm. */
  pulse(): void {
    const horizon = this.now() + AHEAD_SECONDS + LONGEST_GRACE_MS / 1000
    const to = Math.ceil(tickAt(this.mark, horizon))
    if (to <= this.handedTo) return
    for (const event of eventsBetween(this.performance, this.handedTo, to)) {
      this.sink.strike(event, secondsAt(this.mark, event.tick), this.mark.secondsPerTick)
    }
    this.handedTo = to
  }

  /** Where the music is, for a cursor. */
  position(): Position {
    const now = this.now()
    const mark = now < this.mark.seconds ? this.before : this.mark
    return positionAt(this.performance, tickAt(mark, now))
  }

  get isOver(): boolean {
    return this.position().phase === 'over'
  }

  /** Another tempo, from the next stroke on. */
  setTempo(secondsPerTick: number): void {
    if (secondsPerTick === this.mark.secondsPerTick) return
    const at = this.nextOnset()
    this.change(at, { tick: at, seconds: secondsAt(this.mark, at), secondsPerTick })
  }

  /**
   * Other content, from the next stroke on: the music goes on at the same place of the bar, as far
   * as the new content has it.
   */
  setPerformance(next: Performance): void {
    const at = this.nextOnset()
    const seconds = secondsAt(this.mark, at)
    const tick = samePlace(positionAt(this.performance, at), next)
    this.performance = next
    this.change(tick, { ...this.mark, tick, seconds })
  }

  private change(tick: Ticks, mark: TempoMark): void {
    this.sink.cancelFrom(mark.seconds - 1e-6)
    this.before = this.mark
    this.mark = mark
    this.handedTo = tick
    this.pulse()
  }

  /** The tick of the first event that has not begun yet, or the place reached where there is none. */
  private nextOnset(): Ticks {
    const from = Math.ceil(tickAt(this.mark, this.now() + CHANGE_LEAD_SECONDS))
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
