import type { ContourPoints } from '~/workspace/contour'
import { type Ruler, type RulerRow, xOf } from './layout'
import { type Scene, slotsBetween } from './view'

/** What is drawn of a contour over one row: a line from slot to slot, broken where nothing is drawn. */
export function RowContour({
  points,
  scene,
  ruler,
  row,
  height,
}: {
  points: ContourPoints
  scene: Scene
  ruler: Ruler
  row: RulerRow
  height: number
}) {
  let path = ''
  let pen = false
  const dots: (readonly [number, number])[] = []
  for (const { index, tick } of slotsBetween(scene.slots, row.from, row.to)) {
    const share = points[index]
    const x = xOf(ruler, row, tick)
    if (share == null || x === undefined) {
      pen = false
      continue
    }
    const y = Math.round(share * height * 10) / 10
    path += `${pen ? 'L' : 'M'}${x} ${y}`
    pen = true
    dots.push([x, y])
  }
  return (
    <svg
      className="pointer-events-none absolute top-0 left-0 overflow-visible"
      width={row.width}
      height={height}
      aria-hidden="true"
      data-contour
    >
      <path d={path} fill="none" stroke="var(--color-primary)" strokeWidth="3" opacity="0.7" />
      {dots.map(([x, y]) => (
        <circle key={x} cx={x} cy={y} r="4" fill="var(--color-primary)" />
      ))}
    </svg>
  )
}
