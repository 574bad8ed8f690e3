import type { Ticks } from '../time'
import { aimOf } from './aim'
import { frameTicks, type Lick } from './lick'
import { lineTicks, type TimedSlot, timedSlots } from './line'

/** A slot of an ostinato where it comes round: its index counts within the pattern. */
export interface OstinatoSlot extends TimedSlot {
  /** Whether it is the first time that the pattern comes in the fill's bar or after it. */
  readonly first: boolean
}

/**
 * The slots of an ostinato that begin in [from, to) of its lick, rests too, in order: where it sounds,
 * from the lead-in or the line's start up to the downbeat aimed at. `layer` counts from 0. Ticks.
 * Example: `under: @1/4 H` in 4/4 has slots at 0, 10080, 20160 and 30240 of the fill's bar.
 */
export function ostinatoSlotsBetween(
  lick: Lick,
  layer: number,
  from: Ticks,
  to: Ticks,
): OstinatoSlot[] {
  const ostinato = lick.ostinatos[layer]
  const length = ostinato ? lineTicks(ostinato.line, ostinato.grid) : 0
  if (!ostinato || length === 0) return []
  const { target } = aimOf(lick)
  const begins = ostinato.scope === 'fill' ? 0 : -lick.frame.lead * frameTicks(lick.frame).bar
  const silentUntil = ostinato.scope === 'fill' ? lick.frame.start : begins
  const once = timedSlots(ostinato.line, ostinato.grid, 0)
  const skipped = Math.max(0, Math.floor((from - begins) / length))
  const slots: OstinatoSlot[] = []
  for (let round = begins + skipped * length; round < Math.min(target, to); round += length) {
    for (const slot of once) {
      const tick = round + slot.tick
      if (tick < silentUntil || tick >= target || tick < from || tick >= to) continue
      slots.push({ ...slot, tick, first: tick >= 0 && tick - length < Math.max(0, silentUntil) })
    }
  }
  return slots
}
