import type { SlotRange } from '../changes'
import { lcm } from '../foundation'
import { frameTicks, type Lick, lickSlots } from '../line'
import { hasAccent } from '../sticking'
import type { Grid, Ticks } from '../time'

/** A first note or an accent of a phrase that goes round and round. */
export interface CycleMark {
  /** The bar, from 1, and the tick from its barline. */
  readonly bar: number
  readonly tick: Ticks
  readonly grid: Grid
  /** Which time through, from 1. */
  readonly round: number
  readonly first: boolean
  readonly accent: boolean
}

/** When a phrase over and over meets the barline again, and where it falls until then. */
export interface Cycle {
  readonly cycles: number
  readonly bars: number
  readonly ticks: Ticks
  readonly marks: readonly CycleMark[]
  /** Whether the marks stop before the end, since there are too many to show. */
  readonly shortened: boolean
}

const MAX_BARS = 64

/**
 * A range of the line over and over from where it stands: it meets the same place of the bar again
 * after lcm(g, b) ticks, g being its own length and b the bar's. Null where the range is empty.
 */
export function cycleOf(lick: Lick, { from, to }: SlotRange): Cycle | null {
  const slots = lickSlots(lick).slice(from, to)
  const [first, last] = [slots[0], slots.at(-1)]
  if (!first || !last) return null
  const { bar } = frameTicks(lick.frame)
  const length = last.tick + last.ticks - first.tick
  const whole = lcm(length, bar)
  const bars = whole / bar
  const accented = slots.flatMap((slot, i) => {
    const accent = hasAccent(slot.content)
    return accent || i === 0 ? [{ slot, first: i === 0, accent }] : []
  })
  const shown = Math.min(bars, MAX_BARS) * bar
  const marks: CycleMark[] = []
  for (let round = 0; round * length < shown; round += 1) {
    for (const { slot, ...mark } of accented) {
      const tick = slot.tick + round * length
      if (tick >= first.tick + shown) continue
      marks.push({
        ...mark,
        round: round + 1,
        grid: slot.grid,
        bar: Math.floor(tick / bar) + 1,
        tick: tick % bar,
      })
    }
  }
  return { cycles: whole / length, bars, ticks: whole, marks, shortened: bars > MAX_BARS }
}
