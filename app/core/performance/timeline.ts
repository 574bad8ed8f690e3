import type { Ticks } from '../time'
import { isDropped } from './clicks'
import { type SoundEvent, shifted } from './events'
import type { Performance } from './performance'

/**
 * Everything that begins in the half-open window [from, to), in play ticks: 0 is the start of the
 * count-in, and rounds follow without end in a loop. Neighbouring windows share nothing and miss
 * nothing. Every tick is its round's start plus its own: nothing is added up.
 */
export function eventsBetween(performance: Performance, from: Ticks, to: Ticks): SoundEvent[] {
  const { countInTicks, roundTicks, loop } = performance
  const found: SoundEvent[] = []
  const take = (events: readonly SoundEvent[], start: Ticks) => {
    for (const event of events) {
      const tick = start + event.tick
      if (tick >= from && tick < to && !isSilent(performance, event, tick)) {
        found.push(shifted(event, start))
      }
    }
  }
  if (from < countInTicks) take(performance.countIn, 0)
  const first = Math.max(0, Math.floor((from - countInTicks) / roundTicks))
  // A pick-up belongs to the first round, and may lie before it.
  const last = loop ? Math.max(1, Math.ceil((to - countInTicks) / roundTicks)) : 1
  for (let round = first; round < last; round += 1) {
    take(performance.round(round), countInTicks + round * roundTicks)
  }
  if (!loop && to > countInTicks + roundTicks) take(performance.ending, countInTicks + roundTicks)
  return found
}

/** A click of the player's own is silent in the bars that are dropped; a count-in never is. */
function isSilent(performance: Performance, event: SoundEvent, tick: Ticks): boolean {
  if (event.kind !== 'click' || event.countIn) return false
  return isDropped(performance.dropOut, barOf(performance, tick))
}

/**
 * The bar of a play tick, counted from 0 after the count-in; negative in it. Where the bars of a round
 * differ, it is found among them by halving.
 */
export function barOf(performance: Performance, tick: Ticks): number {
  const { countInTicks, barTicks, barlines, roundTicks } = performance
  const since = tick - countInTicks
  if (!barlines || since < 0) return Math.floor(since / barTicks)
  const round = Math.floor(since / roundTicks)
  const within = since - round * roundTicks
  let [low, high] = [0, barlines.length]
  while (high - low > 1) {
    const middle = (low + high) >> 1
    if ((barlines[middle] as Ticks) <= within) low = middle
    else high = middle
  }
  return round * barlines.length + low
}

/** The play tick at which a bar begins, counted from 0 after the count-in. */
export function barStart(performance: Performance, bar: number): Ticks {
  const { countInTicks, barTicks, barlines, roundTicks } = performance
  if (!barlines || bar < 0) return countInTicks + bar * barTicks
  const round = Math.floor(bar / barlines.length)
  return countInTicks + round * roundTicks + (barlines[bar - round * barlines.length] as Ticks)
}

/** The tempo of every bar, in seconds a tick; the count-in goes at that of bar 0. */
export type TempoPlan = (bar: number) => number

/**
 * When a play tick sounds by a plan, in seconds from the start: whole bars before it, each at its own
 * tempo, and its part of the bar it lies in.
 */
export function plannedSeconds(performance: Performance, plan: TempoPlan, tick: Ticks): number {
  const bar = barOf(performance, tick)
  if (bar < 0) return tick * plan(0)
  let start = barStart(performance, 0)
  let seconds = start * plan(0)
  for (let before = 0; before < bar; before += 1) {
    const next = barStart(performance, before + 1)
    seconds += (next - start) * plan(before)
    start = next
  }
  return seconds + (tick - start) * plan(bar)
}

/** Where a play tick lies in the music. `tick` counts from the barline of the fill's bar. */
export type Position =
  | { readonly phase: 'count-in'; readonly tick: Ticks }
  | {
      readonly phase: 'round'
      readonly round: number
      readonly tick: Ticks
      /** From 0 after the count-in. */
      readonly bar: number
      /** Ticks since the end of the count-in. */
      readonly played: Ticks
    }
  | { readonly phase: 'ending'; readonly tick: Ticks }
  | { readonly phase: 'over' }

/** The place of a play tick in the performance. */
export function positionAt(performance: Performance, playTick: Ticks): Position {
  const { countInTicks, roundTicks, endingTicks, barlineTick, loop } = performance
  if (playTick < countInTicks) return { phase: 'count-in', tick: playTick }
  const since = playTick - countInTicks
  const round = Math.floor(since / roundTicks)
  if (loop || round === 0) {
    const bar = barOf(performance, playTick)
    const tick = since - round * roundTicks - barlineTick
    return { phase: 'round', round, tick, bar, played: since }
  }
  const tick = since - barlineTick
  return since < roundTicks + endingTicks ? { phase: 'ending', tick } : { phase: 'over' }
}

/** A tempo from a play tick on: what turns ticks into seconds and back. */
export interface TempoMark {
  readonly tick: Ticks
  readonly seconds: number
  readonly secondsPerTick: number
}

/**
 * When a play tick sounds, in seconds, derived from the mark and never accumulated.
 *
 * @example secondsAt({ tick: 0, seconds: 0, secondsPerTick: 1 / 10080 }, 20160) // 2
 */
export function secondsAt(mark: TempoMark, tick: Ticks): number {
  return mark.seconds + (tick - mark.tick) * mark.secondsPerTick
}

/**
 * The play tick, not rounded, that sounds at a time.
 *
 * @example tickAt({ tick: 0, seconds: 0, secondsPerTick: 1 / 10080 }, 2) // 20160
 */
export function tickAt(mark: TempoMark, seconds: number): number {
  return mark.tick + (seconds - mark.seconds) / mark.secondsPerTick
}
