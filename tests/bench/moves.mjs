/**
 * Runs in the page: how much work a move of the pointer is, from the move to the piece's new place in
 * the document, and style, layout and paint of the frame that shows it; not the wait for the frame.
 */
export function watchMoves() {
  const work = []
  let begun = Number.NaN
  addEventListener('pointermove', () => (begun = performance.now()), true)
  const onPlace = () => {
    const handled = performance.now() - begun
    requestAnimationFrame(() => {
      const frame = performance.now()
      const afterPaint = () => work.push(handled + performance.now() - frame)
      scheduler.postTask(afterPaint, { priority: 'user-blocking' })
    })
  }
  new MutationObserver(onPlace).observe(document.querySelector('[data-piece="f1"]'), {
    attributeFilter: ['transform'],
  })
  Object.assign(window, { takeMoves: () => work.splice(0) })
}
