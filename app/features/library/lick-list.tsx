import { useCallback, useLayoutEffect, useRef, useState } from 'react'
import type { LickSummary } from '~/storage'
import { useWindowRows } from '~/ui/use-window-rows'
import type { DeletedLick } from './library-actions'
import { LickRowItem } from './lick-row-item'

/** Pixels of a row before one is measured: all are of the same height. */
const USUAL_ROW = 84
/** Of so many rows all are drawn. */
const FEW = 60

interface LickListProps {
  readonly rows: readonly LickSummary[]
  readonly cleanTempos: ReadonlyMap<string, number | null>
  readonly selected: ReadonlySet<string>
  readonly onSelect: (ids: readonly string[], on: boolean) => void
  readonly onDeleted: (licks: readonly DeletedLick[]) => void
  readonly onHear: (id: string) => void
}

/** The licks that are near the window; however many there are, only those are drawn. */
export function LickList(props: LickListProps) {
  const { rows, cleanTempos, selected, onSelect, onDeleted, onHear } = props
  const [height, setHeight] = useState(USUAL_ROW)
  const { list, virtual, top } = useWindowRows<HTMLUListElement>(rows, height, FEW)
  useLayoutEffect(() => {
    const now = list.current?.firstElementChild?.getBoundingClientRect().height ?? 0
    if (now > 0 && Math.abs(now - height) >= 0.5) {
      setHeight(now)
      virtual.measure()
    }
  })
  // A range is taken from where the last one was ticked.
  const anchor = useRef<string | null>(null)
  const tick = useCallback(
    (id: string, on: boolean, range: boolean) => {
      const from = rows.findIndex((row) => row.id === anchor.current)
      const to = rows.findIndex((row) => row.id === id)
      anchor.current = id
      if (!range || from < 0) onSelect([id], on)
      else
        onSelect(
          rows.slice(Math.min(from, to), Math.max(from, to) + 1).map((row) => row.id),
          on,
        )
    },
    [rows, onSelect],
  )
  return (
    <ul
      ref={list}
      className="relative mt-4 border-base-300 border-t"
      style={{ height: virtual.getTotalSize() }}
    >
      {virtual.getVirtualItems().map((item) => {
        const row = rows[item.index]
        if (!row) return null
        return (
          <li
            key={item.key}
            aria-setsize={rows.length}
            aria-posinset={item.index + 1}
            className="absolute inset-x-0 top-0"
            style={{ transform: `translateY(${item.start - top}px)` }}
          >
            <LickRowItem
              row={row}
              clean={cleanTempos.get(row.id) ?? null}
              selected={selected.has(row.id)}
              onTick={tick}
              onDeleted={onDeleted}
              onHear={onHear}
            />
          </li>
        )
      })}
    </ul>
  )
}
