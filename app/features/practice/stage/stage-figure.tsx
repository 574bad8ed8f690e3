import { memo, useMemo } from 'react'
import { type SlotRange, startsOf } from '~/core/changes'
import type { Lick } from '~/core/line'
import { lineCounts } from '~/core/line'
import { formatLine } from '~/core/notation'
import { toDisc } from '~/core/sticking'
import type { CountingSystem } from '~/core/time'
import { SlotLetters, STAGE_SIZES } from '~/drawing/ruler/slot-letters'
import { Stack } from '~/drawing/stacks/discs'

/** Of a slot, in units of the drawing; its smallest letter is 19 of them. */
export const STAGE_SLOT = 32
const PITCH = 6.5
const TALLEST = 9
/** Of the letters and counts, and of what stands over and under them. */
export const STAGE_LETTERS = 70

interface StageFigureProps {
  readonly lick: Lick
  readonly page: SlotRange
  readonly counting: CountingSystem
  /** Pixels of a slot's width. */
  readonly slot: number
  /** Whether its slots are lit as they sound. */
  readonly lit: boolean
  /** The height of the stacks, in units of the drawing; none leaves them out. */
  readonly stacks: number
}

/** A piece of a line to be read across the room: stacks, letters, counts. */
export const StageFigure = memo(function StageFigure(props: StageFigureProps) {
  const { lick, page, counting, slot, lit, stacks } = props
  const { from, to } = page
  const slots = lick.line.slots.slice(from, to)
  const counts = useMemo(() => lineCounts(lick, counting), [lick, counting])
  const groups = startsOf(lick.line.groups).flatMap((start, i) => {
    const end = start + (lick.line.groups[i] as number)
    const inside = lick.line.slots.slice(Math.max(start, from), Math.min(end, to))
    return inside.length === 0 || start >= to
      ? []
      : [{ at: Math.max(start, from) - from, size: end - start, discs: inside.map(toDisc) }]
  })
  const tallest = Math.min(TALLEST, Math.max(2, ...groups.map(({ discs }) => discs.length)))
  const pitch = Math.min(PITCH, stacks / tallest)
  const floor = tallest * pitch + 12
  const [width, height] = [slots.length * STAGE_SLOT, floor + STAGE_LETTERS - 12]
  return (
    <svg
      viewBox={`0 0 ${width} ${height}`}
      width={slots.length * slot}
      height={(height / STAGE_SLOT) * slot}
      className="block shrink-0 select-none"
      fill="currentColor"
      role="img"
      aria-label={formatLine({ slots, groups: [slots.length], gridChanges: [] })}
    >
      {lit &&
        slots.map((_, i) => (
          <rect
            key={i}
            data-slot={from + i}
            x={i * STAGE_SLOT + 1}
            y={floor + 5}
            width={STAGE_SLOT - 2}
            height={34}
            rx="5"
            className="fill-transparent data-now:fill-(--cursor)"
          />
        ))}
      {groups.map(({ at, size, discs }) => (
        <g key={at}>
          {pitch > 1.5 && (
            <Stack
              discs={discs.slice(0, tallest)}
              x={at * STAGE_SLOT + STAGE_SLOT / 2}
              bottom={floor}
              width={STAGE_SLOT - 8}
              pitch={pitch}
            />
          )}
          {size > 1 && (
            <text
              x={pitch > 1.5 ? (at + 1) * STAGE_SLOT : at * STAGE_SLOT + 2}
              y={pitch > 1.5 ? floor - 2 : 10}
              fontSize={pitch > 1.5 ? 17 : 11}
              fontWeight="650"
            >
              {size}
            </text>
          )}
        </g>
      ))}
      <g className="font-mono">
        {slots.map((content, i) => (
          <SlotLetters
            key={i}
            content={content}
            x={i * STAGE_SLOT + STAGE_SLOT / 2}
            y={floor + 34}
            width={STAGE_SLOT}
            sizes={STAGE_SIZES}
          />
        ))}
      </g>
      {slots.map((_, i) => (
        <text
          key={i}
          x={i * STAGE_SLOT + STAGE_SLOT / 2}
          y={floor + 54}
          textAnchor="middle"
          fontSize="12"
          fill="var(--quiet)"
        >
          {counts[from + i]}
        </text>
      ))}
    </svg>
  )
})
