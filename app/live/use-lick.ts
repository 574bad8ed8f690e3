import { useCallback, useMemo } from 'react'
import { ok } from '~/core/foundation'
import { type Kept, type LickRecord, loadKept } from '~/storage'
import { useRead } from './use-read'

/** A stored lick as it is, from what the page was opened with on; null once it is deleted. */
export function useLick(opened: Kept<LickRecord>): Kept<LickRecord> | null {
  const { id } = opened
  const read = useCallback(async () => {
    const stored = await loadKept('licks', id)
    return stored.ok ? ok(stored.value ?? null) : stored
  }, [id])
  const concerns = useCallback(
    (table: string, ids: readonly string[]) => table === 'licks' && ids.includes(id),
    [id],
  )
  const lick = useRead<Kept<LickRecord> | null>(read, concerns, opened)
  const revision = lick?.revision
  // biome-ignore lint/correctness/useExhaustiveDependencies: the same revision is the same lick
  return useMemo(() => lick, [revision])
}
