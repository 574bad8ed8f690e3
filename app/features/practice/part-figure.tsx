import { memo, type PointerEvent, useMemo, useRef } from 'react'
import { type SlotRange, startsOf } from '~/core/changes'
import { type Lick, lineCounts } from '~/core/line'
import type { PlayedStroke } from '~/core/listening'
import { formatLine } from '~/core/notation'
import { toDisc } from '~/core/sticking'
import type { CountingSystem } from '~/core/time'
import { SlotLetters } from '~/drawing/ruler/slot-letters'
import { Stack } from '~/drawing/stacks/discs'
import { lateWords } from '~/words/heard-words'
import { LIMB_NAMES } from '~/words/limb-names'

const SLOT = 44
const PITCH = 12
/** A longer part is shown stretch by stretch. */
export const MOST_SLOTS = 40

interface PartFigureProps {
  readonly lick: Lick
  /** Called with the slots over which a pointer was drawn; where it is not given, none can be. */
  readonly onSelect?: (range: SlotRange) => void
  /** By which its slots are counted, under the letters; not at all where none is given. */
  readonly counting?: CountingSystem
  /** Strokes that were heard, under their slots: early above the line, late below it. None draws no line. */
  readonly heard?: readonly PlayedStroke[] | undefined
  /** Whether its slots are never lit. */
  readonly quiet?: boolean
  /** The first slot shown, of a part that is longer than can be shown at once. */
  readonly first?: number
  readonly most?: number
}

/** A part in large: its stacks, and its sticking under them; the slot that sounds is lit. */
export const PartFigure = memo(function PartFigure({
  lick,
  onSelect,
  counting,
  heard,
  quiet = false,
  first = 0,
  most = MOST_SLOTS,
}: PartFigureProps) {
  const end = first + most
  const slots = lick.line.slots.slice(first, end)
  const stacks = useMemo(() => {
    const starts = startsOf(lick.line.groups)
    return lick.line.groups.flatMap((size, i) => {
      const start = starts[i] as number
      const from = Math.max(start, first)
      const inside = lick.line.slots.slice(from, Math.min(start + size, end))
      if (inside.length === 0 || start >= end) return []
      return [{ from: from - first, size, discs: inside.map((slot) => toDisc(slot)) }]
    })
  }, [lick, first, end])
  const tallest = Math.min(9, Math.max(1, ...stacks.map(({ discs }) => discs.length)))
  const floor = tallest * PITCH + 26
  const width = Math.max(1, slots.length) * SLOT
  const counts = counting ? lineCounts(lick, counting).slice(first, end) : []
  const begun = useRef<number | null>(null)
  const slotUnder = (event: PointerEvent<SVGSVGElement>) => {
    const { matrix, x } = { matrix: event.currentTarget.getScreenCTM(), x: event.clientX }
    const at = matrix ? new DOMPoint(x, 0).matrixTransform(matrix.inverse()).x : 0
    return Math.max(0, Math.min(slots.length - 1, Math.floor(at / SLOT)))
  }
  return (
    <svg
      viewBox={`0 0 ${width} ${floor + (counting ? 86 : 66) + (heard ? HEARD_BAND : 0)}`}
      className="block max-h-[26vh] w-full touch-pan-y select-none"
      preserveAspectRatio="xMinYMid meet"
      fill="currentColor"
      role="img"
      aria-label={formatLine(lick.line)}
      onPointerDown={(event) => {
        begun.current = slotUnder(event)
      }}
      onPointerUp={(event) => {
        const [from, to] = [begun.current, slotUnder(event)]
        begun.current = null
        if (from === null || from === to) return
        onSelect?.({ from: first + Math.min(from, to), to: first + Math.max(from, to) + 1 })
      }}
    >
      {(quiet ? [] : slots).map((_, i) => (
        <rect
          key={i}
          data-slot={first + i}
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
      {heard && (
        <HeardBand
          heard={heard}
          first={first}
          count={slots.length}
          middle={floor + (counting ? 86 : 66) + HEARD_BAND / 2}
        />
      )}
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

/** The height of the band in which strokes are shown, and how far off fills half of it, in milliseconds. */
const HEARD_BAND = 48
const FURTHEST_MS = 40

/** Each stroke under its slot, by how early or late it was. */
function HeardBand({
  heard,
  first,
  count,
  middle,
}: {
  heard: readonly PlayedStroke[]
  first: number
  count: number
  middle: number
}) {
  return (
    <g>
      <path d={`M0 ${middle}H${count * SLOT}`} stroke="var(--quiet)" strokeWidth="1.5" />
      {heard.map(({ slot, limb, offsetMs }) => {
        const off = Math.max(-FURTHEST_MS, Math.min(FURTHEST_MS, offsetMs)) / FURTHEST_MS
        return slot < first || slot >= first + count ? null : (
          <circle
            key={`${slot} ${limb} ${offsetMs}`}
            cx={(slot - first) * SLOT + SLOT / 2}
            cy={middle + off * (HEARD_BAND / 2 - 6)}
            r="5"
          >
            <title>{`${LIMB_NAMES[limb]} ${lateWords(offsetMs)}`}</title>
          </circle>
        )
      })}
    </g>
  )
}
