import { memo } from 'react'
import { COUNT_BASELINE, COUNT_ROW, LANE, PATTERN, type RowHeights, rowParts } from './row-heights'
import { Count, Hairpin, LaneDot, PatternLetter, SlotColumn, StackColumn } from './row-marks'
import { SlotLetters } from './slot-letters'
import type { RowView } from './view'

interface RowFigureProps {
  readonly view: RowView
  readonly heights: RowHeights
  readonly slotWidth: number
  readonly landingVoice: string
}

/**
 * One row of the ruler but its staff: counts, stacks, sticking, limbs and voices in one drawing.
 * Marks that did not change are the same objects as before, and are not drawn again.
 */
export const RowFigure = memo(function RowFigure({
  view,
  heights,
  slotWidth,
  landingVoice,
}: RowFigureProps) {
  const parts = rowParts(heights)
  const { width } = view.row
  const lead = view.row.segments.find(({ kind }) => kind === 'lead')
  return (
    <svg
      width={width}
      height={parts.height}
      className="paint-alone block select-none"
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
      {view.landing && view.landingContent && (
        <SlotLetters
          content={view.landingContent}
          x={view.landing.x + view.landing.width / 2}
          y={parts.lettersBaseline}
          width={slotWidth}
        />
      )}
      {lead && (
        <text x={lead.x} y={COUNT_BASELINE} className="text-[11px]" fill="var(--quiet)">
          groove
        </text>
      )}
      {lead && view.pickupBefore && (
        <text x={lead.x} y={parts.lettersBaseline} className="text-[11px]" fill="var(--quiet)">
          pick-up {view.pickupBefore}
        </text>
      )}
      <Lines view={view} heights={heights} />
      {view.counts.map((count) => (
        <Count key={count.x} count={count} />
      ))}
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
        <SlotColumn
          key={mark.slot}
          mark={mark}
          lettersBaseline={parts.lettersBaseline}
          voicesBaseline={parts.voicesBaseline}
          slotWidth={slotWidth}
        />
      ))}
      {view.swells.map((swell) => (
        <Hairpin key={`${swell.from} ${swell.spoken}`} swell={swell} y={parts.swellsMiddle} />
      ))}
      {view.lanes
        .filter(({ limb }) => heights.lanes.includes(limb))
        .map((mark) => (
          <LaneDot
            key={`${mark.limb} ${mark.x} ${mark.under}`}
            mark={mark}
            y={parts.lanesTop + heights.lanes.indexOf(mark.limb) * LANE + 8.5}
          />
        ))}
      {view.patterns
        .filter(({ pattern }) => heights.patterns.includes(pattern))
        .map((mark) => (
          <PatternLetter
            key={`${mark.pattern} ${mark.tick}`}
            mark={mark}
            y={parts.patternsTop + heights.patterns.indexOf(mark.pattern) * PATTERN + 14}
          />
        ))}
      <rect width={width} height={COUNT_ROW} fill="transparent" className="cursor-ew-resize">
        <title>Drag to move the start of the line</title>
      </rect>
      <rect
        y={COUNT_ROW}
        width={width}
        height={parts.bracketBottom - COUNT_ROW}
        fill="transparent"
        className="cursor-grab"
      />
    </svg>
  )
})

/** The lines that marks stand on: beats, the floor under the stacks, a line a limb. */
const Lines = memo(
  function Lines({ view, heights }: { view: RowView; heights: RowHeights }) {
    const parts = rowParts(heights)
    const lead = view.row.segments.find(({ kind }) => kind === 'lead')
    const floor = parts.stacksBottom + 0.5
    const beats = view.beatLines.map((x) => `M${x} 6V${parts.height}`)
    const lanes = heights.lanes.map(
      (_, i) => `M0 ${parts.lanesTop + i * LANE + 8.5}H${view.row.width}`,
    )
    const from = lead ? lead.x + lead.width : 0
    const to = view.row.width - (view.landing?.width ?? 0)
    return (
      <path
        d={[...beats, `M${from} ${floor}H${to}`, ...lanes].join('')}
        fill="none"
        stroke="var(--color-base-300)"
      />
    )
  },
  (before, after) =>
    before.heights === after.heights &&
    before.view.row === after.view.row &&
    before.view.beatLines === after.view.beatLines,
)

/** What a screen reader says of a row: its slots in words, in order. */
function rowLabel({ letters, swells }: RowView): string {
  return letters.length === 0
    ? 'No strokes in this row'
    : [...letters, ...swells].map(({ spoken }) => spoken).join('; ')
}
