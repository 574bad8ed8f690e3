import type { DimeDatabase } from '../database'

/** What is derived by another making than these is worked out again. */
export const SUMMARY_MAKING = 1
export const LOG_MAKING = 1

/** Told apart from the player's settings, which stand in the same table. */
const MARK_ID = 'derived'

/** Whether all that lists show is of today's making. */
export async function isFresh({ settings }: DimeDatabase): Promise<boolean> {
  const mark = await settings.get(MARK_ID)
  return mark?.summaries === SUMMARY_MAKING && mark.logs === LOG_MAKING
}

/** Notes that it is. */
export async function noteFresh({ settings }: DimeDatabase): Promise<void> {
  await settings.put({ id: MARK_ID, summaries: SUMMARY_MAKING, logs: LOG_MAKING })
}
