import { roundHalfUp } from '../foundation'
import { gridTicks, type Ticks } from '../time'
import { frameTicks, type Lick } from './lick'
import { lineTicks } from './line'

/** Where a line begins and ends, and the downbeat that it aims at, in ticks. */
export interface Aim {
  readonly start: Ticks
  readonly end: Ticks
  /** The barline aimed at, or with a beat landing the beat. */
  readonly target: Ticks
  /** The bar, from 1, that the target ends or lies in. */
  readonly bars: number
}

/**
 * The downbeat a line aims at: its `bars`, else the barline nearest to its end, halves going up,
 * at least one bar on; with a beat landing the nearest beat, at least one after the start's own.
 */
export function aimOf(lick: Lick): Aim {
  const { frame } = lick
  const { bar, beat } = frameTicks(frame)
  const start = frame.start
  const end = start + lineTicks(lick.line, frame.grid)
  if (frame.landing.at === 'beat') {
    const nextBeat = Math.floor(start / beat) + 1
    const target = Math.max(nextBeat, roundHalfUp(end / beat)) * beat
    return { start, end, target, bars: Math.ceil(target / bar) }
  }
  const bars = frame.bars ?? Math.max(1, roundHalfUp(end / bar))
  return { start, end, target: bars * bar, bars }
}

/** Ticks as slots of the text's own grid; a fraction where the line left that grid. */
export function toSlots(ticks: Ticks, lick: Lick): number {
  return ticks / gridTicks(lick.frame.grid)
}
