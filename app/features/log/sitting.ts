import type { LoggedSitting } from '~/codecs/csv'
import type { SittingRecord } from '~/storage'

/** A stored sitting as the core counts it. */
export function toSitting({ createdAt, ...sitting }: SittingRecord): LoggedSitting {
  return { ...sitting, at: createdAt }
}
