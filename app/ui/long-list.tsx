import type { ReactNode } from 'react'
import { useWindowRows } from './use-window-rows'

/** Of so many rows all are drawn. */
const FEW = 30

interface LongListProps<T> {
  readonly rows: readonly T[]
  /** Pixels of a row before it is measured. */
  readonly usualRow: number
  readonly children: (row: T) => ReactNode
}

/** A list that scrolls with the page: however many rows it has, only those near the window are drawn. */
export function LongList<T extends { readonly id: string }>({
  rows,
  usualRow,
  children,
}: LongListProps<T>) {
  const { list, virtual, top } = useWindowRows<HTMLUListElement>(rows, usualRow, FEW)
  return (
    <ul ref={list} className="relative" style={{ height: virtual.getTotalSize() }}>
      {virtual.getVirtualItems().map((item) => {
        const row = rows[item.index]
        if (!row) return null
        return (
          <li
            key={item.key}
            ref={virtual.measureElement}
            data-index={item.index}
            aria-setsize={rows.length}
            aria-posinset={item.index + 1}
            className="absolute inset-x-0 top-0"
            style={{ transform: `translateY(${item.start - top}px)` }}
          >
            {children(row)}
          </li>
        )
      })}
    </ul>
  )
}
