import { memo } from 'react'
import type { Disc, DiscPiece } from '~/core/sticking'

/** How a limb is painted: one variable each, defined for both themes. */
export const LIMB_COLOUR = {
  R: 'var(--limb-r)',
  L: 'var(--limb-l)',
  X: 'var(--limb-x)',
  K: 'var(--limb-k)',
  H: 'var(--limb-h)',
  J: 'var(--limb-j)',
} as const

const WIDTHS = { ghost: 0.66, soft: 0.82, tap: 0.88, accent: 1, strong: 1 } as const
const HOLLOW = 1.4

/**
 * A stack of discs, the first stroke at the bottom. Hands are round and feet are square; the right
 * hand is reeded, the left plain; ghosts are thin and hollow, accents wide with a bright rim.
 */
export const Stack = memo(function Stack({
  discs,
  x,
  bottom,
  width,
  pitch,
}: {
  discs: readonly Disc[]
  x: number
  bottom: number
  width: number
  /** From one disc to the next, pixels. */
  pitch: number
}) {
  const height = discHeight(pitch)
  return (
    <g>
      {discs.map((disc, i) => (
        <DiscShape
          key={i}
          disc={disc}
          x={x}
          y={bottom - (i + 1) * pitch}
          width={width}
          height={height}
        />
      ))}
    </g>
  )
})

/**
 * How tall a disc is where one follows another after `pitch` pixels: a fifth stays free, a pixel at the least,
 * and never more than half, so that the discs of the tallest stacks stay discs.
 *
 * @example discHeight(10) is 8, discHeight(4) is 3, discHeight(1) is 0.5
 */
export function discHeight(pitch: number): number {
  return pitch - Math.min(pitch / 2, Math.max(1, pitch * 0.2))
}

interface Box {
  readonly x: number
  readonly y: number
  readonly width: number
  readonly height: number
}

const DiscShape = memo(function DiscShape({ disc, x, y, width, height }: Box & { disc: Disc }) {
  if (disc.kind === 'rest') {
    const reach = width * 0.28
    return (
      <line
        x1={x - reach}
        x2={x + reach}
        y1={y + height / 2}
        y2={y + height / 2}
        stroke="var(--quiet)"
        strokeDasharray="2 2"
      />
    )
  }
  const count = disc.pieces.length
  const gap = disc.kind === 'squeeze' ? 1.5 : 0
  const full = width * (count > 1 ? 1 : WIDTHS[disc.pieces[0]?.level ?? 'tap'])
  const each = (full - gap * (count - 1)) / count
  return disc.pieces.map((piece, i) => {
    const left = x - full / 2 + i * (each + gap)
    return <Piece key={i} piece={piece} x={left} y={y} width={each} height={height} />
  })
})

function Piece({ piece, x, y, width, height }: Box & { piece: DiscPiece }) {
  if (!piece) return null
  const { letter, level, graces } = piece
  const colour = LIMB_COLOUR[letter]
  const foot = letter === 'K' || letter === 'H' || letter === 'J'
  const radius = foot ? 0 : height / 2
  const loud = level === 'accent' || level === 'strong'
  if (level === 'ghost' || letter === 'X') {
    const inset = HOLLOW / 2
    return (
      <rect
        x={x + inset}
        y={y + height * 0.14 + inset}
        width={Math.max(1, width - HOLLOW)}
        height={Math.max(1, height * 0.72 - HOLLOW)}
        rx={radius}
        fill="none"
        stroke={colour}
        strokeWidth={HOLLOW}
        strokeDasharray={letter === 'X' ? '3 2' : undefined}
      />
    )
  }
  return (
    <g>
      <rect x={x} y={y} width={width} height={height} rx={radius} fill={colour} />
      {letter === 'R' && <Reeds x={x + radius} y={y} width={width - 2 * radius} height={height} />}
      {foot && <Groove x={x} y={y} width={width} height={height} crossed={letter !== 'K'} />}
      {loud && (
        <rect
          x={x + radius}
          y={y}
          width={Math.max(0, width - 2 * radius)}
          height={Math.min(2, height / 3)}
          fill="var(--rim)"
        />
      )}
      {graces > 0 && (
        <circle cx={x - 3} cy={y + height / 2} r={Math.min(2.2, height / 3)} fill={colour} />
      )}
    </g>
  )
}

function Reeds({ x, y, width, height }: Box) {
  const count = Math.max(0, Math.floor(width / 3.2))
  return Array.from({ length: count }, (_, i) => {
    const at = x + ((i + 0.5) * width) / count
    return (
      <line
        key={i}
        x1={at}
        x2={at}
        y1={y + 1}
        y2={y + height - 1}
        stroke="var(--color-base-100)"
        strokeOpacity="0.55"
      />
    )
  })
}

/** A line along a foot's disc; the second foot's is broken. */
function Groove({ x, y, width, height, crossed }: Box & { crossed: boolean }) {
  return (
    <line
      x1={x + 3}
      x2={x + width - 3}
      y1={y + height / 2}
      y2={y + height / 2}
      stroke="var(--color-base-100)"
      strokeOpacity="0.6"
      strokeDasharray={crossed ? '3 3' : undefined}
    />
  )
}
