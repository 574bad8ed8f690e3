import { memo } from 'react'
import type { Limb } from '~/core/sticking'
import type { Ticks } from '~/core/time'
import { type Ruler, type RulerRow, xOf } from './layout'
import { LANE, type RowHeights, rowParts } from './row-heights'

/** The move of a limb that sets the speed limit. */
export interface Bottleneck {
  readonly limb: Limb
  readonly fromTick: Ticks
  readonly toTick: Ticks
}

interface RowBottleneckProps {
  readonly bottleneck: Bottleneck | null
  readonly ruler: Ruler
  readonly row: RulerRow
  readonly heights: RowHeights
}

/** A bracket under the limb's line from the one stroke to the other, in the rows that have them. */
export const RowBottleneck = memo(function RowBottleneck({
  bottleneck,
  ruler,
  row,
  heights,
}: RowBottleneckProps) {
  const lane = bottleneck ? heights.lanes.indexOf(bottleneck.limb) : -1
  if (!bottleneck || lane < 0) return null
  const { fromTick, toTick } = bottleneck
  if (toTick < row.from || fromTick >= row.to) return null
  const from = xOf(ruler, row, Math.max(fromTick, row.from)) ?? 0
  const to = xOf(ruler, row, toTick) ?? row.width
  const y = rowParts(heights).lanesTop + lane * LANE + 12
  return (
    <svg
      className="pointer-events-none absolute top-0 left-0"
      width={row.width}
      height={y + 8}
      aria-hidden="true"
      data-bottleneck
    >
      <path
        d={`M${from} ${y}v4H${to}v-4`}
        fill="none"
        stroke="var(--color-primary)"
        strokeWidth="2"
      />
    </svg>
  )
})
