import { useEffect, useMemo, useState } from 'react'
import { findVoicedLick } from '~/codecs/voicing'
import { type Kept, type LickRecord, loadLicks, onStoreChange } from '~/storage'
import { turnTexts } from '../bench/turned'
import type { MixableLick } from './flow-music'
import type { SourceName } from './flow-setup'

/** The licks that a flow draws from, as they are stored now. */
export function useMixable(
  sources: readonly SourceName[],
  turned: boolean,
): readonly MixableLick[] {
  const wanted = sources.flatMap(({ kind, of }) => (kind === 'lick' ? of : [])).join('\n')
  const [records, setRecords] = useState<readonly Kept<LickRecord>[]>([])
  useEffect(() => {
    const ids = wanted === '' ? [] : wanted.split('\n')
    let gone = false
    const read = () =>
      void loadLicks(ids).then((licks) => {
        if (licks.ok && !gone) setRecords(licks.value)
      })
    read()
    const stop = onStoreChange((changed) => {
      if (changed.table === 'licks' && changed.ids.some((id) => ids.includes(id))) read()
    })
    return () => {
      gone = true
      stop()
    }
  }, [wanted])
  return useMemo(
    () =>
      records.flatMap((record): MixableLick[] => {
        const lick = findVoicedLick(turnTexts(record, turned))
        return lick ? [{ id: record.id, lick }] : []
      }),
    [records, turned],
  )
}
