import { type Lick, ostinatoSlotsBetween } from '~/core/line'
import type { SlotContent } from '~/core/sticking'
import type { Ticks } from '~/core/time'
import { type Ruler, type RulerRow, xOf } from './layout'

/** A slot of an ostinato in its row; where the pattern only comes round again it is quiet. */
export interface LayerMark {
  readonly layer: number
  readonly x: number
  readonly tick: Ticks
  readonly content: SlotContent
  readonly quiet: boolean
}

/** The ostinatos of a row, slot by slot. */
export function layerMarks(lick: Lick, ruler: Ruler, row: RulerRow): LayerMark[] {
  return lick.ostinatos.flatMap((_, layer) =>
    ostinatoSlotsBetween(lick, layer, row.from, row.to).map(
      ({ tick, content, first }): LayerMark => ({
        layer,
        tick,
        content,
        x: xOf(ruler, row, tick) ?? 0,
        quiet: !first,
      }),
    ),
  )
}

/** The slot of an ostinato that stands nearest before an x of a row; undefined where it plays none. */
export function layerTickAt(
  lick: Lick,
  ruler: Ruler,
  row: RulerRow,
  layer: number,
  x: number,
): Ticks | undefined {
  const half = ruler.slotWidth / 2
  return ostinatoSlotsBetween(lick, layer, row.from, row.to).findLast(
    ({ tick }) => (xOf(ruler, row, tick) ?? 0) - half <= x,
  )?.tick
}
