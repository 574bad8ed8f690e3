/** How the focus came to where it is: by the Tab key, or in any other way. */
let cameByTab = false
let tabbing = false

/**
 * Follows how the focus travels, from the first call on: a control that was clicked has the focus
 * too, but the keys are still the page's.
 */
function follow(): void {
  if (following) return
  following = true
  document.addEventListener('keydown', ({ key }) => (tabbing = key === 'Tab'), true)
  document.addEventListener('pointerdown', () => (tabbing = false), true)
  document.addEventListener('focusin', () => (cameByTab = tabbing), true)
}

let following = false
if (typeof document !== 'undefined') follow()

/** Controls in which a space, or any letter, is typed. */
const TYPED_IN =
  'textarea, [contenteditable="true"], input:not([type="checkbox"], [type="radio"], [type="range"], [type="file"])'
const PRESSED = 'button, a, select, summary, input, [role="slider"], [role="option"]'

/**
 * Whether Space belongs to a control and not to the page: to a field that is typed in, and to any
 * control that the Tab key has come to. A button that was clicked does not keep it.
 */
export function spaceIsForControl({ target }: KeyboardEvent): boolean {
  if (!(target instanceof HTMLElement)) return false
  if (target.closest(TYPED_IN) !== null) return true
  return cameByTab && target.closest(PRESSED) !== null
}
