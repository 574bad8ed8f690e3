import type { Ticks } from '../time'
import { aimOf } from './aim'
import { frameTicks, type Lick, type Ostinato } from './lick'
import { lineTicks } from './line'
import { type TimedSlot, timedSlots } from './timed-slots'

/** A slot of an ostinato where it comes round: its index counts within the pattern. */
export interface OstinatoSlot extends TimedSlot {
  /** Whether it is the first time that the pattern comes in the fill's bar or after it. */
  readonly first: boolean
}

/** Where an ostinato is counted from, and between which instants it sounds. Ticks. */
export interface OstinatoSpan {
  readonly counted: Ticks
  readonly from: Ticks
  readonly to: Ticks
}

/**
 * Where an ostinato of a lick is counted from and sounds: all through from the lead-in's first tick to
 * the downbeat aimed at; under the line alone from its start, counted from the barline of its bar; under
 * the groove alone as long as that goes. Ticks from the barline of the fill's bar.
 * Example: after one bar of groove in 4/4 one with the scope `all` sounds from -40320.
 */
export function ostinatoSpan(lick: Lick, { scope }: Pick<Ostinato, 'scope'>): OstinatoSpan {
  const { frame } = lick
  const lead = -frame.lead * frameTicks(frame).bar
  if (scope === 'groove') return { counted: lead, from: lead, to: frame.stop ?? frame.start }
  const to = aimOf(lick).target
  return scope === 'fill'
    ? { counted: 0, from: frame.start, to }
    : { counted: lead, from: lead, to }
}

/**
 * The slots of an ostinato that begin in [from, to) of its lick, rests too, in order: where it sounds.
 * `layer` counts from 0. Ticks.
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
  const span = ostinatoSpan(lick, ostinato)
  const once = timedSlots(ostinato.line, ostinato.grid, 0)
  const skipped = Math.max(0, Math.floor((from - span.counted) / length))
  const slots: OstinatoSlot[] = []
  for (
    let round = span.counted + skipped * length;
    round < Math.min(span.to, to);
    round += length
  ) {
    for (const slot of once) {
      const tick = round + slot.tick
      if (tick < span.from || tick >= span.to || tick < from || tick >= to) continue
      slots.push({ ...slot, tick, first: tick >= 0 && tick - length < Math.max(0, span.from) })
    }
  }
  return slots
}
