import type { SlotRange } from '~/core/changes'
import type { PatternPlace } from '~/core/groove'
import type { Ruler, RulerRow } from './layout'
import { xOf } from './layout'
import { PATTERN, type RowHeights, rowParts } from './row-heights'
import type { PressedRow } from './use-slot-pointer'
import { type Scene, slotsBetween } from './view'

interface RowSelectionProps {
  readonly scene: Scene
  readonly ruler: Ruler
  readonly row: RulerRow
  readonly range: SlotRange | null
  /** The row that keys are typed in; null for none. */
  readonly edited: PressedRow | null
  /** The slot of a pattern under the line that has the keys; null for none. */
  readonly place: PatternPlace | null
  readonly heights: RowHeights
  /** Whether it is what an offer would change. */
  readonly ghost: boolean
}

/** What is selected, as a band behind the row's drawing. */
export function RowSelection(props: RowSelectionProps) {
  const { scene, ruler, row, range, heights, edited, place, ghost } = props
  const parts = rowParts(heights)
  if (place) {
    const at = heights.patterns.indexOf(place.pattern)
    const x =
      place.tick < row.from || place.tick >= row.to ? undefined : xOf(ruler, row, place.tick)
    return x === undefined || at < 0 ? null : (
      <div
        className="pointer-events-none absolute rounded-md border-2 border-primary bg-(--cursor)"
        style={{
          left: x - 12,
          width: 24,
          top: parts.patternsTop + at * PATTERN,
          height: PATTERN,
        }}
        data-selected
        data-edited="pattern"
      />
    )
  }
  if (!range) return null
  const here = slotsBetween(scene.slots, row.from, row.to).filter(
    ({ index }) => index >= range.from && index < range.to,
  )
  const [first, last] = [here[0], here.at(-1)]
  if (!first || !last) return null
  const half = ruler.slotWidth / 2 - 1
  const left = (xOf(ruler, row, first.tick) ?? 0) - half
  const right =
    (xOf(ruler, row, last.tick) ?? 0) + last.ticks * ruler.pixelsPerTick - ruler.slotWidth + half
  const middle = edited === 'voices' ? parts.voicesBaseline - 4 : parts.lettersBaseline - 7
  return (
    <>
      <div
        className={`pointer-events-none absolute rounded-md ${ghost ? 'border-2 border-primary border-dashed' : 'bg-(--cursor)'}`}
        style={{ left, width: right - left, top: 4, height: parts.height - 6 }}
        data-selected
      />
      {edited && (
        <div
          className="pointer-events-none absolute rounded-md border-2 border-primary"
          style={{ left, width: right - left, top: middle - 14, height: 28 }}
          data-edited={edited}
        />
      )}
    </>
  )
}
