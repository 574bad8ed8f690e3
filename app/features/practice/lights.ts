import { frameTicks, type Lick, lickSlots } from '~/core/line'
import type { Position } from '~/core/performance'
import type { Ticks } from '~/core/time'
import type { Step } from '~/words/practice-steps'

/** Where the lights of a page are worked out from: ticks of a round, from its beginning. */
export interface Lit {
  readonly beat: Ticks
  readonly bar: Ticks
  /** A bar of count-in, then bars of groove, then the line: where each begins. */
  readonly grooveFrom: Ticks
  readonly barlineTick: Ticks
  /** The line's first tick, and after how many ticks it begins again; 0 for never. */
  readonly lineFrom: Ticks
  readonly again: Ticks
  /** The first tick of every slot shown, from the line's first, and the end of the last. */
  readonly slots: readonly Ticks[]
}

/** What is heard at a moment, in words: for the eye across the room. */
export interface Phase {
  readonly name: 'still' | 'count-in' | 'groove' | 'fill'
  /** The bar of that phase, from 1. */
  readonly bar: number
  /** The beat of its bar, from 0; -1 in silence. */
  readonly beat: number
  /** The slot that sounds; -1 for none. */
  readonly slot: number
}

export const STILL: Phase = { name: 'still', bar: 0, beat: -1, slot: -1 }

/** What is heard at a position. */
export function phaseAt(position: Position | undefined, lit: Lit): Phase {
  if (!position || position.phase === 'over') return STILL
  if (position.phase === 'count-in') {
    return { name: 'count-in', bar: 1, beat: Math.floor(position.tick / lit.beat), slot: -1 }
  }
  const inRound = position.tick + lit.barlineTick
  const inBar = ((inRound % lit.bar) + lit.bar) % lit.bar
  const beat = Math.floor(inBar / lit.beat)
  const since = inRound - lit.lineFrom
  const slot = slotAt(since, lit)
  if (inRound < lit.grooveFrom) return { name: 'count-in', bar: 1, beat, slot: -1 }
  if (inRound < Math.min(lit.lineFrom, lit.barlineTick + lit.bar) && since < 0) {
    return { name: 'groove', bar: 1 + Math.floor((inRound - lit.grooveFrom) / lit.bar), beat, slot }
  }
  return { name: 'fill', bar: 1 + Math.floor((inRound - lit.barlineTick) / lit.bar), beat, slot }
}

function slotAt(since: Ticks, { again, slots }: Lit): number {
  const end = slots.at(-1) ?? 0
  const tick = again > 0 ? since % again : since
  if (since < 0 || tick >= end) return -1
  return slots.findLastIndex((from) => from <= tick)
}

/** Where nothing is lit. */
export const DARK: Lit = {
  beat: 1,
  bar: 1,
  grooveFrom: 0,
  barlineTick: 0,
  lineFrom: 0,
  again: 0,
  slots: [],
}

/** Where the lights of a step stand; what is heard may have a layer more than the step. */
export function litOf(
  { part, form }: Step,
  heard: Lick,
  countsEach: boolean,
  shown = part.lick,
): Lit {
  const { beat, bar } = frameTicks(heard.frame)
  const counted = countsEach ? bar : 0
  const barlineTick = counted + heard.frame.lead * bar
  const slots = slotTicks(shown)
  return {
    beat,
    bar,
    grooveFrom: counted,
    barlineTick,
    lineFrom: barlineTick + heard.frame.start,
    again: form.kind === 'over' ? (slots.at(-1) ?? 0) : 0,
    slots,
  }
}

/** The first tick of every slot of a line, from its own beginning, and the end of the last. */
export function slotTicks(lick: Lick): Ticks[] {
  const slots = lickSlots(lick)
  const first = slots[0]?.tick ?? 0
  const last = slots.at(-1)
  return [...slots.map(({ tick }) => tick - first), last ? last.tick + last.ticks - first : 0]
}
