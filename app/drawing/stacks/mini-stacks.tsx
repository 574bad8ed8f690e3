import { memo } from 'react'
import type { Disc } from '~/core/sticking'
import { Stack } from './discs'

interface MiniStacksProps {
  readonly stacks: readonly (readonly Disc[])[]
  /** Groups that there is no room for. */
  readonly more?: number
  readonly size?: 'small' | 'tiny'
}

const SIZES = {
  small: { width: 30, step: 38, height: 62, pitch: 7 },
  tiny: { width: 20, step: 25, height: 46, pitch: 5.5 },
} as const

/** Groups as small stacks, side by side, with their sizes. */
export const MiniStacks = memo(function MiniStacks({
  stacks,
  more = 0,
  size = 'small',
}: MiniStacksProps) {
  const { width, step, height, pitch: widest } = SIZES[size]
  const tallest = Math.max(1, ...stacks.map((stack) => stack.length))
  const pitch = Math.min(widest, (height - 14) / tallest)
  const groups = stacks.map((discs) => discs.length).join(' + ')
  const label =
    groups === '' ? 'no strokes yet' : `groups of ${groups}${more > 0 ? ` and ${more} more` : ''}`
  return (
    <svg
      width={stacks.length * step + (more > 0 ? 34 : 4)}
      height={height}
      role="img"
      fill="currentColor"
      aria-label={label}
      className="max-w-full shrink-0"
    >
      {stacks.map((discs, i) => (
        <g key={i}>
          <Stack
            discs={discs}
            x={i * step + width / 2 + 1}
            bottom={height - 13}
            width={width}
            pitch={pitch}
          />
          <text
            x={i * step + width / 2 + 1}
            y={height - 2}
            textAnchor="middle"
            fontSize="11"
            fill="var(--quiet)"
          >
            {discs.length}
          </text>
        </g>
      ))}
      {more > 0 && (
        <text x={stacks.length * step + 2} y={height - 15} fontSize="12" fill="var(--quiet)">
          +{more}
        </text>
      )}
    </svg>
  )
})
