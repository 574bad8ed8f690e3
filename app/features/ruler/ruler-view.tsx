import { type RefObject, useMemo } from 'react'
import { landingUnit, type StaffView, staffUnit, toStaff } from '~/core/engraving'
import { frameTicks, type Lick } from '~/core/line'
import type { CountingSchool } from '~/core/time'
import { STAFF_HEIGHT } from '../staff/draw-unit'
import { StaffUnitView } from '../staff/staff-unit'
import { type Ruler, type RulerRow, type Segment, toRuler } from './layout'
import { LeadFigure } from './lead-figure'
import { RowFigure, RowLabels, rowHeights, rowParts } from './row-figure'
import { toRowViews } from './view'

interface RulerViewProps {
  readonly lick: Lick
  readonly width: number
  readonly school: CountingSchool
  readonly staffView: StaffView
  readonly selected: readonly number[]
  readonly onPick: (slot: number) => void
  /** Filled with the ruler as it stands, for the cursor that runs over it. */
  readonly rulerRef: RefObject<Ruler | null>
}

const LABELS_FROM = 620
const LABELS_WIDTH = 58

const LANDING_VOICES = { crash: 'crash', stop: 'choke', groove: 'groove', none: '' } as const

/** A lick on its one ruler: count, stacks, sticking, limbs, voices and staff, row by row. */
export function RulerView({
  lick,
  width,
  school,
  staffView,
  selected,
  onPick,
  rulerRef,
}: RulerViewProps) {
  const labelled = width >= LABELS_FROM
  const ruler = useMemo(
    () => toRuler(lick, width - (labelled ? LABELS_WIDTH : 0)),
    [lick, width, labelled],
  )
  const views = useMemo(() => toRowViews(lick, ruler, school), [lick, ruler, school])
  const staff = useMemo(() => toStaff(lick, staffView), [lick, staffView])
  rulerRef.current = ruler
  const heights = rowHeights(views, ruler.slotWidth)
  const parts = rowParts(heights)

  return (
    <div className="flex flex-col gap-6">
      {views.map((view) => (
        <div key={view.row.index} className="flex">
          {labelled && (
            <div className="shrink-0" style={{ width: LABELS_WIDTH }}>
              <RowLabels heights={heights} />
            </div>
          )}
          <div className="relative" style={{ width: view.row.width }} data-row={view.row.index}>
            {view.landing && (
              <div
                className="absolute inset-y-0 rounded-md bg-(--landing)"
                style={{ left: view.landing.x + 4, width: view.landing.width - 4 }}
              />
            )}
            <div className="relative">
              <RowFigure
                view={view}
                heights={heights}
                slotWidth={ruler.slotWidth}
                landingVoice={LANDING_VOICES[lick.frame.landing.kind]}
                selected={selected}
                onPick={onPick}
              />
              <div
                className="relative flex text-base-content"
                style={{ height: STAFF_HEIGHT }}
                aria-hidden="true"
              >
                {view.row.segments.map((segment) => (
                  <div
                    key={segment.from}
                    className="absolute top-0"
                    style={{ left: segment.x, width: segment.width }}
                  >
                    {segment.kind === 'lead' ? (
                      <LeadFigure
                        bars={lick.frame.lead}
                        beats={segment.to / frameTicks(lick.frame).beat}
                        width={segment.width}
                      />
                    ) : (
                      <SegmentStaff
                        lick={lick}
                        segment={segment}
                        row={view.row}
                        ruler={ruler}
                        staff={staff}
                      />
                    )}
                  </div>
                ))}
              </div>
            </div>
            <div
              className="pointer-events-none absolute top-0 left-0 hidden w-7 rounded-md bg-(--cursor)"
              style={{ height: parts.height + STAFF_HEIGHT }}
              data-cursor
            />
          </div>
        </div>
      ))}
    </div>
  )
}

interface SegmentStaffProps {
  readonly lick: Lick
  readonly segment: Segment
  readonly row: RulerRow
  readonly ruler: Ruler
  readonly staff: ReturnType<typeof toStaff>
}

function SegmentStaff({ lick, segment, row, ruler, staff }: SegmentStaffProps) {
  const unit =
    segment.kind === 'landing'
      ? landingUnit(lick, segment.from, frameTicks(lick.frame).bar)
      : staffUnit(staff, segment.from, segment.to)
  if (!unit) return null
  const geometry = {
    width: segment.width,
    pixelsPerTick: ruler.pixelsPerTick,
    inset: segment.kind === 'landing' ? segment.width / 2 : ruler.inset,
    barlineLeft: segment.opensBar,
    barlineRight:
      segment.kind === 'bar' && segment === row.segments.at(-1) && segment.closesBar
        ? 'single'
        : 'none',
    stickings: segment.kind === 'bar',
  } as const
  return <StaffUnitView unit={unit} geometry={geometry} />
}
