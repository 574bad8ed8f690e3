import { frameTicks, type Lick, trueSpeed } from '~/core/line'
import { type LickLog, speedJump } from '~/core/log'
import type { Strain } from '~/core/practice'
import { findGrid, gridName } from '~/core/time'
import type { SittingRecord } from '~/storage'
import { plural, tenth } from '../bench/figures'
import { LIMB_NAMES } from '../bench/limb-names'
import type { Phase } from './lights'

/** `3 sittings, 12 minutes; best clean 84, tense at 92`. */
export function logWords({ sittings, seconds, bestClean, tense }: LickLog): string {
  const minutes = Math.round(seconds / 60)
  const time = minutes === 0 ? `${Math.round(seconds)} seconds` : plural(minutes, 'minute')
  const clean = bestClean === null ? 'nothing clean yet' : `best clean ${figure(bestClean)}`
  const tight = tense === null ? '' : `, tense at ${figure(tense)}`
  return `${plural(sittings, 'sitting')}, ${time}; ${clean}${tight}`
}

/** A tempo to a tenth, without a nought behind the point. */
export function figure(tempo: number): string {
  return String(Math.round(tempo * 10) / 10)
}

/**
 * `fill, bar 1 of 2`, `groove`, `counting in`; `space starts` in silence. `bars` are those of the fill;
 * 0 where it goes over and over.
 */
export function phaseWords({ name, bar }: Phase, { frame }: Lick, bars: number): string {
  switch (name) {
    case 'still':
      return 'space starts'
    case 'count-in':
      return 'counting in'
    case 'groove':
      return frame.lead > 1 && bar <= frame.lead ? `groove, bar ${bar} of ${frame.lead}` : 'groove'
    case 'fill':
      if (bars === 0) return 'over and over'
      return bars > 1 ? `fill, bar ${bar} of ${bars}` : 'fill'
  }
}

/** `288 strokes a minute, 208.3 ms a slot`: what a tempo really asks for on the lick's grid. */
export function speedWords({ frame }: Lick, tempo: number): string {
  const speed = trueSpeed(tempo, frameTicks(frame).beat, frame.grid)
  return `${Math.round(speed.strokesPerMinute)} strokes a minute, ${tenth(speed.millisecondsPerSlot)} ms a slot`
}

/** From where a change of grid is told as a jump. */
const JUMP = 1.25

/**
 * A warning where the same figure on the metronome is another speed than last time, since the lick is
 * on another grid now; empty where it is not.
 */
export function jumpWords(lick: Lick, tempo: number, sittings: readonly SittingRecord[]): string {
  const last = [...sittings].sort((a, b) => a.createdAt - b.createdAt).at(-1)
  const grid = last && findGrid(last.grid)
  if (!last || !grid || gridName(grid) === gridName(lick.frame.grid)) return ''
  const jump = speedJump({ tempo: last.tempo, grid }, { tempo, grid: lick.frame.grid })
  if (jump < JUMP) return ''
  return `${figure(tempo)} in ${gridName(lick.frame.grid)} is ${jump.toFixed(2)} times as fast as ${figure(last.tempo)} in ${last.grid}, as it was last time.`
}

/** `kick: 163.0 ms, where it needs 170: slower, or not for long`. */
export function strainWords({ move, haveMs }: Strain): string {
  return `${LIMB_NAMES[move.limb]}: ${tenth(haveMs)} ms from stroke to stroke, where it needs ${Math.round(move.needMs)}. Slower, or not for long.`
}

/** `12 min · break in 13`; what is due once the time is over. */
export function breakWords(minutes: number, breakAfter: number): { text: string; due: boolean } {
  const whole = Math.floor(minutes)
  if (breakAfter === 0) return { text: whole > 0 ? `${whole} min` : '', due: false }
  const left = Math.ceil(breakAfter - minutes)
  if (left <= 0) return { text: `${whole} min without a break: time for one`, due: true }
  return { text: `${whole} min · break in ${left}`, due: false }
}
