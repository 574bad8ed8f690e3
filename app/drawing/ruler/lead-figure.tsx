import { plural } from '~/words/figures'

/** The groove before what is drawn, folded into one narrow column: how many bars and beats there are of it. */
export function LeadFigure({ bars, beats, width }: { bars: number; beats: number; width: number }) {
  const lines = [76, 86, 96, 106, 116]
  return (
    <svg width={width} height="176" className="block" aria-hidden="true">
      {lines.map((y) => (
        <line
          key={y}
          x1="0"
          x2={width}
          y1={y + 0.5}
          y2={y + 0.5}
          stroke="currentColor"
          strokeOpacity="0.38"
        />
      ))}
      <rect x="6" y="86" width="4" height="20" fill="currentColor" />
      <rect x="13" y="86" width="4" height="20" fill="currentColor" />
      {width > 60 && bars + beats > 0 && (
        <g fill="currentColor">
          <polygon
            points={`${width / 2 + 10},86 ${width / 2 + 14},86 ${width / 2 + 4},106 ${width / 2},106`}
          />
          <text x={width / 2 + 7} y="70" textAnchor="middle" fontSize="11">
            {[bars > 0 && plural(bars, 'bar'), beats > 0 && plural(beats, 'beat')]
              .filter(Boolean)
              .join(' ')}
          </text>
        </g>
      )}
    </svg>
  )
}
