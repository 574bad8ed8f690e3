import { memo, useDeferredValue, useMemo } from 'react'
import type { StaffUnit } from '~/core/engraving'
import { barlineFigure, type Figure, staffFigures, staveFigure } from '~/core/figures'
import { isEqual } from '~/core/foundation'
import type { Ticks } from '~/core/time'
import { FigureView } from '../figures/figure-view'
import { useKeepEqual } from '../use-keep-equal'
import {
  HIGHEST,
  LOWEST,
  SPACE,
  STAFF_HEIGHT,
  STAVE_TOP,
  STICKING_BASELINE,
  type UnitGeometry,
} from './geometry'

interface StaffUnitProps {
  readonly unit: StaffUnit
  readonly geometry: UnitGeometry
}

/** One unit of staff. It is drawn again only when its own content or geometry has changed. */
export const StaffUnitView = memo(
  function StaffUnitView({ unit, geometry }: StaffUnitProps) {
    // What was typed is painted first: the staff follows in the next step.
    const wanted = useMemo(() => ({ unit, geometry }), [unit, geometry])
    const shown = useDeferredValue(wanted)
    return (
      <div
        className="staff-unit paint-alone"
        style={{ height: STAFF_HEIGHT, width: geometry.width }}
      >
        <UnitFigure {...shown} />
      </div>
    )
  },
  (before, after) => isEqual(before.unit, after.unit) && isEqual(before.geometry, after.geometry),
)

/** One unit of staff on the ruler's columns. Figures that did not change are not drawn again. */
function UnitFigure({
  unit,
  geometry,
}: {
  readonly unit: StaffUnit
  readonly geometry: UnitGeometry
}) {
  const figures = useKeepEqual(useMemo(() => figuresOf(unit, geometry), [unit, geometry]))
  return (
    <svg width={geometry.width} height={STAFF_HEIGHT} fill="currentColor" aria-hidden="true">
      <g transform={`translate(0 ${STAVE_TOP}) scale(${SPACE})`}>
        {figures.map((figure, i) => (
          <FigureView key={i} figure={figure} />
        ))}
      </g>
    </svg>
  )
}

function figuresOf(unit: StaffUnit, geometry: UnitGeometry): readonly Figure[] {
  const begun = performance.now()
  const width = geometry.width / SPACE
  const xOf = (tick: Ticks) =>
    (geometry.inset + (tick - unit.from) * geometry.pixelsPerTick) / SPACE
  const figures = [
    staveFigure(0, width),
    ...(geometry.barlineLeft ? [barlineFigure(0.16)] : []),
    ...(geometry.barlineRight === 'none' ? [] : [barlineFigure(width)]),
    ...staffFigures(unit, {
      xOf,
      room: { ceiling: HIGHEST, floor: LOWEST },
      sticking: geometry.stickings ? STICKING_BASELINE : null,
    }),
  ]
  performance.measure('staff-unit', { start: begun, end: performance.now() })
  return figures
}
