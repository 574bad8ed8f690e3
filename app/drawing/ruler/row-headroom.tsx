import { memo } from 'react'
import type { Move } from '~/core/playability'
import { type Ruler, type RulerRow, xOf } from './layout'
import { LANE, type RowHeights, rowParts } from './row-heights'

interface RowHeadroomProps {
  /** The moves into every stroke; null where headroom is not asked for. */
  readonly moves: readonly Move[] | null
  readonly tempo: number
  readonly ruler: Ruler
  readonly row: RulerRow
  readonly heights: RowHeights
}

/** Less room than this is tight. */
const TIGHT = 1.15
const WIDTHS = { over: 11, tight: 7, easy: 3 } as const
const COLOURS = {
  over: 'var(--color-error)',
  tight: 'var(--color-warning)',
  easy: 'var(--color-success)',
} as const

/**
 * How much time each stroke leaves at a tempo, as a bar over its mark: wide and red where there is
 * too little, half as wide where it is tight, a dot where it is easy.
 */
export const RowHeadroom = memo(function RowHeadroom(props: RowHeadroomProps) {
  const { moves, tempo, ruler, row, heights } = props
  if (!moves) return null
  const top = rowParts(heights).lanesTop
  const here = moves.filter(({ toTick }) => toTick >= row.from && toTick < row.to)
  return (
    <svg
      className="pointer-events-none absolute top-0 left-0"
      width={row.width}
      height={rowParts(heights).height}
      aria-hidden="true"
      data-headroom
    >
      {here.map(({ limb, toTick, bpm }) => {
        const lane = heights.lanes.indexOf(limb)
        const x = xOf(ruler, row, toTick)
        if (lane < 0 || x === undefined) return null
        const room = roomOf(bpm, tempo)
        return (
          <line
            key={`${limb} ${toTick} ${bpm}`}
            x1={x - WIDTHS[room]}
            x2={x + WIDTHS[room]}
            y1={top + lane * LANE - 0.5}
            y2={top + lane * LANE - 0.5}
            stroke={COLOURS[room]}
            strokeWidth="2.5"
            strokeLinecap="round"
          />
        )
      })}
    </svg>
  )
})

function roomOf(bpm: number, tempo: number): keyof typeof WIDTHS {
  if (bpm < tempo) return 'over'
  return bpm < tempo * TIGHT ? 'tight' : 'easy'
}
