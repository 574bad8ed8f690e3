import { memo, useLayoutEffect, useRef, useState } from 'react'
import type { StaffUnit } from '~/core/engraving'
import { STAFF_HEIGHT, type UnitGeometry } from './draw-unit'
import { engrave, loadEngraver, loadedEngraver } from './engraver'

interface StaffUnitProps {
  readonly unit: StaffUnit
  readonly geometry: UnitGeometry
}

/** One unit of staff. It is drawn again only when its own content or geometry has changed. */
export const StaffUnitView = memo(
  function StaffUnitView({ unit, geometry }: StaffUnitProps) {
    const host = useRef<HTMLDivElement>(null)
    const [failed, setFailed] = useState(false)

    useLayoutEffect(() => {
      // What was typed is painted first: engraving may take longer than a frame, so it waits for one.
      let stale = false
      let later: ReturnType<typeof setTimeout> | undefined
      const draw = () => {
        const vexflow = loadedEngraver()
        if (!stale && vexflow && host.current) engrave(vexflow, host.current, unit, geometry)
      }
      const begin = () => {
        if (loadedEngraver()) draw()
        else loadEngraver().then(draw, () => setFailed(true))
      }
      const frame = requestAnimationFrame(() => {
        later = setTimeout(begin)
      })
      return () => {
        stale = true
        cancelAnimationFrame(frame)
        clearTimeout(later)
      }
    }, [unit, geometry])

    if (failed)
      return <p className="text-error text-xs">The staff cannot be drawn: its font did not load.</p>
    return (
      <div
        ref={host}
        className="staff-unit paint-alone"
        style={{ height: STAFF_HEIGHT, width: geometry.width }}
      />
    )
  },
  (before, after) => sameData(before.unit, after.unit) && sameData(before.geometry, after.geometry),
)

/** Units are plain data of some kilobytes at most: comparing them costs less than any drawing. */
function sameData(a: unknown, b: unknown): boolean {
  return a === b || JSON.stringify(a) === JSON.stringify(b)
}
