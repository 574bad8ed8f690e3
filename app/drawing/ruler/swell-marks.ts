import { type Hairpin, swellVelocity, type TimedSlot } from '~/core/line'
import { type Ruler, type RulerRow, xOf } from './layout'

/** The part of a swell that lies in a row: where it opens and closes, and how loud it is there. */
export interface SwellMark {
  readonly from: number
  readonly to: number
  /** MIDI velocities at its two ends. */
  readonly loudFrom: number
  readonly loudTo: number
  /** What a screen reader says of the whole swell. */
  readonly spoken: string
}

/** The swells over the slots of a row, drawn over the slots' own width. */
export function swellMarks(
  swells: readonly Hairpin[],
  slots: readonly TimedSlot[],
  ruler: Ruler,
  row: RulerRow,
): SwellMark[] {
  return swells.flatMap((swell) => {
    const under = slots.filter(({ index }) => index >= swell.from && index <= swell.to)
    const [first, last] = [under[0], under.at(-1)]
    if (!first || !last) return []
    const half = ruler.slotWidth / 2 - 3
    const right = (xOf(ruler, row, last.tick) ?? 0) + last.ticks * ruler.pixelsPerTick
    return [
      {
        from: (xOf(ruler, row, first.tick) ?? 0) - half,
        to: right - ruler.slotWidth + half,
        loudFrom: swellVelocity(swell, first.index),
        loudTo: swellVelocity(swell, last.index),
        spoken: `swell from ${swell.start} to ${swell.end}, slots ${swell.from + 1} to ${swell.to + 1}`,
      },
    ]
  })
}
