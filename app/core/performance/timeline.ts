import type { Ticks } from '../time'
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
      if (tick >= from && tick < to) found.push(shifted(event, start))
    }
  }
  if (from < countInTicks) take(performance.countIn, 0)
  const first = Math.max(0, Math.floor((from - countInTicks) / roundTicks))
  const last = loop ? Math.ceil((to - countInTicks) / roundTicks) : 1
  for (let round = first; round < last; round += 1) {
    take(
      round === 0 ? performance.firstRound : performance.laterRound,
      countInTicks + round * roundTicks,
    )
  }
  if (!loop && to > countInTicks + roundTicks) take(performance.ending, countInTicks + roundTicks)
  return found
}

/** Where a play tick lies in the music. `tick` counts from the barline of the fill's bar. */
export type Position =
  | { readonly phase: 'count-in'; readonly tick: Ticks }
  | { readonly phase: 'round'; readonly round: number; readonly tick: Ticks }
  | { readonly phase: 'ending'; readonly tick: Ticks }
  | { readonly phase: 'over' }

/** The place of a play tick in the performance. */
export function positionAt(performance: Performance, playTick: Ticks): Position {
  const { countInTicks, roundTicks, endingTicks, barlineTick, loop } = performance
  if (playTick < countInTicks) return { phase: 'count-in', tick: playTick }
  const since = playTick - countInTicks
  const round = Math.floor(since / roundTicks)
  if (loop || round === 0) {
    return { phase: 'round', round, tick: since - round * roundTicks - barlineTick }
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

/** When a play tick sounds, in seconds, derived from the mark and never accumulated. */
export function secondsAt(mark: TempoMark, tick: Ticks): number {
  return mark.seconds + (tick - mark.tick) * mark.secondsPerTick
}

/** The play tick, not rounded, that sounds at a time. */
export function tickAt(mark: TempoMark, seconds: number): number {
  return mark.tick + (seconds - mark.seconds) / mark.secondsPerTick
}
