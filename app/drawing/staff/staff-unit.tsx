import { memo, useDeferredValue, useMemo } from 'react'
import type { StaffUnit } from '~/core/engraving'
import { late } from '~/ui/late'
import { LoadBoundary } from '~/ui/load-boundary'
import { STAFF_HEIGHT, type UnitGeometry } from './geometry'

/** The outlines of the glyphs come with it, only where a staff is shown. */
const UnitFigure = late(async () => (await import('./unit-figure')).default)

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
        <LoadBoundary what="The staff">
          <UnitFigure {...shown} />
        </LoadBoundary>
      </div>
    )
  },
  (before, after) => sameData(before.unit, after.unit) && sameData(before.geometry, after.geometry),
)

/** Units are plain data of some kilobytes at most: comparing them costs less than any drawing. */
function sameData(a: unknown, b: unknown): boolean {
  return a === b || JSON.stringify(a) === JSON.stringify(b)
}
