import { type RefObject, useLayoutEffect, useState } from 'react'

/** The inner width of an element in whole pixels, kept up to date; 0 until it is known. */
export function useWidth(element: RefObject<HTMLElement | null>): number {
  const [width, setWidth] = useState(0)
  useLayoutEffect(() => {
    const host = element.current
    if (!host) return
    const observer = new ResizeObserver(([entry]) => {
      if (entry) setWidth(Math.floor(entry.contentRect.width))
    })
    observer.observe(host)
    return () => observer.disconnect()
  }, [element])
  return width
}
