import { memo } from 'react'
import { VELOCITIES } from '~/core/line'
import { strokesInSlot } from '~/core/sticking'
import { LIMB_COLOUR, Stack } from '../stacks/discs'
import type { CountMark } from './count-marks'
import type { PatternMark } from './patterns'
import { COUNT_BASELINE, TALLEST_STACK } from './row-heights'
import { SlotLetters } from './slot-letters'
import type { SwellMark } from './swell-marks'
import type { LaneMark, LetterMark, StackMark } from './view'

/** The count over a slot. */
export const Count = memo(function Count({ count }: { count: CountMark }) {
  const { x, text, onBeat, part } = count
  return (
    <text
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
  )
})

interface StackColumnProps {
  readonly stack: StackMark
  readonly bottom: number
  readonly pitch: number
  readonly slotWidth: number
}

/** A group as a stack with its size, and the bracket of its span under it. */
export const StackColumn = memo(function StackColumn({
  stack,
  bottom,
  pitch,
  slotWidth,
}: StackColumnProps) {
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
})

interface SlotColumnProps {
  readonly mark: LetterMark
  readonly lettersBaseline: number
  readonly voicesBaseline: number
  readonly slotWidth: number
}

/** The sticking of a slot, and the voices it sounds on. */
export const SlotColumn = memo(function SlotColumn({
  mark,
  lettersBaseline,
  voicesBaseline,
  slotWidth,
}: SlotColumnProps) {
  const { voices } = mark
  const atHome = voices.every((voice) => voice === 'sn' || voice === 'bd')
  return (
    <>
      <g className="font-mono">
        <SlotLetters content={mark.content} x={mark.x} y={lettersBaseline} width={mark.width} />
      </g>
      <text
        x={mark.x}
        y={voicesBaseline}
        textAnchor="middle"
        fontSize={slotWidth < 30 ? 9.5 : 11}
        fill={atHome ? 'var(--quiet)' : 'currentColor'}
      >
        {voices.join(' ').slice(0, slotWidth < 34 ? 2 : 8)}
      </text>
    </>
  )
})

/** A swell as a hairpin, as wide open at each end as it is loud there. */
export const Hairpin = memo(function Hairpin({ swell, y }: { swell: SwellMark; y: number }) {
  const { from, to, loudFrom, loudTo } = swell
  const [open, close] = [openingOf(loudFrom), openingOf(loudTo)]
  return (
    <path
      d={`M${from} ${y - open}L${to} ${y - close}M${from} ${y + open}L${to} ${y + close}`}
      fill="none"
      stroke="currentColor"
      strokeWidth="1.3"
    />
  )
})

const WIDEST_OPENING = 7

/** Half the opening of a hairpin, in pixels: nothing at a ghost's velocity, all at the loudest. */
function openingOf(velocity: number): number {
  const { ghost, strong } = VELOCITIES
  return (WIDEST_OPENING * (velocity - ghost)) / (strong - ghost)
}

const DOT = { ghost: 3, soft: 4.5, tap: 5.5, accent: 7, strong: 7.5 } as const

/**
 * A stroke on its limb's line: hands round, feet square, the second pedal on its corner and the hi-hat
 * pedal with a bar; ringed where the limb is wanted twice.
 */
export const LaneDot = memo(function LaneDot({ mark, y }: { mark: LaneMark; y: number }) {
  const { x, limb, level, letter, under, clash } = mark
  const colour = LIMB_COLOUR[letter]
  const size = DOT[level] * (under ? 0.72 : 1)
  const hollow = level === 'ghost' || limb === 'XH'
  const paint = hollow
    ? { fill: 'var(--color-base-100)', stroke: colour, strokeWidth: 1.4 }
    : { fill: colour }
  const foot = limb === 'RF' || limb === 'LF'
  return (
    <>
      {foot ? (
        <rect
          x={x - size}
          y={y - size}
          width={size * 2}
          height={size * 2}
          {...(letter === 'J' && { transform: `rotate(45 ${x} ${y})` })}
          {...paint}
        />
      ) : (
        <circle cx={x} cy={y} r={size} {...paint} />
      )}
      {letter === 'H' && !hollow && (
        <path
          d={`M${x - size} ${y}h${size * 2}`}
          stroke="var(--color-base-100)"
          strokeWidth="1.4"
        />
      )}
      {clash && (
        <circle cx={x} cy={y} r="9" fill="none" stroke="var(--color-error)" strokeWidth="2" />
      )}
    </>
  )
})

const PATTERN_SIZES = { ghost: 9, soft: 10, tap: 12, accent: 13, strong: 14 } as const

/** A slot of a pattern: its letters as they are typed, quiet where it only comes round again or is silent. */
export const PatternLetter = memo(function PatternLetter({
  mark,
  y,
}: {
  mark: PatternMark
  y: number
}) {
  const { x, content, quiet, voices } = mark
  const strokes = strokesInSlot(content).map(({ stroke }) => stroke)
  const [first] = strokes
  return (
    <>
      <text
        x={x}
        y={y}
        textAnchor="middle"
        className="font-mono"
        fontSize={first ? PATTERN_SIZES[first.level] : 11}
        fontWeight={quiet ? 400 : 650}
        fill={quiet || !first ? 'var(--quiet)' : LIMB_COLOUR[first.letter]}
      >
        {strokes.map(({ letter }) => letter).join('') || '–'}
      </text>
      {voices && (
        <text
          x={x}
          y={y + 14}
          textAnchor="middle"
          className="font-mono text-[11px]"
          fill="var(--quiet)"
        >
          {voices}
        </text>
      )}
    </>
  )
})
