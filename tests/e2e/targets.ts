import type { Page } from '@playwright/test'

/**
 * What can be pressed on a page and is smaller than `least` pixels in one direction, as `name 20x18`. Links
 * within text are as tall as their line; what is stretched over its row by a pseudo-element is as large as
 * that; a box is as large as its label, or as what reaches out around it.
 */
export function smallTargets(page: Page, least: number): Promise<string[]> {
  return page.evaluate((wanted) => {
    const pressed =
      'button, a[href], input, select, textarea, summary, [role="button"], [role="option"]'
    const sizeOf = (element: HTMLElement) => {
      const boxes = [element.getBoundingClientRect()]
      const labels = (element as HTMLInputElement).labels ?? []
      for (const label of labels) boxes.push(label.getBoundingClientRect())
      const after = getComputedStyle(element, '::after')
      if (after.position === 'absolute')
        boxes.push({ width: pixels(after.width), height: pixels(after.height) } as DOMRect)
      return {
        width: Math.max(...boxes.map(({ width }) => width)),
        height: Math.max(...boxes.map(({ height }) => height)),
      }
    }
    const pixels = (length: string) => Number.parseFloat(length) || 0
    return [...document.querySelectorAll<HTMLElement>(pressed)].flatMap((element) => {
      const style = getComputedStyle(element)
      const { width, height } = element.getBoundingClientRect()
      const off = style.visibility === 'hidden' || width === 0 || height === 0
      const within = element.matches('a') && style.display === 'inline'
      const reachable = !element.matches(':disabled, [type="file"]') && !element.closest('.sr-only')
      const own = sizeOf(element)
      const small = own.width < wanted - 0.5 || own.height < wanted - 0.5
      if (
        off ||
        (within && getComputedStyle(element, '::after').position !== 'absolute') ||
        !reachable ||
        !small
      )
        return []
      const name = element.getAttribute('aria-label') ?? element.textContent ?? ''
      return [`${name.trim().slice(0, 40)} ${Math.round(own.width)}x${Math.round(own.height)}`]
    })
  }, least)
}
