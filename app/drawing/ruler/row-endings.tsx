import { memo } from 'react'
import type { Phrase } from '~/core/changes'
import { type Lick, lickSlots } from '~/core/line'
import { formatSlot } from '~/core/notation'
import { type Ruler, type RulerRow, xOf } from './layout'
import { COUNT_ROW } from './row-heights'
import { slotsBetween } from './view'

/** Between one ending and the next, in pixels. */
const LINE = 19

/** Ways to end a line, where its strokes would be: over each other, each with the number of its key. */
export const RowEndings = memo(function RowEndings({
  endings,
  lick,
  ruler,
  row,
}: {
  endings: readonly Phrase[]
  lick: Lick
  ruler: Ruler
  row: RulerRow
}) {
  const { line } = lick
  const typed = line.slots.length
  return (
    <svg
      className="pointer-events-none absolute top-0 left-0 overflow-visible font-mono"
      width={row.width}
      height={COUNT_ROW + LINE * endings.length}
      fill="var(--quiet)"
      textAnchor="middle"
      aria-hidden="true"
      data-endings
    >
      {endings.map(({ slots, groups }, i) => {
        const ended = {
          ...lick,
          line: {
            ...line,
            slots: [...line.slots, ...slots],
            groups: [...line.groups, ...groups],
          },
        }
        const here = slotsBetween(lickSlots(ended), row.from, row.to).filter(
          ({ index }) => index >= typed,
        )
        if (here.length === 0) return null
        const y = COUNT_ROW + 14 + LINE * i
        const first = xOf(ruler, row, here[0]?.tick ?? -1)
        return (
          <g key={i}>
            {first !== undefined && here[0]?.index === typed && (
              <text x={first - 18} y={y} fontSize="11" fontWeight="600">
                {i + 1}
              </text>
            )}
            {here.map(({ index, tick, content }) => (
              <text key={index} x={xOf(ruler, row, tick)} y={y} fontSize="14">
                {formatSlot(content)}
              </text>
            ))}
          </g>
        )
      })}
    </svg>
  )
})
