import { modulo } from '~/core/foundation'
import { frameTicks, type Lick, lickSlots, lineEvents, trueSpeed } from '~/core/line'
import { type LickLog, type StepLog, speedJump } from '~/core/log'
import {
  bySpeed,
  DEFAULT_CAP,
  type GridRung,
  onlyGrid,
  type SeamRun,
  type Strain,
} from '~/core/practice'
import {
  barTicks,
  beatTicks,
  type CountingSystem,
  countedGrid,
  countSyllable,
  findGrid,
  gridName,
  gridTicks,
  secondsPerTick,
  type Ticks,
} from '~/core/time'
import type { PracticeSessionRecord, Settings } from '~/storage'
import { listWords, plural, tempoFigure, wholeMs } from '~/words/figures'
import { LIMB_NAMES } from '~/words/limb-names'
import { cleanWords } from '~/words/practice-words'
import type { Phase } from './lights'
import { stillWords } from './still-words'

/** `3 sessions, 12 minutes; clean at 84, tense at 92`. */
export function logWords(log: LickLog): string {
  const { sessions, seconds, tense } = log
  const minutes = Math.round(seconds / 60)
  const time = minutes === 0 ? plural(Math.round(seconds), 'second') : plural(minutes, 'minute')
  const tight = tense === null ? '' : `, tense at ${tempoFigure(tense)}`
  return `${plural(sessions, 'session')}, ${time}; ${cleanWords(log)}${tight}`
}

/** A syllable as a voice says it. */
const SPOKEN: Readonly<Record<string, string>> = { '&': 'and', e: 'ee', a: 'uh', '?': '', '.': '' }

/** Slots that are shorter than this are not said one by one: no voice is that quick. */
const SAID_FROM_MS = 220

/** What a voice counts: every so many ticks the words of that tick. */
export interface VoiceCount {
  readonly step: Ticks
  readonly wordsAt: (tick: Ticks) => string
}

/**
 * What a voice counts while a lick is heard: its slots, or the strokes of each of its groups, where they
 * are slow enough; else the beats. Sextuplets may be counted in eighths.
 */
export function voiceCount(
  lick: Lick,
  tempo: number,
  counting: CountingSystem,
  { voiceSays, sextupletsInEighths }: Pick<Settings, 'voiceSays' | 'sextupletsInEighths'>,
): VoiceCount {
  const { meter } = lick.frame
  const { beat } = frameTicks(lick.frame)
  const grid = countedGrid(lick.frame.grid, sextupletsInEighths)
  const slow = trueSpeed(tempo, beat, grid).millisecondsPerSlot >= SAID_FROM_MS
  if (!slow) {
    return {
      step: beat,
      wordsAt: (tick) => String(1 + Math.floor(modulo(tick, barTicks(meter)) / beatTicks(meter))),
    }
  }
  if (voiceSays === 'strokes') {
    const numbers = strokeNumbers(lick)
    return { step: gridTicks(grid), wordsAt: (tick) => numbers.get(tick) ?? '' }
  }
  const wordsAt = (tick: Ticks) => {
    const word = countSyllable(tick, grid, meter, counting)
    return SPOKEN[word] ?? word
  }
  return { step: gridTicks(grid), wordsAt }
}

/** The number of every stroke in its group, by tick: `RLL-RK` is counted 1 2 3, then 4 5. */
function strokeNumbers(lick: Lick): ReadonlyMap<Ticks, string> {
  const numbers = new Map<Ticks, string>()
  let [group, number] = [-1, 0]
  for (const slot of lickSlots(lick)) {
    if (slot.group !== group) [group, number] = [slot.group, 0]
    if (slot.content.kind === 'rest') continue
    number += 1
    numbers.set(slot.tick, String(number))
  }
  return numbers
}

/**
 * `fill, bar 1 of 2`, `groove`, `counting in`; how to start in silence. `bars` are those of the fill;
 * 0 where it goes over and over.
 */
export function phaseWords({ name, bar }: Phase, { frame }: Lick, bars: number): string {
  switch (name) {
    case 'still':
      return stillWords()
    case 'count-in':
      return 'counting in'
    case 'groove':
      return frame.lead > 1 && bar <= frame.lead ? `groove, bar ${bar} of ${frame.lead}` : 'groove'
    case 'fill':
      if (bars === 0) return 'loop'
      return bars > 1 ? `fill, bar ${bar} of ${bars}` : 'fill'
  }
}

