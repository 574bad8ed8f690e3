import { memo, useMemo } from 'react'
import { startsOf } from '~/core/changes'
import { type Lick, lineCounts } from '~/core/line'
import { formatLine } from '~/core/notation'
import { toDisc } from '~/core/sticking'
import type { CountingSystem } from '~/core/time'
import { SlotLetters } from '~/drawing/ruler/slot-letters'
import { Stack } from '~/drawing/stacks/discs'

const SLOT = 44
const PITCH = 12
/** Of a longer part no more is shown. */
const MAX_SLOTS = 40

interface PartFigureProps {
  readonly lick: Lick
  /** By which its slots are counted, under the letters; not at all where none is given. */
  readonly counting?: CountingSystem
  /** Whether its slots are never lit. */
  readonly quiet?: boolean
}

/** A part in large: its stacks, and its sticking under them; the slot that sounds is lit. */
export const PartFigure = memo(function PartFigure({
  lick,
  counting,
  quiet = false,
}: PartFigureProps) {
  const slots = lick.line.slots.slice(0, MAX_SLOTS)
  const stacks = useMemo(() => {
    const starts = startsOf(lick.line.groups)
    return lick.line.groups.flatMap((size, i) => {
      const from = starts[i] as number
      const inside = lick.line.slots.slice(from, Math.min(from + size, MAX_SLOTS))
      return inside.length === 0 ? [] : [{ from, size, discs: inside.map(toDisc) }]
    })
  }, [lick])
  const tallest = Math.min(9, Math.max(1, ...stacks.map(({ discs }) => discs.length)))
  const floor = tallest * PITCH + 26
  const width = Math.max(1, slots.length) * SLOT
  const counts = counting ? lineCounts(lick, counting).slice(0, MAX_SLOTS) : []
  return (
    <svg
      viewBox={`0 0 ${width} ${floor + (counting ? 86 : 66)}`}
      className="block max-h-[26vh] w-full select-none"
      preserveAspectRatio="xMinYMid meet"
      fill="currentColor"
      role="img"
      aria-label={formatLine(lick.line)}
    >
      {(quiet ? [] : slots).map((_, i) => (
        <rect
          key={i}
          data-slot={i}
          x={i * SLOT + 2}
          y={floor + 14}
          width={SLOT - 4}
          height={50}
          rx="8"
          className="fill-transparent data-now:fill-(--cursor)"
        />
      ))}
      {stacks.map(({ from, size, discs }) => (
        <g key={from}>
          <Stack
            discs={discs.slice(0, tallest)}
            x={from * SLOT + SLOT / 2}
            bottom={floor}
            width={SLOT - 6}
            pitch={PITCH}
          />
          {size > 1 && (
            <text x={from * SLOT + SLOT + 4} y={floor - 4} fontSize="22" fontWeight="650">
              {size}
            </text>
          )}
          <path
            d={`M${from * SLOT + 4} ${floor + 5}v6H${(from + discs.length) * SLOT - 6}v-6`}
            fill="none"
            stroke="currentColor"
          />
        </g>
      ))}
      {counts.map((count, i) => (
        <text
          key={i}
          x={i * SLOT + SLOT / 2}
          y={floor + 80}
          textAnchor="middle"
          fontSize="15"
          fill="var(--quiet)"
        >
          {count}
        </text>
      ))}
      <g className="font-mono">
        {slots.map((content, i) => (
          <SlotLetters
            key={i}
            content={content}
            x={i * SLOT + SLOT / 2}
            y={floor + 50}
            width={SLOT}
          />
        ))}
      </g>
    </svg>
  )
})
