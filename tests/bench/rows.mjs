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
    const parts = JSON.parse(system.dataset.parts)
    const names = ['count', 'stacks', 'sticking', 'limbs', 'voices', 'layers', 'staff']
    const { stacksTop, bracketBottom, lanesTop, voicesBaseline, patternsTop, height } = parts
    const starts = [0, stacksTop, bracketBottom, lanesTop, voicesBaseline - 14, patternsTop, height]
    const rows = names.map((name, i) => {
      const [from, to] = [starts[i], starts[i + 1] ?? box.height]
      const seen = Math.min(bottom, box.top + to) - Math.max(top, box.top + from)
      return [name, [Math.max(0, Math.round(seen)), Math.round(to - from)]]
    })
    // Rows that the lick does not have are no higher than what is between others.
    return Object.fromEntries(rows.filter(([, [, height]]) => height > 4))
  })
}
