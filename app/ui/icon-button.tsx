import type { ReactNode } from 'react'

interface IconButtonProps {
  /** What it does, for its hint and for screen readers. */
  readonly label: string
  readonly disabled?: boolean
  readonly size?: 'small' | 'tiny'
  readonly onClick: () => void
  readonly children: ReactNode
}

/** A button that is an icon alone. */
export function IconButton(props: IconButtonProps) {
  const { label, disabled = false, size = 'small', onClick, children } = props
  return (
    <button
      type="button"
      className={`btn btn-ghost btn-square ${size === 'small' ? 'btn-sm' : 'btn-xs'}`}
      aria-label={label}
      title={label}
      disabled={disabled}
      onClick={onClick}
    >
      {children}
    </button>
  )
}