/**
 * `160 strokes a minute, 375 ms apart`; where the gaps between strokes differ, from the widest to the
 * narrowest. What is counted are the onsets of the line, not its slots.
 */
export function speedWords(lick: Lick, tempo: number): string {
  const onsets = [...new Set(lineEvents(lick).map(({ tick }) => tick))]
  const gaps = onsets.slice(1).map((tick, i) => tick - (onsets[i] as Ticks))
  if (gaps.length === 0) return plural(onsets.length, 'stroke')
  const perTick = secondsPerTick(tempo, frameTicks(lick.frame).beat) * 1000
  const [wide, narrow] = [Math.max(...gaps) * perTick, Math.min(...gaps) * perTick]
  const rate = (ms: number) => String(Math.round(60_000 / ms))
  const range = (a: string, b: string) => (a === b ? a : `${a} to ${b}`)
  return `${range(rate(wide), rate(narrow))} strokes a minute, ${range(wholeMs(wide), wholeMs(narrow))} ms apart`
}

/** `clean at 84`, `tense at 92`, `not clean yet`: what the log says of one step. */
export function stepLogWords({ bestClean, tense }: StepLog): string {
  const clean = cleanWords({ bestClean })
  return tense === null ? clean : `${clean}, tense at ${tempoFigure(tense)}`
}

/**
 * The jumps of a ladder where one is above the cap: `Steps of 26 % and 25 %, above the usual 12 %.`
 * Empty where none is. Over several grids they are of strokes a minute.
 */
export function ladderJumpWords(rungs: readonly GridRung[], beat: Ticks): string {
  const ordered = bySpeed(rungs, beat)
  const jumps = ordered.flatMap(({ jump }) => (jump === null ? [] : [jump]))
  if (jumps.every((jump) => jump <= LARGEST_STEP)) return ''
  const speeds = onlyGrid(rungs)
    ? ''
    : `${listWords(ordered.map(({ perMinute }) => String(Math.round(perMinute))))} strokes a minute. `
  const steps = jumps.length === 1 ? 'A step' : 'Steps'
  return `${speeds}${steps} of ${listWords(jumps.map(percent))}, above the usual ${percent(DEFAULT_CAP)}.`
}

/** Whole tempos may be a little over the cap by rounding. */
const LARGEST_STEP = DEFAULT_CAP + 0.005

function percent(share: number): string {
  return `${Math.round(share * 100)} %`
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
  return `${tempoFigure(tempo)} in ${gridName(lick.frame.grid)} is ${jump.toFixed(2)} times as fast as ${tempoFigure(last.tempo)} in ${last.grid}, as it was last time.`
}

/** `kick: 163 ms between strokes, but it needs 170. Play it slower, or only briefly.` */
export function strainWords({ move, haveMs }: Strain): string {
  return `${LIMB_NAMES[move.limb]}: ${wholeMs(haveMs)} ms between strokes, but it needs ${Math.round(move.needMs)}. Play it slower, or only briefly.`
}

/** From how many in a row a seam is said. */
const WORTH_SAYING = 2

/** `at the repeat: right hand 3 in a row`; empty where nothing runs on. */
export function seamWords(runs: readonly SeamRun[]): string {
  const said = runs.filter(({ strokes }) => strokes >= WORTH_SAYING)
  if (said.length === 0) return ''
  const each = said.map(({ limb, strokes }) => `${LIMB_NAMES[limb]} ${strokes} in a row`)
  return `at the repeat: ${listWords(each)}`
}

/** `12 min · break in 13`; what is due once the time is over. */
export function breakWords(minutes: number, breakAfter: number): { text: string; due: boolean } {
  const whole = Math.floor(minutes)
  if (breakAfter === 0) return { text: whole > 0 ? `${whole} min` : '', due: false }
  const left = Math.ceil(breakAfter - minutes)
  if (left <= 0) return { text: `${whole} min without a break: time for one`, due: true }
  return { text: `${whole} min · break in ${left}`, due: false }
}
