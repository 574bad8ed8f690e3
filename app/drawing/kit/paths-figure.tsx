import { memo } from 'react'
import { LIMB_COLOUR } from '../stacks/discs'
import type { PathView, StopMark } from './path-view'

/** Which hands are followed. */
export type Followed = 'both' | 'RH' | 'LH'

/**
 * The hands' ways over a plan: the right in full lines, the left dashed, arrows in the way they go;
 * crossings as a cross in a ring, two hands on a small surface as a ring.
 */
export const PathsFigure = memo(function PathsFigure({
  view,
  followed,
}: {
  view: PathView
  followed: Followed
}) {
  return (
    <g fill="none" strokeLinecap="round">
      <defs>
        {(['RH', 'LH'] as const).map((hand) => (
          <marker
            key={hand}
            id={`way-${hand}`}
            viewBox="0 0 6 6"
            refX="5"
            refY="3"
            markerWidth="4.6"
            markerHeight="4.6"
            orient="auto"
          >
            <path d="M0 0.6L5.4 3L0 5.4z" fill={colourOf(hand)} />
          </marker>
        ))}
      </defs>
      {followed !== 'LH' && <Way hand="RH" stops={view.RH} counted={followed === 'RH'} />}
      {followed !== 'RH' && <Way hand="LH" stops={view.LH} counted={followed === 'LH'} />}
      {followed === 'both' &&
        view.meets.map(({ kind, x, y }) => (
          <g key={`${kind} ${x} ${y}`} stroke="var(--color-error)" strokeWidth="0.8">
            <circle cx={x} cy={y} r="3.2" fill="var(--color-base-100)" />
            {kind === 'crossed' && (
              <path d={`M${x - 1.5} ${y - 1.5}l3 3M${x + 1.5} ${y - 1.5}l-3 3`} />
            )}
          </g>
        ))}
    </g>
  )
})

function colourOf(hand: 'RH' | 'LH'): string {
  return LIMB_COLOUR[hand === 'RH' ? 'R' : 'L']
}

interface WayProps {
  readonly hand: 'RH' | 'LH'
  readonly stops: readonly StopMark[]
  /** Whether each place tells which strokes of the hand it gets. */
  readonly counted: boolean
}

const COUNTED = 5

function Way({ hand, stops, counted }: WayProps) {
  const colour = colourOf(hand)
  const ways = [...new Set(stops.flatMap(({ way }) => (way ? [way] : [])))]
  const places = new Map<string, { x: number; y: number; strokes: number[] }>()
  for (const [i, { x, y }] of stops.entries()) {
    const place = places.get(`${x} ${y}`) ?? { x, y, strokes: [] }
    place.strokes.push(i + 1)
    places.set(`${x} ${y}`, place)
  }
  return (
    <g data-hand={hand}>
      {ways.map((way) => (
        <path
          key={way}
          d={way}
          stroke={colour}
          strokeWidth="0.9"
          strokeDasharray={hand === 'LH' ? '2.6 1.8' : undefined}
          markerEnd={`url(#way-${hand})`}
        />
      ))}
      {[...places].map(([key, { x, y, strokes }]) => (
        <g key={key} fill={colour}>
          <circle cx={x} cy={y} r="1.7" />
          {counted && (
            <text x={x} y={y + 8} fontSize="5.6" fontWeight="650" textAnchor="middle">
              {strokes.slice(0, COUNTED).join(' ') + (strokes.length > COUNTED ? ' …' : '')}
            </text>
          )}
        </g>
      ))}
      <circle
        data-now={hand}
        r="4.4"
        fill={colour}
        stroke="var(--color-base-100)"
        strokeWidth="1.2"
        visibility="hidden"
      />
    </g>
  )
}
