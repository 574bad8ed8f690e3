import { memo, useDeferredValue, useMemo } from 'react'
import type { StaffUnit } from '~/core/engraving'
import { isEqual } from '~/core/foundation'
import { STAFF_HEIGHT, type UnitGeometry } from './geometry'
import { UnitFigure } from './unit-figure'

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
