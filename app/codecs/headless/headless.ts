import { aimOf, frameTicks, type Lick, lineCounts, strokeEvents, sumOf } from '~/core/line'
import { TICKS_PER_QUARTER } from '~/core/time'

/** What the command `events` prints: every stroke of line and layers at its notated tick. */
export function toHeadlessEvents(lick: Lick) {
  const { start, end, target } = aimOf(lick)
  const { kind } = lick.frame.landing
  return {
    ticksPerQuarter: TICKS_PER_QUARTER,
    bar: frameTicks(lick.frame).bar,
    start,
    end,
    landing: kind === 'none' ? null : { tick: target, kind },
    events: strokeEvents(lick).map(
      ({ slot: _slot, grid: _grid, slotTick: _tick, ...event }) => event,
    ),
  }
}

/** What the command `sum` prints: the sum, counted in the default school. */
export function toHeadlessSum(lick: Lick) {
  return { ...sumOf(lick), counts: lineCounts(lick) }
}
