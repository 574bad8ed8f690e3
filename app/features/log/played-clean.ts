import { parseLickText } from '~/codecs/lick-text'
import { findVoicedLick } from '~/codecs/voicing'
import type { Lick } from '~/core/line'
import { lickLogs, onGrid } from '~/core/log'
import type { CleanPlay } from '~/core/playing'
import type { LickRecord, PracticeSessionRecord } from '~/storage'
import { toPracticeSession } from './practice-session'

/** The fastest tempo at which a whole lick was clean, as it would be on its grid of today; null for none. */
export function bestClean(
  record: Pick<LickRecord, 'id' | 'text'>,
  sessions: readonly PracticeSessionRecord[],
): number | null {
  const read = parseLickText(record.text)
  return read.ok ? bestCleanOf(record.id, read.value.lick, sessions) : null
}

function bestCleanOf(
  id: string,
  { frame }: Lick,
  sessions: readonly PracticeSessionRecord[],
): number | null {
  const own = sessions.filter(({ lickId }) => lickId === id).map(toPracticeSession)
  const best = lickLogs(onGrid(own, frame.grid))[0]?.bestClean ?? null
  return best === null ? null : Math.round(best * 10) / 10
}

/** Every lick that was played clean as a whole, as it is voiced, at its fastest clean tempo. */
export function cleanPlays(
  records: readonly LickRecord[],
  sessions: readonly PracticeSessionRecord[],
): CleanPlay[] {
  return records.flatMap((record) => {
    const lick = findVoicedLick(record)
    const tempo = lick && bestCleanOf(record.id, lick, sessions)
    return lick && tempo ? [{ lick, tempo }] : []
  })
}
