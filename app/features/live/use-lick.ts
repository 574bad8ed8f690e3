import { useEffect, useState } from 'react'
import { type Kept, type LickRecord, loadKept, onStoreChange } from '~/storage'

/** A stored lick as it is, from what the page was opened with on; null once it is deleted. */
export function useLick(opened: Kept<LickRecord>): Kept<LickRecord> | null {
  const { id } = opened
  const [lick, setLick] = useState<Kept<LickRecord> | null>(opened)
  useEffect(() => {
    let gone = false
    const read = () =>
      void loadKept('licks', id).then((stored) => {
        if (!stored.ok || gone) return
        const now = stored.value ?? null
        setLick((before) => (before && before.revision === now?.revision ? before : now))
      })
    // Between the loader's reading and now something may have been saved.
    read()
    const stop = onStoreChange(({ table, ids }) => {
      if (table === 'licks' && ids.includes(id)) read()
    })
    return () => {
      gone = true
      stop()
    }
  }, [id])
  return lick
}
