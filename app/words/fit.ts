import {
  aimOf,
  countStrokes,
  fitOf,
  frameTicks,
  type Lick,
  type LineFit,
  slotAt,
} from '~/core/line'
import { formatSlot } from '~/core/notation'
import { type CountingSystem, countSyllable, gridName, gridTicks, placeName } from '~/core/time'
import { plural, slots } from './figures'
import { gridWords, perBeatWords } from './grid-words'
import { capital } from './move-words'
import { placeIn, placeOn, spokenPlace, startPlace } from './places'

/** A place to begin on: as a text has it, and as it is counted. */
export interface Start {
  readonly written: string
  readonly said: string
}

/** Whether the line fits its space, in the words and figures of the first answer. */
export interface Fit {
  readonly verdict: 'fits' | 'short' | 'over' | 'empty'
  readonly used: string
  readonly available: string
  /** `3 left`, `2 over`, or empty where it fits. */
  readonly difference: string
  readonly groups: string
  readonly span: string
  readonly strokes: string
  readonly again: string
  /** Where the first slot too many falls, or where the free slots begin. */
  readonly place: string
  /** A start from which the line would end on the barline; null where it does already. */
  readonly betterStart: Start | null
}

/** Holds a line against its space, as it is typed. */
export function toFit(lick: Lick, counting: CountingSystem): Fit {
  const { line } = lick
  const sum = fitOf(lick)
  const { strokes, graces } = countStrokes(line)
  return {
    verdict:
      line.slots.length === 0 ? 'empty' : sum.fits ? 'fits' : sum.left.ticks > 0 ? 'short' : 'over',
    used: slots(sum.used.slots),
    available: slots(sum.available.slots),
    difference: difference(sum),
    groups: shortened(sum.groups),
    span: `from ${spokenPlace(startPlace(lick, counting))} to ${target(lick, sum)}`,
    strokes:
      strokes === 0
        ? ''
        : `${plural(strokes, 'stroke')}${graces > 0 ? `, ${plural(graces, 'grace')}` : ''}.`,
    again: again(sum),
    place: offPlace(lick, sum, counting),
    betterStart: betterStart(lick, sum, counting),
  }
}

function shortened(groups: readonly number[]): string {
  const text = groups.join(' + ')
  return text.length > 60 ? `${groups.length} groups` : text
}

function difference({ left }: LineFit): string {
  if (left.ticks === 0) return ''
  return `${slots(Math.abs(left.slots))} ${left.ticks > 0 ? 'left' : 'over'}`
}

function target({ frame }: Lick, sum: LineFit): string {
  if (frame.landing.at === 'beat') return 'the beat it lands on'
  return sum.bars === 1 ? 'the barline' : `the barline after ${sum.bars} bars`
}

function again({ again: meets }: LineFit): string {
  if (!meets) return ''
  if (meets.cycles === 1) return `Repeated, it fills ${plural(meets.bars, 'bar')} each time`
  return `Repeated, it realigns with the barline after ${plural(meets.bars, 'bar')}, ${meets.cycles} times through`
}

function offPlace(lick: Lick, sum: LineFit, counting: CountingSystem): string {
  const { end, target: aimed } = aimOf(lick)
  if (sum.left.ticks > 0 && lick.line.slots.length > 0)
    return `Empty from ${placeIn(lick, end, counting)}`
  if (sum.left.ticks >= 0) return ''
  const over = slotAt(lick, aimed)
  if (over) {
    const count = countSyllable(aimed, lick.frame.grid, lick.frame.meter, counting)
    const typed = formatSlot(over.content)
    if (over.tick < aimed) return `Slot ${over.index + 1}, ${typed}, reaches over the ${count}`
    return `The first too many, slot ${over.index + 1}, ${typed}, would fall on the next ${count}`
  }
  return ''
}

/** Where the line would have to begin to end on a barline, told if it is a place of this grid. */
function betterStart(lick: Lick, sum: LineFit, counting: CountingSystem): Start | null {
  const { frame } = lick
  if (sum.left.ticks === 0 || sum.used.ticks === 0 || frame.landing.at === 'beat') return null
  const { bar } = frameTicks(frame)
  const start = (bar - (sum.used.ticks % bar)) % bar
  if (start === frame.start) return null
  const said = placeOn(lick, start, frame.grid, counting)
  return { written: placeName(start, frame.meter), said }
}

/**
 * A grid by its name and its slots to the beat, with where the line would end on it: shown before it is
 * taken. Example: `Sixteenth triplets, 6 to a beat (1/16t): 2 over`.
 */
export function gridOutcome(lick: Lick, grid: Lick['frame']['grid']): string {
  const { beat } = frameTicks(lick.frame)
  const name = `${capital(gridWords(grid))}, ${perBeatWords(grid, beat)} (${gridName(grid)})`
  if (lick.line.slots.length === 0) return name
  const moved = { ...lick, frame: { ...lick.frame, grid } }
  const { end, target } = aimOf(moved)
  const left = Math.abs(target - end) / gridTicks(grid)
  if (left === 0) return `${name}: fits`
  return `${name}: ${slots(left)} ${target > end ? 'left' : 'over'}`
}
