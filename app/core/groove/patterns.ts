import {
  frameTicks,
  type Lick,
  type Line,
  lineTicks,
  NO_GROOVE,
  ostinatoSlotsBetween,
  ostinatoSpan,
  type TimedSlot,
  timedSlots,
} from '../line'
import type { Grid, Ticks } from '../time'
import type { Groove } from './data'
import { grooveBar, grooveLine, toGroove } from './groove'

/** What goes round under the line: an ostinato by its number from 0, or the groove. */
export type PatternId = number | 'groove'

/** A slot of a pattern under the line: which pattern, and where in the bar it stands. */
export interface PatternPlace {
  readonly pattern: PatternId
  readonly tick: Ticks
}

/** What goes round, once: its slots on its own grid. */
export interface Pattern {
  readonly grid: Grid
  readonly line: Line
}

/** A slot of a pattern where it comes round: its index counts within the pattern. */
export interface PatternSlot extends TimedSlot {
  /** Whether it is the first time that it comes in the fill's bar or after it. */
  readonly first: boolean
  /** Whether it sounds there: groove is shown through the whole of the fill's bar. */
  readonly sounds: boolean
}

/** What goes round under the line of a lick, from the top row down: its layers, then the groove. */
export function patternsOf({ ostinatos, frame }: Lick): PatternId[] {
  const layers = ostinatos.map((_, i) => i)
  return frame.groove === NO_GROOVE ? layers : [...layers, 'groove']
}

/** A pattern of a lick, once; undefined where the lick has none of that name. */
export function patternOf(
  lick: Lick,
  id: PatternId,
  grooves: readonly Groove[],
): Pattern | undefined {
  if (id !== 'groove') return lick.ostinatos[id]
  const { groove, meter } = lick.frame
  if (groove === NO_GROOVE) return undefined
  return grooveLine(grooveBar(toGroove(groove, grooves), meter))
}

/**
 * The slots of a pattern that begin in [from, to), rests too, in order; ticks from the barline of the
 * fill's bar. What sounds under the groove alone is shown through that whole bar, so that it can be read
 * and changed where the line takes its place.
 * Example: the groove `eighths` in 4/4 has slots at 0, 5040 and so on; from the start on they are silent.
 */
export function patternSlotsBetween(
  lick: Lick,
  id: PatternId,
  grooves: readonly Groove[],
  from: Ticks,
  to: Ticks,
): PatternSlot[] {
  const pattern = patternOf(lick, id, grooves)
  if (!pattern) return []
  const underLine = id !== 'groove' && lick.ostinatos[id]?.scope !== 'groove'
  if (underLine) {
    return ostinatoSlotsBetween(lick, id, from, to).map((slot) => ({ ...slot, sounds: true }))
  }
  const { bar } = frameTicks(lick.frame)
  const span = ostinatoSpan(lick, { scope: 'groove' })
  const length = lineTicks(pattern.line, pattern.grid)
  const once = timedSlots(pattern.line, pattern.grid, 0)
  const slots: PatternSlot[] = []
  if (length === 0) return slots
  const counted = id === 'groove' ? 0 : span.counted
  for (let round = counted; round < Math.min(bar, to); round += length) {
    for (const slot of once) {
      const tick = round + slot.tick
      if (tick < Math.max(0, from) || tick >= Math.min(bar, to)) continue
      slots.push({ ...slot, tick, first: tick < length, sounds: tick < span.to })
    }
  }
  return slots
}
