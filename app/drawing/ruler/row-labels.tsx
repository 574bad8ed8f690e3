import { memo } from 'react'
import type { Limb } from '~/core/sticking'
import { patternName } from './patterns'
import { COUNT_BASELINE, LANE, PATTERN, type RowHeights, rowParts } from './row-heights'

const LANE_NAMES: Readonly<Record<Limb, string>> = {
  RH: 'right',
  LH: 'left',
  XH: 'either',
  RF: 'kick',
  LF: 'foot',
}

/** The names of the rows, in the margin. */
export const RowLabels = memo(function RowLabels({ heights }: { heights: RowHeights }) {
  const parts = rowParts(heights)
  return (
    <svg
      width="52"
      height={parts.height}
      className="paint-alone shrink-0 text-[11px]"
      fill="var(--quiet)"
      aria-hidden="true"
    >
      <text x="0" y={COUNT_BASELINE}>
        count
      </text>
      <text x="0" y={parts.lettersBaseline}>
        sticking
      </text>
      {heights.swells > 0 && (
        <text x="0" y={parts.swellsMiddle + 4}>
          swell
        </text>
      )}
      {heights.lanes.map((limb, i) => (
        <text key={limb} x="0" y={parts.lanesTop + i * LANE + 12}>
          {LANE_NAMES[limb]}
        </text>
      ))}
      <text x="0" y={parts.voicesBaseline}>
        voices
      </text>
      {heights.patterns.map((pattern, i) => (
        <text key={pattern} x="0" y={parts.patternsTop + i * PATTERN + 14}>
          {patternName(pattern)}
        </text>
      ))}
    </svg>
  )
})
