import { namesInLine, namingWords } from '~/core/catalogue'
import { fixesOf } from '~/core/fitting'
import { policyDistances } from '~/core/hands'
import {
  aimOf,
  eventVelocity,
  frameTicks,
  isNoGroove,
  type Lick,
  lineCounts,
  strokeEvents,
  sumOf,
} from '~/core/line'
import { formatLine } from '~/core/notation'
import { gridName, placeName, TICKS_PER_QUARTER } from '~/core/time'

/**
 * What the command `events` prints: every stroke of line and ostinatos at its notated tick, with its
 * velocity (1 to 127) where that is asked for.
 */
export function toHeadlessEvents(lick: Lick, velocity = false) {
  const { start, end, target } = aimOf(lick)
  const { kind } = lick.frame.landing
  return {
    ticksPerQuarter: TICKS_PER_QUARTER,
    bar: frameTicks(lick.frame).bar,
    start,
    end,
    landing: kind === 'none' ? null : { tick: target, kind },
    events: strokeEvents(lick)
      .filter(isNoGroove(lick))
      .map((stroke) => {
        const { slot: _slot, grid: _grid, slotTick: _tick, nth: _nth, ...event } = stroke
        return velocity ? { ...event, velocity: eventVelocity(lick, stroke) } : event
      }),
  }
}

/**
 * What the command `sum` prints: the sum, counted in the default system; the ways to fix a line
 * that does not fit; what line and groups are called; and how far the hands are from each policy.
 */
export function toHeadlessSum(lick: Lick) {
  const { whole, groups } = namesInLine(lick.line)
  const distances = policyDistances(lick)
  return {
    ...sumOf(lick),
    counts: lineCounts(lick),
    mend: fixesOf(lick).map((fix) => ({
      kind: fix.kind,
      line: formatLine(fix.lick.line),
      left: fix.left,
      freeHand: fix.freeHand,
      ...(fix.grid && { grid: gridName(fix.grid) }),
      ...(fix.start !== null && { start: placeName(fix.start, lick.frame.meter) }),
    })),
    names: {
      whole: whole && namingWords(whole),
      groups: groups.map((name) => name && namingWords(name)),
    },
    natural: Object.fromEntries(
      Object.entries(distances).map(([policy, { lick: turned, differs }]) => [
        policy,
        { differs, line: formatLine(turned.line) },
      ]),
    ),
  }
}
