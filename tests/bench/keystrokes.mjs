/**
 * Runs in the page: from a key to the paint that shows it, how much of that was work (handling the
 * key, and style, layout and paint of the frame; not the wait for the frame), and the staff after it.
 */
export function watchKeys() {
  const keys = []
  addEventListener(
    'keydown',
    (event) => {
      const { key, altKey } = event
      // Keys that only move the caret are not what is measured.
      if ((key.length > 1 && key !== 'Backspace') || altKey) return
      const begun = performance.now()
      let handled = begun
      // React commits in a microtask of the input event, queued before this one.
      const onHandled = () =>
        queueMicrotask(() => queueMicrotask(() => (handled = performance.now())))
      // What is typed in the line comes as input; the ruler takes the key itself.
      addEventListener('input', onHandled, { once: true })
      event.preventDefault = () => {
        Event.prototype.preventDefault.call(event)
        onHandled()
      }
      requestAnimationFrame(() => {
        const frame = performance.now()
        // The first task after the frame is painted, before whatever else waits for a turn.
        const afterPaint = () => {
          const painted = performance.now()
          keys.push({ begun, painted: painted - begun, work: handled - begun + painted - frame })
        }
        scheduler.postTask(afterPaint, { priority: 'user-blocking' })
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
      return taken.map(({ begun, painted, work }, i) => {
        const until = taken[i + 1]?.begun ?? Number.POSITIVE_INFINITY
        const drawn = staff.filter(({ startTime }) => startTime >= begun && startTime < until)
        return {
          painted,
          work,
          units: drawn.length,
          staff: drawn.reduce((sum, { duration }) => sum + duration, 0),
        }
      })
    },
  })
}
