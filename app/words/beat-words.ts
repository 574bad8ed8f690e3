import { isCompound, type Meter } from '~/core/time'

/** What the beats of a metre are called: `quarters`, in 6/8 `dotted quarters`. */
export function beatName(meter: Meter): string {
  if (isCompound(meter)) return meter.unit === 8 ? 'dotted quarters' : 'dotted eighths'
  return { 2: 'halves', 4: 'quarters', 8: 'eighths', 16: 'sixteenths' }[meter.unit]
}
