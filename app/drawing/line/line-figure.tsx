import { memo, type PointerEvent, useMemo, useRef } from 'react'
import { type SlotRange, startsOf } from '~/core/changes'
import type { Lick } from '~/core/line'
import { lineCounts } from '~/core/line'
import { formatLine } from '~/core/notation'
import { toDisc } from '~/core/sticking'
import type { CountingSystem } from '~/core/time'
import type { PlayedStroke } from '~/core/timing'
import { SlotLetters, STAGE_SIZES } from '~/drawing/ruler/slot-letters'
import { Stack } from '~/drawing/stacks/discs'
import { lateWords } from '~/words/heard-words'
import { LIMB_NAMES } from '~/words/limb-names'

/** Of a slot, in units of the drawing; its smallest letter is 19 of them. */
export const LINE_SLOT = 32
const PITCH = 6.5
const TALLEST = 9
/** Of the letters and counts, and of what stands over and under them. */
export const LINE_LETTERS = 70
const LINE_UNCOUNTED = 54
/** The height of stacks where they may be as high as they like. */
export const LINE_STACKS = TALLEST * PITCH
/** Of a line that is shown whole, no more is shown. */
const MAX_SLOTS = 40

interface LineFigureProps {
  readonly lick: Lick
  /** The slots that are shown; of a line without an end the first forty where none are told. */
  readonly page?: SlotRange
  /** By which its slots are counted, under the letters; not at all where none is given. */
  readonly counting?: CountingSystem
  /** Pixels of a slot's width; as wide as there is room where none is told. */
  readonly slot?: number
  /** Whether its slots are lit as they sound. */
  readonly lit: boolean
  /** The height of the stacks, in units of the drawing; none leaves them out. */
  readonly stacks: number
  /** Strokes that were heard, under their slots: early above the line, late below it. None draws no line. */
  readonly heard?: readonly PlayedStroke[] | undefined
  /** Called with the slots over which a pointer was drawn, counted in the line. */
  readonly onSelect?: (range: SlotRange) => void
}

/** A line, or a piece of it, to be read across the room: stacks, letters, counts. */
export const LineFigure = memo(function LineFigure(props: LineFigureProps) {
  const { lick, counting, slot, lit, stacks, heard, onSelect } = props
  const { page = { from: 0, to: Math.min(MAX_SLOTS, lick.line.slots.length) } } = props
  const { from, to } = page
  const slots = lick.line.slots.slice(from, to)
  const counts = useMemo(() => (counting ? lineCounts(lick, counting) : []), [lick, counting])
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
  const [width, height] = [
    slots.length * LINE_SLOT,
    floor + (counting ? LINE_LETTERS : LINE_UNCOUNTED) - 12 + (heard ? HEARD_BAND : 0),
  ]
  const begun = useRef<number | null>(null)
  const slotUnder = (event: PointerEvent<SVGSVGElement>) => {
    const { left, width: wide } = event.currentTarget.getBoundingClientRect()
    const at = Math.floor(((event.clientX - left) / Math.max(1, wide)) * slots.length)
    return from + Math.max(0, Math.min(slots.length - 1, at))
  }
  return (
    <svg
      onPointerDown={(event) => {
        begun.current = slotUnder(event)
      }}
      onPointerUp={(event) => {
        const [first, last] = [begun.current, slotUnder(event)]
        begun.current = null
        if (first === null || first === last) return
        onSelect?.({ from: Math.min(first, last), to: Math.max(first, last) + 1 })
      }}
      viewBox={`0 0 ${width} ${height}`}
      {...(slot !== undefined && {
        width: slots.length * slot,
        height: (height / LINE_SLOT) * slot,
      })}
      preserveAspectRatio="xMinYMid meet"
      className={`block shrink-0 touch-pan-y select-none ${slot === undefined ? 'max-h-[26vh] w-full' : ''}`}
      fill="currentColor"
      role="img"
      aria-label={formatLine({ slots, groups: [slots.length], gridChanges: [] })}
    >
      {lit &&
        slots.map((_, i) => (
          <rect
            key={i}
            data-slot={from + i}
            x={i * LINE_SLOT + 1}
            y={floor + 5}
            width={LINE_SLOT - 2}
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
              x={at * LINE_SLOT + LINE_SLOT / 2}
              bottom={floor}
              width={LINE_SLOT - 8}
              pitch={pitch}
            />
          )}
          {size > 1 && (
            <text
              x={pitch > 1.5 ? (at + 1) * LINE_SLOT : at * LINE_SLOT + 2}
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
            x={i * LINE_SLOT + LINE_SLOT / 2}
            y={floor + 34}
            width={LINE_SLOT}
            sizes={STAGE_SIZES}
          />
        ))}
      </g>
      {(counting ? slots : []).map((_, i) => (
        <text
          key={i}
          x={i * LINE_SLOT + LINE_SLOT / 2}
          y={floor + 54}
          textAnchor="middle"
          fontSize="12"
          fill="var(--quiet)"
        >
          {counts[from + i]}
        </text>
      ))}
      {heard && (
        <HeardBand heard={heard} page={page} middle={floor + LINE_LETTERS - 12 + HEARD_BAND / 2} />
      )}
    </svg>
  )
})

/** The height of the band in which strokes are shown, and how far off fills half of it, in milliseconds. */
export const HEARD_BAND = 30
const FURTHEST_MS = 40

/** Each stroke under its slot, by how early or late it was. */
function HeardBand({
  heard,
  page: { from, to },
  middle,
}: {
  heard: readonly PlayedStroke[]
  page: SlotRange
  middle: number
}) {
  return (
    <g>
      <path d={`M0 ${middle}H${(to - from) * LINE_SLOT}`} stroke="var(--quiet)" strokeWidth="1" />
      {heard.map(({ slot, limb, offsetMs }) => {
        const off = Math.max(-FURTHEST_MS, Math.min(FURTHEST_MS, offsetMs)) / FURTHEST_MS
        return slot < from || slot >= to ? null : (
          <circle
            key={`${slot} ${limb} ${offsetMs}`}
            cx={(slot - from) * LINE_SLOT + LINE_SLOT / 2}
            cy={middle + off * (HEARD_BAND / 2 - 4)}
            r="3.5"
          >
            <title>{`${LIMB_NAMES[limb]} ${lateWords(offsetMs)}`}</title>
          </circle>
        )
      })}
    </g>
  )
}
