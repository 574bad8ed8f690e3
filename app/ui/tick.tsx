import type { ReactNode } from 'react'

interface TickProps {
  readonly checked: boolean
  readonly onTick: (checked: boolean) => void
  readonly className?: string
  readonly children: ReactNode
}

/** A box to tick, with its words. */
export function Tick({ checked, onTick, className = 'text-sm', children }: TickProps) {
  return (
    <label className={`flex min-w-0 cursor-pointer items-center gap-2 ${className}`}>
      <input
        type="checkbox"
        className="checkbox checkbox-sm"
        checked={checked}
        onChange={(event) => onTick(event.target.checked)}
      />
      {children}
    </label>
  )
}
