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

/** What may be held besides a key. */
type Pressed = Pick<KeyboardEvent, 'key' | 'altKey' | 'ctrlKey' | 'metaKey'>

/**
 * The key of a press that means it by itself; null with Alt, Ctrl or Meta held, which make it a command's. Shift
 * makes another letter of it, and is in the key already. Whatever has keys of its own asks here.
 *
 * @example bareKey({ key: '1', altKey: true, … }) is null; Shift and `r` are 'R'
 */
export function bareKey({ key, altKey, ctrlKey, metaKey }: Pressed): string | null {
  return altKey || ctrlKey || metaKey ? null : key
}

/** Whether a press goes into a field that is typed in. */
export function isTypedIn({ target }: { readonly target: EventTarget | null }): boolean {
  return target instanceof Element && target.closest(TYPED_IN) !== null
}

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
