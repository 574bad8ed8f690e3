import { type ReactNode, useEffect, useRef, useState } from 'react'
import { keepInView } from './keep-in-view'
import { whenThere } from './when-there'

/**
 * A part of a sentence that is edited in place: pressed, it opens its fields under it. The focus goes to
 * the first of them; Escape, or a press elsewhere, closes them and the focus comes back.
 */
export function SentencePart({
  id,
  label,
  shortcut,
  words,
  faulty = false,
  children,
}: {
  /** By which a key can open it: see {@link openSentencePart}. */
  id: string
  label: string
  shortcut: string
  words: string
  faulty?: boolean
  children: ReactNode
}) {
  const [open, setOpen] = useState(false)
  const host = useRef<HTMLSpanElement>(null)
  const button = useRef<HTMLButtonElement>(null)
  useEffect(() => {
    const opens = (event: Event) => {
      if ((event as CustomEvent<string>).detail === id) setOpen(true)
    }
    window.addEventListener(OPENS, opens)
    return () => window.removeEventListener(OPENS, opens)
  }, [id])
  useEffect(() => {
    if (!open) return
    // Until the fields are there, what is typed goes nowhere else.
    host.current?.querySelector<HTMLElement>('[data-fields]')?.focus()
    const stop = whenThere(
      () => host.current?.querySelector<HTMLElement>('[data-fields] :is(input, select)') ?? null,
      (first) => first.focus(),
    )
    const leave = (event: PointerEvent) => {
      if (!host.current?.contains(event.target as Node)) setOpen(false)
    }
    window.addEventListener('pointerdown', leave)
    return () => {
      stop()
      window.removeEventListener('pointerdown', leave)
    }
  }, [open])
  return (
    <span ref={host} className="relative inline-block max-w-full">
      <button
        ref={button}
        type="button"
        aria-expanded={open}
        aria-label={`${label}: ${words}`}
        title={`${label} (${shortcut})`}
        className={`min-h-6 max-w-full truncate underline decoration-dotted underline-offset-4 hover:bg-base-300 aria-expanded:bg-base-300 ${faulty ? 'text-error' : ''} ${narrowed(words)}`}
        onClick={() => setOpen(!open)}
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
            button.current?.focus()
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

const OPENS = 'open-sentence-part'

/** Opens the part of a sentence that has an id, wherever it is on the page. */
export function openSentencePart(id: string): void {
  window.dispatchEvent(new CustomEvent(OPENS, { detail: id }))
}
