/**
 * Runs in the page: how much work a move of the pointer is (handling it, and style, layout and paint
 * of the frame that shows it; not the wait for the frame).
 */
export function watchMoves() {
  const work = []
  addEventListener(
    'pointermove',
    () => {
      const begun = performance.now()
      let handled = begun
      // React commits in a microtask of the event, queued before this one.
      queueMicrotask(() => queueMicrotask(() => (handled = performance.now())))
      requestAnimationFrame(() => {
        const frame = performance.now()
        const afterPaint = () => work.push(handled - begun + performance.now() - frame)
        scheduler.postTask(afterPaint, { priority: 'user-blocking' })
      })
    },
    true,
  )
  Object.assign(window, { takeMoves: () => work.splice(0) })
}
