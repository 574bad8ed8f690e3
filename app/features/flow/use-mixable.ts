import { useCallback, useMemo } from 'react'
import { findVoicedLick } from '~/codecs/voicing'
import { useRead } from '~/live/use-read'
import { type Kept, type LickRecord, loadLicks } from '~/storage'
import { turnTexts } from '~/workspace/turned'
import type { MixableLick } from './flow-music'
import type { SourceName } from './flow-setup'

const NONE: readonly Kept<LickRecord>[] = []

/** The licks that a flow draws from, as they are stored now. */
export function useMixable(
  sources: readonly SourceName[],
  turned: boolean,
): readonly MixableLick[] {
  const wanted = sources.flatMap(({ kind, of }) => (kind === 'lick' ? of : [])).join('\n')
  const ids = useMemo(() => (wanted === '' ? [] : wanted.split('\n')), [wanted])
  const read = useCallback(() => loadLicks(ids), [ids])
  const concerns = useCallback(
    (table: string, changed: readonly string[]) =>
      table === 'licks' && changed.some((id) => ids.includes(id)),
    [ids],
  )
  const records = useRead<readonly Kept<LickRecord>[]>(read, concerns, NONE)
  return useMemo(
    () =>
      records.flatMap((record): MixableLick[] => {
        const lick = findVoicedLick(turnTexts(record, turned))
        return lick ? [{ id: record.id, lick }] : []
      }),
    [records, turned],
  )
}
