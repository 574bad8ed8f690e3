import { memo, useMemo } from 'react'
import { landingUnit, type Staff, type StaffView, staffUnit, toStaff } from '~/core/engraving'
import { frameTicks, type Lick } from '~/core/line'
import { plural } from '~/words/figures'
import { STAFF_HEIGHT } from '../staff/geometry'
import { StaffUnitView } from '../staff/staff-unit'
import type { Ruler, RulerRow, Segment } from './layout'

interface RowStaffProps {
  readonly lick: Lick
  readonly ruler: Ruler
  readonly view: StaffView
  readonly index: number
}

/**
 * The staff under a row, unit by unit; a row that the ruler no longer has shows none. What engraves and draws it
 * comes with it: the outlines of the glyphs are fetched only where a staff is shown.
 */
export default memo(function RowStaff({ lick, ruler, view, index }: RowStaffProps) {
  const row = ruler.rows[index]
  const staff = useMemo(() => row && toStaff(lick, view, row), [lick, view, row])
  if (!row || !staff) return null
  return (
    <div
      className="relative flex text-base-content"
      style={{ height: STAFF_HEIGHT }}
      aria-hidden="true"
    >
      {row.segments.map((segment) => (
        <div
          key={segment.from}
          className="absolute top-0"
          style={{ left: segment.x, width: segment.width }}
        >
          {segment.kind === 'lead' ? (
            <LeadFigure {...grooveIn(segment, lick)} width={segment.width} />
          ) : (
            <SegmentStaff lick={lick} segment={segment} row={row} ruler={ruler} staff={staff} />
          )}
        </div>
      ))}
    </div>
  )
})

/** The whole bars of groove in the lead-in, and the beats beyond them. */
function grooveIn({ from, to }: Segment, lick: Lick): { bars: number; beats: number } {
  const { bar, beat } = frameTicks(lick.frame)
  return { bars: Math.floor((to - from) / bar), beats: Math.floor(((to - from) % bar) / beat) }
}

interface SegmentStaffProps {
  readonly lick: Lick
  readonly segment: Segment
  readonly row: RulerRow
  readonly ruler: Ruler
  readonly staff: Staff
}

function SegmentStaff({ lick, segment, row, ruler, staff }: SegmentStaffProps) {
  const landing = segment.kind === 'landing'
  const unit = landing
    ? landingUnit(lick, segment.from, frameTicks(lick.frame).bar, staff.view.key)
    : staffUnit(staff, segment.from, segment.to)
  if (!unit) return null
  const closes = !landing && segment === row.segments.at(-1) && segment.closesBar
  const geometry = {
    width: segment.width,
    pixelsPerTick: ruler.pixelsPerTick,
    inset: landing ? segment.width / 2 : ruler.inset,
    barlineLeft: segment.opensBar,
    barlineRight: closes ? 'single' : 'none',
    stickings: !landing,
  } as const
  return <StaffUnitView unit={unit} geometry={geometry} />
}

/** The groove before what is drawn, folded into one narrow column: how many bars and beats there are of it. */
function LeadFigure({ bars, beats, width }: { bars: number; beats: number; width: number }) {
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
