import { type ReactNode, useEffect, useRef } from 'react'
import { rememberFocus } from './focus-back'
import { keepInView } from './keep-in-view'
import { whenThere } from './when-there'

/**
 * A button with a small window of choices over it. The focus goes to the first; Escape and a press
 * elsewhere close it, and the focus goes back where it was.
 */
export function PopUp({
  label,
  words,
  down = false,
  open,
  onOpen,
  children,
}: {
  label: string
  words: ReactNode
  /** Whether it opens under its button, not over it. */
  down?: boolean
  open: boolean
  onOpen: (open: boolean) => void
  children: ReactNode
}) {
  const host = useRef<HTMLSpanElement>(null)
  useEffect(() => {
    if (!open) return
    const giveBack = rememberFocus(() => host.current)
    const stop = whenThere(
      () => host.current?.querySelector<HTMLElement>('[data-pop-up] :is(button, select)') ?? null,
      (first) => first.focus(),
    )
    let pressed = false
    const leave = (event: PointerEvent) => {
      if (host.current?.contains(event.target as Node)) return
      pressed = true
      onOpen(false)
    }
    window.addEventListener('pointerdown', leave)
    return () => {
      stop()
      window.removeEventListener('pointerdown', leave)
      // A press that closes it moves the focus by itself, a moment later.
      if (pressed) setTimeout(giveBack)
      else giveBack()
    }
  }, [open, onOpen])
  return (
    <span ref={host} className="relative shrink-0">
      <button
        type="button"
        className="action"
        aria-label={label}
        aria-expanded={open}
        onMouseDown={(event) => event.preventDefault()}
        onClick={() => onOpen(!open)}
      >
        {words}
      </button>
      {open && (
        // biome-ignore lint/a11y/noStaticElementInteractions: Escape closes from any control in it
        <div
          ref={keepInView}
          data-pop-up
          className={down ? 'pop-up pop-up-down' : 'pop-up'}
          onKeyDown={(event) => {
            if (event.key !== 'Escape') return
            event.preventDefault()
            event.stopPropagation()
            onOpen(false)
          }}
        >
          {children}
        </div>
      )}
    </span>
  )
}
