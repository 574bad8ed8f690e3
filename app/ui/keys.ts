/** Whether a key belongs to a control that has the focus: space to a button, arrows to a list. */
export function onControl({ target }: KeyboardEvent): boolean {
  return (
    target instanceof HTMLElement &&
    target.closest('button, a, select, summary, input, [role="slider"]') !== null
  )
}
