/** What is pressed: nothing in which the next key would be typed. */
const FOCUSABLE =
  'a[href], button:not(:disabled), select:not(:disabled), summary, input:is([type="checkbox"], [type="radio"]):not(:disabled)'

/** Where the focus was: the element, and each thing around it with its number among what has the focus there. */
interface Place {
  readonly element: HTMLElement
  readonly around: readonly { readonly box: HTMLElement; readonly index: number }[]
}

/**
 * Keeps the focus where a key has left it: where the control that had it goes, or cannot be pressed any more, what
 * stands in its place has it, else what is nearest in what is left of its surroundings. The browser would give it to
 * the page, and the next Tab would begin at its top. Of another page, and of what was clicked, it keeps nothing.
 * Returns the way to stop.
 */
export function keepFocus(host: HTMLElement): () => void {
  let last: Place | null = null
  let byKeys = false
  const press = ({ type }: Event) => {
    byKeys = type === 'keydown'
  }
  const come = ({ target }: FocusEvent) => {
    last = target instanceof HTMLElement && target !== host ? placeOf(target, host) : null
  }
  const leave = ({ target, relatedTarget }: FocusEvent) => {
    // Who leaves for nowhere by a press beside it has left; who is taken away has not.
    if (relatedTarget === null && target === last?.element && isThere(last.element))
      queueMicrotask(() => {
        if (last && isThere(last.element)) last = null
      })
  }
  const look = () => {
    if (!byKeys || !last || isThere(last.element)) return
    const { activeElement } = document
    if (activeElement === null || activeElement === document.body)
      inPlaceOf(last)?.focus({ preventScroll: true })
  }
  const observer = new MutationObserver(look)
  observer.observe(host, { childList: true, subtree: true, attributeFilter: ['disabled'] })
  document.addEventListener('keydown', press, true)
  document.addEventListener('pointerdown', press, true)
  host.addEventListener('focusin', come)
  host.addEventListener('focusout', leave)
  return () => {
    observer.disconnect()
    document.removeEventListener('keydown', press, true)
    document.removeEventListener('pointerdown', press, true)
    host.removeEventListener('focusin', come)
    host.removeEventListener('focusout', leave)
  }
}

function isThere(element: HTMLElement): boolean {
  return element.isConnected && !element.matches(':disabled')
}

function placeOf(element: HTMLElement, host: HTMLElement): Place {
  const around: { box: HTMLElement; index: number }[] = []
  for (let box = element.parentElement; box && box !== host; box = box.parentElement)
    around.push({ box, index: [...box.querySelectorAll(FOCUSABLE)].indexOf(element) })
  return { element, around }
}

/** What stands where something was, in the smallest thing around it that still stands. */
function inPlaceOf({ around }: Place): HTMLElement | null {
  for (const { box, index } of around) {
    if (!box.isConnected) continue
    const all = [...box.querySelectorAll<HTMLElement>(FOCUSABLE)]
    const next = all[Math.max(0, Math.min(index, all.length - 1))]
    if (next) return next
  }
  return null
}
