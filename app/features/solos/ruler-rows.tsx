import { memo, type PointerEvent, useRef } from 'react'
import { Stack } from '~/drawing/stacks/discs'
import type { RulerBar } from './long-ruler'

/** Pixels of a row from the top: the parts' names, stacks, bar numbers, the shape. */
const NAMES = 20
const STACKS = 62
const NUMBERS = 16
const SHAPE = 52
export const ROW_HEIGHT = NAMES + STACKS + NUMBERS + SHAPE
const HEIGHT = ROW_HEIGHT
const PITCH = 5.5
const SHAPE_TOP = NAMES + STACKS + NUMBERS

export interface RulerRowProps {
  readonly bars: readonly RulerBar[]
  /** What is wanted of each bar of the whole; null where nothing is drawn. */
  readonly wish: readonly (number | null)[]
  readonly names: readonly string[]
  readonly chosenPart: number
  /** Pixels of a bar of the solo's own metre. */
  readonly barWidth: number
  readonly onChoose: (part: number) => void
  readonly onJoin: (number: number) => void
  readonly onDraw: (bar: number, value: number) => void
  readonly onLift: () => void
}

/** A row of bars: what is played over each, which part it is, and what it comes to, beside what is wanted. */
export const RulerRow = memo(function RulerRow(props: RulerRowProps) {
  const { bars, wish, names, chosenPart, barWidth, onChoose, onJoin, onDraw, onLift } = props
  const edges: number[] = [0]
  for (const { length } of bars) edges.push((edges.at(-1) as number) + length * barWidth)
  const width = edges.at(-1) as number
  const drawing = useRef(false)
  const drawAt = (event: PointerEvent<SVGElement>) => {
    const box = event.currentTarget.getBoundingClientRect()
    const x = event.clientX - box.left
    const at = edges.findLastIndex((edge) => edge <= x)
    const bar = bars[Math.max(0, Math.min(bars.length - 1, at))]
    if (bar) onDraw(bar.index, 1 - (event.clientY - box.top) / box.height)
  }
  return (
    <div className="relative" style={{ width, height: HEIGHT }}>
      <svg
        width={width}
        height={HEIGHT}
        fill="currentColor"
        className="overflow-visible"
        aria-hidden="true"
      >
        {bars.map((bar, i) => (
          <BarGround
            key={bar.index}
            bar={bar}
            x={edges[i] as number}
            width={(edges[i + 1] as number) - (edges[i] as number)}
            chosen={bar.part === chosenPart}
          />
        ))}
        {bars.map((bar, i) => (
          <BarFigure
            key={bar.index}
            bar={bar}
            x={edges[i] as number}
            width={(edges[i + 1] as number) - (edges[i] as number)}
          />
        ))}
        <line x1="0.5" x2="0.5" y1={NAMES} y2={HEIGHT} stroke="var(--color-base-300)" />
        <WishLine bars={bars} edges={edges} wish={wish} />
      </svg>
      {bars.map((bar, i) => {
        const left = edges[i] as number
        const next = bars.findIndex(({ begins }, j) => j > i && begins)
        const room = (next < 0 ? width : (edges[next] as number)) - left
        return (bar.begins || i === 0) && names[bar.part] !== undefined ? (
          <button
            key={bar.index}
            type="button"
            aria-pressed={bar.part === chosenPart}
            className="absolute top-0 truncate rounded-field px-1 text-left text-xs leading-5 hover:bg-base-300 aria-pressed:font-semibold"
            style={{ left, maxWidth: room, height: NAMES }}
            onClick={() => onChoose(bar.part)}
          >
            {bar.begins ? names[bar.part] : `… ${names[bar.part]}`}
          </button>
        ) : null
      })}
      {bars.map(({ index, join }, i) =>
        join && join.join.faults.length > 0 ? (
          <button
            key={index}
            type="button"
            aria-label={`Trouble at the join before bar ${index + 1}`}
            className="absolute grid size-6 place-items-center rounded-full bg-error font-bold text-error-content text-sm"
            style={{ left: Math.max(0, (edges[i] as number) - 12), top: NAMES }}
            onClick={() => onJoin(join.number)}
          >
            !
          </button>
        ) : null,
      )}
      <svg
        className="absolute inset-x-0 cursor-crosshair touch-none"
        style={{ top: SHAPE_TOP }}
        width={width}
        height={SHAPE}
        aria-hidden="true"
        onPointerDown={(event) => {
          drawing.current = true
          event.currentTarget.setPointerCapture(event.pointerId)
          drawAt(event)
        }}
        onPointerMove={(event) => drawing.current && drawAt(event)}
        onPointerUp={() => {
          drawing.current = false
          onLift()
        }}
        onPointerCancel={() => {
          drawing.current = false
          onLift()
        }}
      >
        <rect width={width} height={SHAPE} fill="transparent" />
      </svg>
    </div>
  )
})

interface BarProps {
  readonly bar: RulerBar
  readonly x: number
  readonly width: number
}

/** What stacks of a bar stand on; lit while it sounds. Drawn first: a group may reach over its barline. */
function BarGround({ bar, x, width, chosen }: BarProps & { readonly chosen: boolean }) {
  const shade = chosen ? 'fill-base-300' : bar.part % 2 === 0 ? 'fill-base-100' : 'fill-base-200'
  return (
    <g>
      <rect x={x} y={NAMES} width={width} height={STACKS} className={shade} />
      <rect
        x={x}
        y={NAMES}
        width={width}
        height={STACKS}
        data-bar={bar.index}
        className="fill-transparent data-now:fill-(--cursor)"
      />
      <line
        x1={x + width - 0.5}
        x2={x + width - 0.5}
        y1={NAMES}
        y2={HEIGHT}
        stroke="var(--color-base-300)"
      />
    </g>
  )
}

function BarFigure({ bar, x, width }: BarProps) {
  const { index, stacks } = bar
  const disc = Math.max(6, Math.min(20, width / 5))
  const floor = NAMES + STACKS
  const column = bar.column * (SHAPE - 4)
  return (
    <g>
      {stacks.map(({ at, discs }) => (
        <Stack
          key={at}
          discs={discs}
          x={x + at * width + disc / 2 + 2}
          bottom={floor - 3}
          width={disc}
          pitch={PITCH}
        />
      ))}
      <text x={x + 4} y={floor + 12} fontSize="11" fill="var(--quiet)">
        {index + 1}
      </text>
      <rect
        x={x + width * 0.2}
        y={SHAPE_TOP + SHAPE - column}
        width={width * 0.6}
        height={column}
        rx="2"
        fill="var(--quiet)"
        opacity="0.5"
      />
    </g>
  )
}

/** What its maker wants, over the columns of what there is. */
function WishLine({
  bars,
  edges,
  wish,
}: {
  bars: readonly RulerBar[]
  edges: readonly number[]
  wish: readonly (number | null)[]
}) {
  return (
    <g stroke="var(--color-primary)" strokeWidth="2.5" strokeLinecap="round">
      {bars.map(({ index }, i) => {
        const value = wish[index]
        if (value === null || value === undefined) return null
        const y = SHAPE_TOP + 2 + (1 - value) * (SHAPE - 4)
        return (
          <line
            key={index}
            x1={(edges[i] as number) + 4}
            x2={(edges[i + 1] as number) - 4}
            y1={y}
            y2={y}
          />
        )
      })}
    </g>
  )
}
