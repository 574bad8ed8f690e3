import { type ReactNode, useEffect, useRef } from 'react'
import { keepInView } from './keep-in-view'
import { whenThere } from './when-there'

/**
 * A button with a small window of choices over it. The focus goes to the first; Escape and a press
 * elsewhere close it, and the focus comes back.
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
  const button = useRef<HTMLButtonElement>(null)
  useEffect(() => {
    if (!open) return
    const stop = whenThere(
      () => host.current?.querySelector<HTMLElement>('[data-pop-up] :is(button, select)') ?? null,
      (first) => first.focus(),
    )
    const leave = (event: PointerEvent) => {
      if (!host.current?.contains(event.target as Node)) onOpen(false)
    }
    window.addEventListener('pointerdown', leave)
    return () => {
      stop()
      window.removeEventListener('pointerdown', leave)
    }
  }, [open, onOpen])
  return (
    <span ref={host} className="relative shrink-0">
      <button
        ref={button}
        type="button"
        className="action"
        aria-label={label}
        aria-expanded={open}
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
            button.current?.focus()
          }}
        >
          {children}
        </div>
      )}
    </span>
  )
}
