import { useWindowVirtualizer } from '@tanstack/react-virtual'
import { type ReactNode, useCallback, useRef } from 'react'
import { useTop } from './use-top'

/** Rows that are drawn beyond the window; of few rows all of them, so that the browser finds in them. */
const OVERSCAN = 4
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
  const list = useRef<HTMLUListElement>(null)
  const top = useTop(list)
  const keyOf = useCallback((index: number) => rows[index]?.id ?? index, [rows])
  const virtual = useWindowVirtualizer({
    count: rows.length,
    estimateSize: () => usualRow,
    overscan: rows.length <= FEW ? FEW : OVERSCAN,
    scrollMargin: top,
    getItemKey: keyOf,
  })
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
