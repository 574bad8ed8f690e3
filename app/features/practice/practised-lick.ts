import { findVoicedLick, parseVoicing } from '~/codecs/voicing'
import { EMPTY_LICK, type Lick } from '~/core/line'
import { type LickLog, logOfLick } from '~/core/log'
import { PLAIN_VOICING, type Voicing } from '~/core/voicing'
import { toPracticeSession } from '~/live/practice-session'
import type { LickRecord, PracticeSessionRecord } from '~/storage'
import { turnTexts } from '~/workspace/turned'

/** What was noted at its strokes; nothing where it cannot be read. */
export function voicingOf({ voicing }: LickRecord): Voicing {
  const read = parseVoicing(voicing)
  return read.ok ? read.value : PLAIN_VOICING
}

/** A stored lick as it is played here: turned for its player, and voiced. */
export function lickOf(record: LickRecord, turnLetters: boolean): Lick {
  return findVoicedLick(turnTexts(record, turnLetters)) ?? EMPTY_LICK
}

/** A lick's log with the tempos that its sessions would have on the grid it has now. */
export function logOf(own: readonly PracticeSessionRecord[], { frame }: Lick): LickLog | undefined {
  return logOfLick(own.map(toPracticeSession), frame.grid, Date.now())
}

/** How long a lick has been practised since midnight, in seconds. */
export function secondsToday(own: readonly { createdAt: number; seconds: number }[]): number {
  const midnight = new Date().setHours(0, 0, 0, 0)
  return own.reduce((sum, one) => sum + (one.createdAt >= midnight ? one.seconds : 0), 0)
}
