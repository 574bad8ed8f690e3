import { type ReactNode, useEffect, useRef, useState } from 'react'
import { rememberFocus } from './focus-back'
import { keepInView } from './keep-in-view'
import { whenThere } from './when-there'

/**
 * A part of a sentence that is edited in place: pressed, it opens its fields under it, and closes those of any
 * other. The focus goes to the first of them, its value marked; Escape, the same key or press again, or a press
 * elsewhere closes them, and the keys go where they went before.
 */
export function SentencePart({
  id,
  label,
  shortcut,
  words,
  faulty = false,
  whole = false,
  children,
}: {
  /** By which a key can open it: see {@link openSentencePart}. */
  id: string
  label: string
  shortcut: string
  words: string
  faulty?: boolean
  /** Whether long words go over several lines, where there is room under each other, and are not cut. */
  whole?: boolean
  children: ReactNode
}) {
  const [open, setOpen] = useState(false)
  const host = useRef<HTMLSpanElement>(null)
  useEffect(() => {
    const opens = (event: Event) => {
      const asked = (event as CustomEvent<string>).detail
      // What is typed in its fields is taken before they go.
      leaveFields(host.current)
      setOpen((now) => asked === id && !now)
    }
    window.addEventListener(OPENS, opens)
    return () => window.removeEventListener(OPENS, opens)
  }, [id])
  useEffect(() => {
    if (!open) return
    const giveBack = rememberFocus(() => host.current)
    // Until the fields are there, what is typed goes nowhere else.
    host.current?.querySelector<HTMLElement>('[data-fields]')?.focus()
    const stop = whenThere(
      () => host.current?.querySelector<HTMLElement>('[data-fields] :is(input, select)') ?? null,
      (first) => {
        first.focus()
        if (first instanceof HTMLInputElement) first.select()
      },
    )
    let pressed = false
    const leave = (event: PointerEvent) => {
      if (host.current?.contains(event.target as Node)) return
      pressed = true
      leaveFields(host.current)
      setOpen(false)
    }
    window.addEventListener('pointerdown', leave)
    return () => {
      stop()
      window.removeEventListener('pointerdown', leave)
      // A press that closes it moves the focus by itself, a moment later.
      if (pressed) setTimeout(giveBack)
      else giveBack()
    }
  }, [open])
  return (
    <span ref={host} className="relative inline-block max-w-full">
      <button
        type="button"
        aria-expanded={open}
        aria-label={`${label}: ${words}`}
        title={`${label} (${shortcut})`}
        className={`min-h-6 max-w-full text-left underline decoration-dotted underline-offset-4 hover:bg-base-300 aria-expanded:bg-base-300 ${faulty ? 'text-error' : ''} ${whole ? '' : `truncate ${narrowed(words)}`}`}
        onMouseDown={(event) => event.preventDefault()}
        onClick={() => openSentencePart(id)}
      >
        {words}
      </button>
      {open && (
        // biome-ignore lint/a11y/noStaticElementInteractions: Escape closes from any field in it
        <div
          ref={keepInView}
          data-fields
          tabIndex={-1}
          className="absolute top-full left-0 z-30 mt-1 flex w-64 flex-col gap-3 rounded-box border border-base-300 bg-base-100 p-3 text-left shadow-lg"
          onKeyDown={(event) => {
            if (event.key !== 'Escape') return
            event.preventDefault()
            event.stopPropagation()
            setOpen(false)
          }}
        >
          {children}
        </div>
      )}
    </span>
  )
}

/** A few letters are as wide as a finger needs them, and stand in their sentence all the same. */
function narrowed({ length }: string): string {
  if (length === 1) return '-mx-1.5 pointer-coarse:-mx-3'
  return length <= 3 ? 'pointer-coarse:-mx-2' : ''
}

function leaveFields(host: HTMLElement | null): void {
  const { activeElement } = document
  if (activeElement instanceof HTMLElement && host?.contains(activeElement)) activeElement.blur()
}

const OPENS = 'open-sentence-part'

/** Opens the part of a sentence that has an id, wherever it is on the page, or closes it again. */
export function openSentencePart(id: string): void {
  window.dispatchEvent(new CustomEvent(OPENS, { detail: id }))
}
