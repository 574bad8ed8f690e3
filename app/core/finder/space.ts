import { aimOf, frameTicks, type Lick, strokeEvents } from '../line'
import { gridTicks } from '../time'
import type { Space } from './question'

/**
 * The space of a lick, from its start to its landing, as slots of its frame's grid: what the lick's line has to
 * fill, whatever stands in it. Null where no whole number of slots fills it.
 *
 * @example spaceOf(lickOf('start: 2\nbars: 1\nline: R')).slots.length // 12
 */
export function spaceOf(lick: Lick): Space | null {
  const { frame } = lick
  const { start, target, available } = aimOf(lick)
  const ticks = gridTicks(frame.grid)
  if (available <= 0 || available % ticks !== 0) return null
  const layers = strokeEvents(lick).flatMap(({ tick, limb, layer }) =>
    layer > 0 && lick.ostinatos[layer - 1]?.scope !== 'groove' && tick >= start && tick < target
      ? [{ tick, limb }]
      : [],
  )
  return {
    start,
    slots: Array.from({ length: available / ticks }, () => ticks),
    beat: frameTicks(frame).beat,
    layers,
  }
}
