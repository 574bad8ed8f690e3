/** What keys go to when nothing else has asked for them: the field of a page that is typed in most. */
const HOME = '[data-home]'

const focused = () => document.activeElement as HTMLTextAreaElement | null

/**
 * Remembers where the focus is before something opens over the page. Returns the way to give it back, with caret
 * and mark, once: a browser gives a field back without its mark, and what is typed next goes nowhere. The focus
 * that has gone on to another place of the page stays there; where it was is gone, or was nowhere, the page's
 * home has it.
 *
 * @param over what opens; the focus in it is given back, and so is one that has fallen to the page
 * @example const giveBack = rememberFocus(() => dialog.current); …; giveBack()
 */
export function rememberFocus(over: () => Element | null): () => void {
  const before = focused()
  // Null of what has no letters to mark.
  const { selectionStart: from = null, selectionEnd: to = null } = before ?? {}
  let given = false
  return () => {
    const now = focused()
    const free = !now || now === document.body || now === before || over()?.contains(now)
    if (given || !free) return
    given = true
    const known = before?.isConnected && before !== document.body
    const target = known ? before : document.querySelector<HTMLElement>(HOME)
    target?.focus({ preventScroll: true })
    if (known && from !== null) before.setSelectionRange(from, to)
  }
}
