import { useCallback, useMemo } from 'react'
import { useRead } from '~/live/use-read'
import { type Kept, type LickSummary, loadVersions, type VersionRecord } from '~/storage'
import type { SourceName } from './flow-setup'

const NONE: readonly Kept<VersionRecord>[] = []

/** The saved versions of the licks that a flow draws from, with what each is called. */
export function useVersionNames(
  sources: readonly SourceName[],
  summaries: readonly LickSummary[],
): readonly { readonly id: string; readonly name: string; readonly title: string }[] {
  const wanted = sources.flatMap(({ kind, of }) => (kind === 'lick' ? of : [])).join(' ')
  const read = useCallback(() => loadVersions(wanted === '' ? [] : wanted.split(' ')), [wanted])
  const concerns = useCallback((table: string) => table === 'versions', [])
  const rows = useRead<readonly Kept<VersionRecord>[]>(read, concerns, NONE)
  return useMemo(() => {
    const titles = new Map(summaries.map(({ id, title }) => [id, title]))
    return rows.map(({ id, name, lickId }) => ({ id, name, title: titles.get(lickId) ?? '' }))
  }, [rows, summaries])
}
