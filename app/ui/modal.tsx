import { type ReactNode, useLayoutEffect, useRef } from 'react'
import { rememberFocus } from './focus-back'

interface ModalProps {
  readonly label: string
  readonly className: string
  /** Called once it is closed: by Escape, by a press beside it, or by what `children` are given. */
  readonly onClose: () => void
  /** What it holds; given the way to close it, after which the focus is where it was. */
  readonly children: (close: () => void) => ReactNode
}

/** A window over the page that has the keys until it is closed, and then gives focus, caret and mark back. */
export function Modal({ label, className, onClose, children }: ModalProps) {
  const dialog = useRef<HTMLDialogElement>(null)
  const giveBack = useRef(() => {})
  useLayoutEffect(() => {
    giveBack.current = rememberFocus(() => dialog.current)
    dialog.current?.showModal()
  }, [])
  const close = () => {
    dialog.current?.close()
    giveBack.current()
  }
  return (
    <dialog
      ref={dialog}
      aria-label={label}
      className={`m-auto rounded-box border border-base-300 bg-base-100 text-base-content shadow-xl ${className}`}
      // By Escape, and by a press beside it.
      closedby="any"
      onClose={() => {
        giveBack.current()
        onClose()
      }}
    >
      {children(close)}
    </dialog>
  )
}
