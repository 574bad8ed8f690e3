import type { LoggedSession } from '~/codecs/csv'
import type { PracticeSessionRecord } from '~/storage'

/** A stored session as the core counts it. */
export function toPracticeSession({ createdAt, ...session }: PracticeSessionRecord): LoggedSession {
  return { ...session, at: createdAt }
}
