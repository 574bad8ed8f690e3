import { type RefObject, useEffect, useState } from 'react'

/** How far outside the window something still counts as near. */
const MARGIN = '60% 0px'

/**
 * Which of the numbered children of an element (`data-system`) are in the window or near it.
 * `count` is how many there are: they are watched anew when it changes.
 */
export function useNearRows(
  host: RefObject<HTMLElement | null>,
  count: number,
): ReadonlySet<number> {
  const [near, setNear] = useState<ReadonlySet<number>>(FIRST_ROWS)
  useEffect(() => {
    const observer = new IntersectionObserver(
      (entries) =>
        setNear((known) => {
          const now = new Set(known)
          for (const { target, isIntersecting } of entries) {
            const index = Number((target as HTMLElement).dataset.system)
            if (isIntersecting) now.add(index)
            else now.delete(index)
          }
          return now
        }),
      { rootMargin: MARGIN },
    )
    const rows = [...(host.current?.children ?? [])].slice(0, count)
    for (const row of rows) observer.observe(row)
    return () => observer.disconnect()
  }, [host, count])
  return near
}

/** Before anything is measured, the first rows are taken to be near. */
const FIRST_ROWS: ReadonlySet<number> = new Set([0, 1, 2])
