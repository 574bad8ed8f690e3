import { useWindowVirtualizer } from '@tanstack/react-virtual'
import { type RefObject, useCallback, useRef } from 'react'
import { useTop } from './use-top'

/** Rows that are drawn beyond the window. */
const OVERSCAN = 4

/**
 * The rows of a list that scrolls with the page which are near the window. Of few rows, up to `few`, all are
 * drawn, so that the browser finds in them.
 *
 * @param usualRow pixels of a row before it is measured
 * @example const { list, virtual, top } = useWindowRows<HTMLUListElement>(rows, 70, 30)
 */
export function useWindowRows<E extends HTMLElement>(
  rows: readonly { readonly id: string }[],
  usualRow: number,
  few: number,
) {
  const list: RefObject<E | null> = useRef<E>(null)
  const top = useTop(list)
  const keyOf = useCallback((index: number) => rows[index]?.id ?? index, [rows])
  const virtual = useWindowVirtualizer({
    count: rows.length,
    estimateSize: () => usualRow,
    overscan: rows.length <= few ? few : OVERSCAN,
    scrollMargin: top,
    getItemKey: keyOf,
  })
  return { list, virtual, top }
}
