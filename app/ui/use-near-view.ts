import { type RefObject, useLayoutEffect, useState } from 'react'

/** How far outside the window something still counts as near. */
const MARGIN = '60% 0px'

/** Whether an element is in the window or near it. */
export function useNearView(element: RefObject<HTMLElement | null>): boolean {
  const [near, setNear] = useState(false)
  useLayoutEffect(() => {
    const host = element.current
    if (!host) return
    const observer = new IntersectionObserver(
      ([entry]) => {
        if (entry) setNear(entry.isIntersecting)
      },
      { rootMargin: MARGIN },
    )
    observer.observe(host)
    return () => observer.disconnect()
  }, [element])
  return near
}
