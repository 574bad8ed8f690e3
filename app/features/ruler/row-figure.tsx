import { memo } from 'react'
import { crashHand } from '~/core/line'
import type { Limb } from '~/core/sticking'
import { LIMB_COLOUR, Stack } from './discs'
import { SlotLetters } from './slot-letters'
import type { LaneMark, RowView, Scene, StackMark } from './view'

/** Heights of the rows of one system, from the top; all figures in pixels. */
export interface RowHeights {
  readonly stacks: number
  readonly letters: number
  readonly pitch: number
  readonly lanes: readonly Limb[]
}

const COUNT_BASELINE = 19
const COUNTS = 28
const BRACKET = 16
const LANE = 17
const VOICES = 24
const TALLEST_STACK = 24
const LETTER = 17

/** How tall the rows have to be for what stands in any of them. */
export function rowHeights({ lick, events }: Scene, slotWidth: number): RowHeights {
  const { groups, slots } = lick.line
  const largest = groups.reduce((most, size) => Math.max(most, size), 2)
  const tallest = Math.min(TALLEST_STACK, largest)
  const pitch = Math.min(slotWidth < 30 ? 9 : 11, Math.max(3.5, 116 / tallest))
  const together = slots.reduce(
    (most, slot) => Math.max(most, slot.kind === 'struck' ? slot.strokes.length : 1),
    1,
  )
  const used = new Set(events.map(({ limb }) => limb))
  const { kind } = lick.frame.landing
  if (kind === 'crash' || kind === 'stop')
    for (const limb of [crashHand(lick), 'RF'] as const) used.add(limb)
  return {
    stacks: tallest * pitch + 8,
    letters: 22 + LETTER * together,
    pitch,
    lanes: (['RH', 'LH', 'XH', 'RF', 'LF'] as const).filter((limb) => used.has(limb)),
  }
}

/** Where each part of a row begins, and how tall the whole is. */
export function rowParts(heights: RowHeights) {
  const stacksBottom = COUNTS + heights.stacks
  const lettersBaseline = stacksBottom + BRACKET + heights.letters - 6
  const lanesTop = lettersBaseline + 14
  const voicesBaseline = lanesTop + heights.lanes.length * LANE + 17
  return {
    stacksBottom,
    lettersBaseline,
    lanesTop,
    voicesBaseline,
    height: voicesBaseline + VOICES - 17,
  }
}

const LANE_NAMES: Readonly<Record<Limb, string>> = {
  RH: 'right',
  LH: 'left',
  XH: 'either',
  RF: 'kick',
  LF: 'foot',
}

/** The names of the rows, in the margin. */
export function RowLabels({ heights }: { heights: RowHeights }) {
  const parts = rowParts(heights)
  return (
    <svg
      width="52"
      height={parts.height}
      className="shrink-0 text-[11px]"
      fill="var(--quiet)"
      aria-hidden="true"
    >
      <text x="0" y={COUNT_BASELINE}>
        count
      </text>
      <text x="0" y={parts.lettersBaseline}>
        sticking
      </text>
      {heights.lanes.map((limb, i) => (
        <text key={limb} x="0" y={parts.lanesTop + i * LANE + 12}>
          {LANE_NAMES[limb]}
        </text>
      ))}
      <text x="0" y={parts.voicesBaseline}>
        voices
      </text>
    </svg>
  )
}

interface RowFigureProps {
  readonly view: RowView
  readonly heights: RowHeights
  readonly slotWidth: number
  readonly landingVoice: string
  readonly selected: readonly number[]
  readonly onPick: (slot: number) => void
}

