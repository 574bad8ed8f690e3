import { type RefObject, useLayoutEffect, useState } from 'react'

/** Letters of a gauge: more of them, less rounding. */
export const GAUGE = '0'.repeat(20)

/**
 * How many letters fit into a row of a field, from a gauge of twenty letters in the field's own face;
 * measured anew when its width changes and when the fonts have come. 0 until it is known.
 */
export function useColumns(
  field: RefObject<HTMLTextAreaElement | null>,
  gauge: RefObject<HTMLElement | null>,
): number {
  const [columns, setColumns] = useState(0)
  useLayoutEffect(() => {
    const measure = () => {
      if (!field.current || !gauge.current) return
      const style = getComputedStyle(field.current)
      const padding = Number.parseFloat(style.paddingLeft) + Number.parseFloat(style.paddingRight)
      const letter = gauge.current.getBoundingClientRect().width / GAUGE.length
      if (letter > 0) setColumns(Math.floor((field.current.clientWidth - padding) / letter))
    }
    measure()
    const observer = new ResizeObserver(measure)
    if (field.current) observer.observe(field.current)
    if (gauge.current) observer.observe(gauge.current)
    return () => observer.disconnect()
  }, [field, gauge])
  return columns
}
