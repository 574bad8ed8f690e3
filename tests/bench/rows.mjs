/** The sizes of window at which the rows of a bar are measured, beside an open panel. */
export const SIZES = [
  { width: 1024, height: 768 },
  { width: 1280, height: 800 },
  { width: 1440, height: 900 },
]

/**
 * How many pixels of each row of the first bars can be seen, and how many there are:
 * `{ count: [28, 28], … }`. What the window, the ruler's own frame or a sheet cuts off is not seen.
 */
export function visibleRows(page) {
  return page.evaluate(() => {
    const system = document.querySelector('[data-system="0"]')
    const frame = system.closest('[data-ruler]').getBoundingClientRect()
    const sheet = document.querySelector('.dock-panel')?.getBoundingClientRect()
    const box = system.getBoundingClientRect()
    const covered = sheet && sheet.left < box.left ? sheet.top : Number.POSITIVE_INFINITY
    const foot = document.querySelector('.bench-foot').getBoundingClientRect().top
    const top = Math.max(0, frame.top)
    const bottom = Math.min(innerHeight, frame.bottom, foot, covered)
    const words = system.dataset.parts.split(' ')
    const parts = []
    for (let i = 0; i < words.length; i += 2) parts.push([words[i], Number(words[i + 1])])
    return Object.fromEntries(
      parts.map(([name, from], i) => {
        const to = parts[i + 1]?.[1] ?? box.height
        const seen = Math.min(bottom, box.top + to) - Math.max(top, box.top + from)
        return [name, [Math.max(0, Math.round(seen)), Math.round(to - from)]]
      }),
    )
  })
}
