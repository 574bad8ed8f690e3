import { fail, type Result } from '~/core/foundation'
import type { StoreIssue } from './issue'
import type { Snapshots } from './snapshots'
import type { Change } from './write'

/**
 * The way into the store, fetched when it is first needed: pages that only show what is stored do not
 * wait for what is needed to change it. A part that cannot be fetched is a failure like any other.
 */
export async function write(
  changes: readonly Change[],
  now?: number,
  snapshots?: Snapshots,
): Promise<Result<number[], StoreIssue>> {
  const writer = await fetchWriter()
  return writer
    ? writer.write(changes, now, snapshots)
    : fail({ code: 'unavailable', detail: 'a part of the app could not be loaded' })
}

/** Fetches it ahead of time. */
export async function fetchWriter(): Promise<typeof import('./write') | undefined> {
  try {
    return await import('./write')
  } catch {
    return undefined
  }
}
