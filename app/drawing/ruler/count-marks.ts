import { aimOf, frameTicks, type Lick, pickupSlots, type TimedSlot } from '~/core/line'
import {
  type CountingSystem,
  countSyllable,
  gridTicks,
  type Ticks,
  UNNAMED_COUNT,
} from '~/core/time'
import { landingOf, type Ruler, type RulerRow, xOf } from './layout'

/** A count under the ruler. `part` says what stands at it: the fill, groove before it, or nothing. */
export interface CountMark {
  readonly x: number
  readonly text: string
  readonly onBeat: boolean
  readonly part: 'groove' | 'line' | 'free'
}

/** Counts at the slots of pick-up and line; at the beats of the groove before; at free slots after. */
export function countMarks(
  lick: Lick,
  ruler: Ruler,
  row: RulerRow,
  slots: readonly TimedSlot[],
  counting: CountingSystem,
): CountMark[] {
  const { meter, grid, start } = lick.frame
  const early = pickupSlots(lick)
  const { beat } = frameTicks(lick.frame)
  const marks: CountMark[] = []
  const add = (tick: Ticks, text: string, part: CountMark['part']) => {
    const x = xOf(ruler, row, tick)
    if (x !== undefined && tick >= row.from && tick < row.to) {
      marks.push({ x, text: text === UNNAMED_COUNT ? '·' : text, onBeat: tick % beat === 0, part })
    }
  }
  for (let tick = 0; tick < (early[0]?.tick ?? start); tick += beat) {
    add(tick, countSyllable(tick, { value: 4, tuplet: null }, meter, counting), 'groove')
  }
  for (const slot of early)
    add(slot.tick, countSyllable(slot.tick, slot.grid, meter, counting), 'groove')
  for (const slot of slots)
    add(slot.tick, countSyllable(slot.tick, slot.grid, meter, counting), 'line')
  for (const tick of freeTicks(lick, row)) {
    add(tick, countSyllable(tick, grid, meter, counting), 'free')
  }
  const landing = landingOf(row)
  if (landing) {
    const x = xOf(ruler, row, landing.from) ?? landing.x
    marks.push({ x, text: '1', onBeat: true, part: 'line' })
  }
  return marks
}

/**
 * Where slots of a row are free behind the line, on the lick's grid from the line's end on; where the last
 * slot is the landing, the space goes on to its end.
 */
export function freeTicks(lick: Lick, row: RulerRow): Ticks[] {
  const { end, start, available } = aimOf(lick)
  const slot = gridTicks(lick.frame.grid)
  const before = Math.max(0, Math.ceil((row.from - end) / slot))
  const free: Ticks[] = []
  const until = Math.min(start + available, row.to)
  for (let tick = end + before * slot; tick < until; tick += slot) free.push(tick)
  return free
}