/** One row of the ruler but its staff: counts, stacks, sticking, limbs and voices in one drawing. */
export const RowFigure = memo(
  function RowFigure({ view, heights, slotWidth, landingVoice, selected, onPick }: RowFigureProps) {
    const parts = rowParts(heights)
    const { width } = view.row
    const lead = view.row.segments.find(({ kind }) => kind === 'lead')
    return (
      <svg
        width={width}
        height={parts.height}
        className="block select-none"
        fill="currentColor"
        role="img"
        aria-label={rowLabel(view)}
      >
        {view.landing && (
          <text
            x={view.landing.x + view.landing.width / 2}
            y={parts.voicesBaseline}
            className="text-[11px]"
            textAnchor="middle"
            fontWeight="600"
          >
            {landingVoice}
          </text>
        )}
        {view.beatLines.map((x) => (
          <line key={x} x1={x} x2={x} y1={6} y2={parts.height} stroke="var(--color-base-300)" />
        ))}
        {lead && (
          <text x={lead.x} y={COUNT_BASELINE} className="text-[11px]" fill="var(--quiet)">
            groove
          </text>
        )}
        {view.counts.map(({ x, text, onBeat, part }) => (
          <text
            key={x}
            x={x}
            y={COUNT_BASELINE}
            textAnchor="middle"
            fontSize={text.length > 3 ? 11 : onBeat ? 15 : 13}
            fontWeight={onBeat && part !== 'groove' ? 700 : 400}
            fill={part === 'line' ? 'currentColor' : 'var(--quiet)'}
            opacity={part === 'free' ? 0.75 : 1}
          >
            {text}
          </text>
        ))}
        <line
          x1={lead ? lead.x + lead.width : 0}
          x2={width - (view.landing?.width ?? 0)}
          y1={parts.stacksBottom + 0.5}
          y2={parts.stacksBottom + 0.5}
          stroke="var(--color-base-300)"
        />
        {view.stacks.map((stack) => (
          <StackColumn
            key={stack.group}
            stack={stack}
            bottom={parts.stacksBottom}
            pitch={heights.pitch}
            slotWidth={slotWidth}
          />
        ))}
        {view.letters.map((mark) => (
          // biome-ignore lint/a11y/noStaticElementInteractions: by key, the text field leads to a slot
          <g key={mark.slot} onClick={() => onPick(mark.slot)} className="cursor-text font-mono">
            <rect
              x={mark.x - slotWidth / 2 + 1}
              y={parts.lettersBaseline - heights.letters + 4}
              width={slotWidth - 2}
              height={heights.letters + 4}
              rx="4"
              fill={selected.includes(mark.slot) ? 'var(--cursor)' : 'transparent'}
            />
            <SlotLetters
              content={mark.content}
              x={mark.x}
              y={parts.lettersBaseline}
              width={mark.width}
            />
          </g>
        ))}
        {heights.lanes.map((limb, i) => (
          <line
            key={limb}
            x1={0}
            x2={width}
            y1={parts.lanesTop + i * LANE + 8.5}
            y2={parts.lanesTop + i * LANE + 8.5}
            stroke="var(--color-base-300)"
          />
        ))}
        {view.lanes.map((mark) => (
          <LaneDot
            key={`${mark.limb} ${mark.x} ${mark.under}`}
            mark={mark}
            y={parts.lanesTop + heights.lanes.indexOf(mark.limb) * LANE + 8.5}
          />
        ))}
        {view.letters.map(({ slot, x, voices }) => (
          <text
            key={slot}
            x={x}
            y={parts.voicesBaseline}
            textAnchor="middle"
            fontSize={slotWidth < 30 ? 9.5 : 11}
            fill={
              voices.every((voice) => voice === 'sn' || voice === 'bd')
                ? 'var(--quiet)'
                : 'currentColor'
            }
          >
            {voices.join(' ').slice(0, slotWidth < 34 ? 2 : 8)}
          </text>
        ))}
      </svg>
    )
  },
  (before, after) =>
    before.view === after.view &&
    before.slotWidth === after.slotWidth &&
    before.landingVoice === after.landingVoice &&
    before.onPick === after.onPick &&
    JSON.stringify([before.heights, before.selected]) ===
      JSON.stringify([after.heights, after.selected]),
)

/** What a screen reader says of a row: its slots in words, in order. */
function rowLabel({ letters }: RowView): string {
  return letters.length === 0
    ? 'No strokes in this row'
    : letters.map(({ spoken }) => spoken).join('; ')
}

function StackColumn({
  stack,
  bottom,
  pitch,
  slotWidth,
}: {
  stack: StackMark
  bottom: number
  pitch: number
  slotWidth: number
}) {
  const span = stack.to - stack.from
  const width = Math.max(8, Math.min(38, span))
  const x = stack.from + width / 2
  const beside = span > width + 18
  const y = bottom + 5
  const shown = stack.discs?.slice(0, TALLEST_STACK) ?? null
  return (
    <g>
      {shown && <Stack discs={shown} x={x} bottom={bottom} width={width} pitch={pitch} />}
      {shown && (
        <text
          x={beside ? x + width / 2 + 6 : x}
          y={beside ? bottom - 3 : bottom - shown.length * pitch - 4}
          textAnchor={beside ? 'start' : 'middle'}
          fontSize={beside ? 20 : 12}
          fontWeight="650"
        >
          {beside || slotWidth > 30 || stack.size > 1 ? stack.size : ''}
        </text>
      )}
      <polyline
        points={[
          ...(stack.begins ? [`${stack.from},${y}`] : []),
          `${stack.from},${y + 5}`,
          `${stack.to},${y + 5}`,
          ...(stack.ends ? [`${stack.to},${y}`] : []),
        ].join(' ')}
        fill="none"
        stroke="currentColor"
      />
    </g>
  )
}

const DOT = { ghost: 3, soft: 4.5, tap: 5.5, accent: 7, strong: 7.5 } as const

function LaneDot({ mark, y }: { mark: LaneMark; y: number }) {
  const { x, limb, level, letter, under } = mark
  const colour = LIMB_COLOUR[letter]
  const size = DOT[level] * (under ? 0.72 : 1)
  const hollow = level === 'ghost' || limb === 'XH'
  const paint = hollow
    ? { fill: 'var(--color-base-100)', stroke: colour, strokeWidth: 1.4 }
    : { fill: colour }
  if (limb === 'RF' || limb === 'LF') {
    return <rect x={x - size} y={y - size} width={size * 2} height={size * 2} {...paint} />
  }
  return <circle cx={x} cy={y} r={size} {...paint} />
}
