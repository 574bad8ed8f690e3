import { modulo } from '~/core/foundation'
import { type Frame, frameTicks, type Lick, trueSpeed } from '~/core/line'
import { type LickLog, speedJump } from '~/core/log'
import type { SeamRun, Strain } from '~/core/practice'
import {
  barTicks,
  beatTicks,
  type CountingSystem,
  countSyllable,
  findGrid,
  gridName,
  type Ticks,
} from '~/core/time'
import type { PracticeSessionRecord } from '~/storage'
import { plural, tenth } from '../bench/figures'
import { LIMB_NAMES } from '../bench/limb-names'
import type { Phase } from './lights'

/** `3 sessions, 12 minutes; best clean 84, tense at 92`. */
export function logWords({ sessions, seconds, bestClean, tense }: LickLog): string {
  const minutes = Math.round(seconds / 60)
  const time = minutes === 0 ? `${Math.round(seconds)} seconds` : plural(minutes, 'minute')
  const clean = bestClean === null ? 'nothing clean yet' : `best clean ${figure(bestClean)}`
  const tight = tense === null ? '' : `, tense at ${figure(tense)}`
  return `${plural(sessions, 'session')}, ${time}; ${clean}${tight}`
}

/** A tempo to a tenth, without a nought behind the point. */
export function figure(tempo: number): string {
  return String(Math.round(tempo * 10) / 10)
}

/** A syllable as a voice says it. */
const SPOKEN: Readonly<Record<string, string>> = { '&': 'and', e: 'ee', a: 'uh', '?': '', '.': '' }

/** Slots that are shorter than this are not said one by one: no voice is that quick. */
const SAID_FROM_MS = 220

/**
 * What a voice counts at a tick, on a step of so many ticks: the syllable of a slot by the school, or
 * the number of a beat.
 */
export function spokenCount(
  tick: Ticks,
  onSlots: boolean,
  { meter, grid }: Pick<Frame, 'meter' | 'grid'>,
  school: CountingSystem,
): string {
  if (!onSlots) return String(1 + Math.floor(modulo(tick, barTicks(meter)) / beatTicks(meter)))
  const word = countSyllable(tick, grid, meter, school)
  return SPOKEN[word] ?? word
}

/** Whether the slots of a grid are slow enough at a tempo to be said one by one. */
export function saysSlots({ frame }: Lick, tempo: number): boolean {
  const { beat } = frameTicks(frame)
  return trueSpeed(tempo, beat, frame.grid).millisecondsPerSlot >= SAID_FROM_MS
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
export function jumpWords(
  lick: Lick,
  tempo: number,
  sessions: readonly PracticeSessionRecord[],
): string {
  const last = [...sessions].sort((a, b) => a.createdAt - b.createdAt).at(-1)
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

/** From how many in a row a seam is said: a foot's own doubles are as hard as a hand's threes. */
const WORTH_SAYING = { RH: 3, LH: 3, XH: 3, RF: 2, LF: 2 } as const

/** `Over the seam: right hand 3 in a row`; empty where nothing runs on. */
export function seamWords(runs: readonly SeamRun[]): string {
  const said = runs.filter(({ limb, strokes }) => strokes >= WORTH_SAYING[limb])
  if (said.length === 0) return ''
  const each = said.map(({ limb, strokes }) => `${LIMB_NAMES[limb]} ${strokes} in a row`)
  return `over the seam: ${each.join(', ')}`
}

/** `12 min · break in 13`; what is due once the time is over. */
export function breakWords(minutes: number, breakAfter: number): { text: string; due: boolean } {
  const whole = Math.floor(minutes)
  if (breakAfter === 0) return { text: whole > 0 ? `${whole} min` : '', due: false }
  const left = Math.ceil(breakAfter - minutes)
  if (left <= 0) return { text: `${whole} min without a break: time for one`, due: true }
  return { text: `${whole} min · break in ${left}`, due: false }
}
