interface Span {
  readonly left: number
  readonly right: number
}

/** Pixels that stay free between what opened and the edge. */
const EDGE = 4

/**
 * How far something must move sideways to stand within bounds, in pixels; what is wider than they are begins
 * where they do.
 * @example shiftInto({ left: 900, right: 1120 }, { left: 0, right: 1024 }) // -100
 */
export function shiftInto({ left, right }: Span, bounds: Span): number {
  return Math.max(bounds.left + EDGE - left, Math.min(0, bounds.right - EDGE - right))
}

/**
 * A ref for what opens beside its control: it is moved back into the window, and into any box that would cut
 * it off, for as long as it is open.
 */
export function keepInView(element: HTMLElement | null): (() => void) | undefined {
  if (!element) return
  const place = () => {
    const { style } = element
    style.left = style.right = ''
    const by = shiftInto(element.getBoundingClientRect(), boundsOf(element))
    if (by === 0) return
    style.left = `${element.offsetLeft + by}px`
    style.right = 'auto'
  }
  place()
  const observer = new ResizeObserver(place)
  observer.observe(element)
  observer.observe(document.documentElement)
  return () => observer.disconnect()
}

/** Where an element can be seen: in the window, within every box around it that cuts off what stands out. */
function boundsOf(element: HTMLElement): Span {
  let [left, right] = [0, document.documentElement.clientWidth]
  for (let box = element.parentElement; box; box = box.parentElement) {
    if (getComputedStyle(box).overflowX === 'visible') continue
    const edges = box.getBoundingClientRect()
    left = Math.max(left, edges.left)
    right = Math.min(right, edges.right)
  }
  return { left, right }
}
