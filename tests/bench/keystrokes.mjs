/** Runs in the page: from a key to the paint that shows it, and the staff that is drawn after it. */
export function watchKeys() {
  const keys = []
  addEventListener(
    'keydown',
    () => {
      const begun = performance.now()
      requestAnimationFrame(() => {
        const { port1, port2 } = new MessageChannel()
        port1.onmessage = () => keys.push({ begun, painted: performance.now() - begun })
        port2.postMessage(0)
      })
    },
    true,
  )
  Object.assign(window, {
    takeKeys: () => {
      const staff = performance
        .getEntriesByName('staff-unit')
        .map(({ startTime, duration }) => ({ startTime, duration }))
      performance.clearMeasures()
      const taken = keys.splice(0)
      return taken.map(({ begun, painted }, i) => {
        const until = taken[i + 1]?.begun ?? Number.POSITIVE_INFINITY
        const drawn = staff.filter(({ startTime }) => startTime >= begun && startTime < until)
        return {
          painted,
          units: drawn.length,
          staff: drawn.reduce((sum, { duration }) => sum + duration, 0),
        }
      })
    },
  })
}
