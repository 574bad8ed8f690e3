import { memo, useMemo, useRef } from 'react'
import type { Join, Section, Solo } from '~/core/solo'
import { barTicks } from '~/core/time'
import { useNearRows } from '~/ui/use-near-rows'
import { useWidth } from '~/ui/use-width'
import { partName } from '~/words/solo-words'
import { type RulerBar, toRulerBars } from './long-ruler'
import { ROW_HEIGHT, RulerRow } from './ruler-rows'

interface LongRulerProps {
  readonly solo: Solo
  readonly sections: readonly Section[]
  /** Where its sections meet, as far as that is known. */
  readonly joins: readonly Join[]
  /** How tall the column of each bar is, 0 to 1. */
  readonly columns: readonly number[]
  readonly chosen: string | null
  readonly onChoose: (part: number) => void
  readonly onJoin: (number: number) => void
  readonly onDraw: (bar: number, value: number) => void
  readonly onLift: () => void
}

/** A bar is at least so many pixels wide; rows have 8, 4 or 2 of them. */
const NARROWEST = 76
/** Between one row and the next, in pixels. */
const ROW_GAP = 8

/** A solo from beginning to end on one ruler, as many bars to a row as there is room for. */
export const LongRuler = memo(function LongRuler(props: LongRulerProps) {
  const { solo, sections, joins, columns, chosen } = props
  const host = useRef<HTMLDivElement>(null)
  const width = useWidth(host)
  const perRow = [8, 4, 2].find((count) => width / count >= NARROWEST) ?? 2
  const bars = useMemo(
    () => toRulerBars(sections, joins, columns, barTicks(solo.meter)),
    [sections, joins, columns, solo.meter],
  )
  const rows = useMemo(() => {
    const found: RulerBar[][] = []
    for (let from = 0; from < bars.length; from += perRow)
      found.push(bars.slice(from, from + perRow))
    return found
  }, [bars, perRow])
  // Rows of long bars are narrower bars: every row fits.
  const widest = Math.max(
    perRow,
    ...rows.map((row) => row.reduce((sum, { length }) => sum + length, 0)),
  )
  const names = useMemo(() => solo.parts.map(partName), [solo.parts])
  const chosenPart = solo.parts.findIndex(({ id }) => id === chosen)
  const near = useNearRows(host, { count: rows.length, height: ROW_HEIGHT, gap: ROW_GAP })
  return (
    <div ref={host} className="flex flex-col" style={near.style}>
      {rows.slice(near.from, near.to).map((row, i) => (
        <div key={near.from + i} style={{ height: ROW_HEIGHT }}>
          {width > 0 && (
            <RulerRow
              bars={row}
              wish={solo.wish}
              names={names}
              chosenPart={chosenPart}
              barWidth={Math.floor(width / widest)}
              onChoose={props.onChoose}
              onJoin={props.onJoin}
              onDraw={props.onDraw}
              onLift={props.onLift}
            />
          )}
        </div>
      ))}
    </div>
  )
})
