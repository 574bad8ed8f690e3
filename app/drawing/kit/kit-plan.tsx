import { memo, type ReactNode } from 'react'
import { type Kit, numberedPieces, type Piece } from '~/core/kit'
import { SURFACE_NAMES, type Surface } from '~/core/sticking'
import { labelShift, PLATE } from './label-places'

interface KitPlanProps {
  readonly kit: Kit
  /** What the plan is, for those who do not see it. */
  readonly label: string
  readonly chosen?: Surface | null
  /** The kit whose room is shown, where that must not move with the pieces: while one is dragged. */
  readonly boxOf?: Kit
  /** Large plans have finer letters. */
  readonly size?: 'small' | 'large'
  /** Pieces that matter more than the others. */
  readonly marked?: ReadonlySet<Surface>
  /** Whether the pieces that hands play have their numbers. */
  readonly numbered?: boolean
  /** Drawn over the pieces, in centimetres: x to the right, y towards the throne. */
  readonly children?: ReactNode
}

const MARGIN = 8
const THRONE = 16

/** The part of the floor that a plan shows, in centimetres: everything on it, and the throne. */
export function planBox({ pieces }: Kit): { x: number; y: number; width: number; height: number } {
  const reach = (
    value: (piece: Piece) => number,
    pick: (...all: number[]) => number,
    own: number,
  ) => pick(own, ...pieces.map(value))
  const left = reach(({ x, diameter }) => x - diameter / 2, Math.min, -60) - MARGIN
  const right = reach(({ x, diameter }) => x + diameter / 2, Math.max, 60) + MARGIN
  const far = reach(({ y, diameter }) => y + diameter / 2, Math.max, 90) + MARGIN
  const near = reach(({ y, diameter }) => y - diameter / 2, Math.min, -THRONE) - MARGIN
  return { x: left, y: -far, width: right - left, height: far - near }
}

/**
 * A kit from above as its drummer sits at it, in centimetres: drums with a rim, cymbals with grooves
 * and a bell, pedals as plates, the throne below. What lies higher is drawn over what lies lower.
 */
export const KitPlan = memo(function KitPlan({
  kit,
  label,
  chosen = null,
  boxOf = kit,
  size = 'small',
  marked,
  numbered = false,
  children,
}: KitPlanProps) {
  const numbers = numbered
    ? new Map(numberedPieces(kit).map(({ surface }, i) => [surface, (i + 1) % 10]))
    : null
  const { x, y, width, height } = planBox(boxOf)
  const pieces = [...kit.pieces].sort((a, b) => a.height - b.height)
  const kick = kit.pieces.find(({ surface }) => surface === 'bd')
  return (
    <svg
      viewBox={`${x} ${y} ${width} ${height}`}
      className={`block h-auto w-full select-none ${size === 'small' ? 'max-h-full' : 'lg:max-h-[max(24rem,calc(100dvh-14rem))]'}`}
      role="img"
      aria-label={`${label}: ${planWords(kit)}`}
    >
      <circle r={THRONE} fill="var(--color-base-300)" />
      <circle r={THRONE - 4} fill="none" stroke="var(--quiet)" strokeWidth="0.5" />
      {kick && (
        <rect
          x={kick.x - 28}
          y={-kick.y - 46}
          width="56"
          height="42"
          rx="6"
          fill="var(--color-base-200)"
          stroke="var(--color-base-300)"
        />
      )}
      {pieces.map((piece) => (
        <PieceFigure key={piece.surface} piece={piece} chosen={piece.surface === chosen} />
      ))}
      <g
        className={`pointer-events-none font-mono ${size === 'small' ? 'text-[8px]' : 'text-[8px] lg:text-[4.6px]'}`}
        textAnchor="middle"
        fill="currentColor"
        stroke="var(--color-base-100)"
        strokeWidth="1.4"
        strokeLinejoin="round"
        paintOrder="stroke"
      >
        {pieces.map((piece) => (
          <text
            key={piece.surface}
            x={piece.x}
            y={-piece.y + labelShift(piece, pieces)}
            dy="0.35em"
            fontWeight={marked?.has(piece.surface) ? 700 : 450}
            opacity={marked && !marked.has(piece.surface) ? 0.7 : 1}
          >
            {numbers?.has(piece.surface)
              ? `${numbers.get(piece.surface)} ${piece.surface}`
              : piece.surface}
          </text>
        ))}
      </g>
      {children}
    </svg>
  )
})

interface PieceFigureProps {
  readonly piece: Piece
  readonly chosen: boolean
}

/** Lines are as fine on a large plan as on a small one. */
const FINE = { vectorEffect: 'non-scaling-stroke' } as const

/** One piece: drum, cymbal or pedal, told apart by their drawing alone. */
const PieceFigure = memo(function PieceFigure({ piece, chosen }: PieceFigureProps) {
  const { surface, kind, x, y, diameter } = piece
  const r = diameter / 2
  const ink = chosen ? 'var(--color-primary)' : 'currentColor'
  return (
    <g transform={`translate(${x} ${-y})`} data-piece={surface}>
      <title>{SURFACE_NAMES[surface]}</title>
      {kind === 'drum' && (
        <>
          <circle
            r={r}
            fill="var(--color-base-100)"
            stroke={ink}
            strokeWidth={chosen ? 4 : 2.2}
            style={FINE}
          />
          <circle r={r - 2.2} fill="none" stroke={ink} strokeWidth="0.8" style={FINE} />
        </>
      )}
      {kind === 'cymbal' && (
        <>
          <circle
            r={r}
            fill="var(--plan-cymbal)"
            stroke={ink}
            strokeWidth={chosen ? 3.6 : 1.3}
            style={FINE}
          />
          {[0.8, 0.6, 0.4].map((ring) => (
            <circle
              key={ring}
              r={r * ring}
              fill="none"
              stroke="currentColor"
              strokeWidth="0.6"
              style={FINE}
              strokeOpacity="0.5"
            />
          ))}
        </>
      )}
      {kind === 'pedal' && (
        <rect
          x={-r}
          y={-r * PLATE}
          width={diameter}
          height={diameter * PLATE}
          rx="2"
          fill="var(--color-base-100)"
          stroke={ink}
          strokeWidth={chosen ? 3.6 : 1.3}
          style={FINE}
        />
      )}
    </g>
  )
})

function planWords({ pieces }: Kit): string {
  return pieces.map(({ surface }) => SURFACE_NAMES[surface]).join(', ')
}
