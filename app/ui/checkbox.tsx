import type { ReactNode } from 'react'

interface TickProps {
  readonly checked: boolean
  readonly onTick: (checked: boolean) => void
  readonly disabled?: boolean
  readonly className?: string
  readonly children: ReactNode
}

/** A box to tick, with its words. */
export function Checkbox(props: TickProps) {
  const { checked, onTick, disabled = false, className = 'text-sm', children } = props
  return (
    <label className={`flex min-w-0 cursor-pointer items-center gap-2 ${className}`}>
      <input
        type="checkbox"
        className="checkbox checkbox-sm"
        checked={checked}
        disabled={disabled}
        onChange={(event) => onTick(event.target.checked)}
      />
      {children}
    </label>
  )
}
