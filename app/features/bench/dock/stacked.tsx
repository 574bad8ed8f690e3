import type { ComponentType } from 'react'

/** Two parts of a panel, one under the other, as one panel. */
export function stacked(First: ComponentType, Second: ComponentType): ComponentType {
  return () => (
    <div className="flex min-w-0 flex-col gap-6">
      <First />
      <Second />
    </div>
  )
}
