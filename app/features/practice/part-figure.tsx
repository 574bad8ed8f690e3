import { memo, useMemo } from 'react'
import { startsOf } from '~/core/changes'
import type { Lick } from '~/core/line'
import { SlotLetters } from '../ruler/slot-letters'
import { toDisc } from '../stacks/disc'
import { Stack } from '../stacks/discs'

const SLOT = 44
const PITCH = 12
const MOST_SLOTS = 40

/** A part in large: its stacks, and its sticking under them; a long one only begins. */
export const PartFigure = memo(function PartFigure({ lick }: { lick: Lick }) {
  const slots = lick.line.slots.slice(0, MOST_SLOTS)
  const stacks = useMemo(() => {
    const starts = startsOf(lick.line.groups)
    return lick.line.groups.flatMap((size, i) => {
      const from = starts[i] as number
      if (from >= MOST_SLOTS) return []
      const inside = lick.line.slots.slice(from, Math.min(from + size, MOST_SLOTS))
      return [{ from, size, discs: inside.map((slot) => toDisc(slot)) }]
    })
  }, [lick])
  const tallest = Math.min(9, Math.max(1, ...stacks.map(({ discs }) => discs.length)))
  const floor = tallest * PITCH + 26
  const width = Math.max(1, slots.length) * SLOT
  return (
    <svg
      viewBox={`0 0 ${width} ${floor + 62}`}
      className="block max-h-[30vh] w-full"
      preserveAspectRatio="xMinYMid meet"
      fill="currentColor"
      aria-hidden="true"
    >
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
      <g className="font-mono">
        {slots.map((content, i) => (
          <SlotLetters
            key={i}
            content={content}
            x={i * SLOT + SLOT / 2}
            y={floor + 46}
            width={SLOT}
          />
        ))}
      </g>
    </svg>
  )
})
