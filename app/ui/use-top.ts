import { type RefObject, useLayoutEffect, useState } from 'react'

/** Pixels from the top of the page to an element, whatever comes and goes above it. */
export function useTop(element: RefObject<HTMLElement | null>): number {
  const [top, setTop] = useState(0)
  // After every drawing: what stands above is drawn in its own time.
  useLayoutEffect(() => {
    const at = element.current?.getBoundingClientRect()
    const now = at ? at.top + window.scrollY : 0
    setTop((before) => (Math.abs(before - now) < 1 ? before : now))
  })
  return top
}
