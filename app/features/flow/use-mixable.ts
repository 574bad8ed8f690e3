import { useCallback, useMemo } from 'react'
import { findVoicedLick } from '~/codecs/voicing'
import type { Result } from '~/core/foundation'
import { useRead } from '~/live/use-read'
import { loadKept, loadLicks } from '~/storage'
import { turnTexts } from '~/workspace/turned'
import type { MixableLick } from './flow-music'
import type { SourceName } from './flow-setup'

/** A lick or a saved version as it is stored; a version has its own name. */
interface Mixable {
  readonly id: string
  readonly text: string
  readonly voicing: string
  readonly name?: string
}

const NONE: readonly Mixable[] = []

/** Licks and versions by their ids. */
async function loadMixable(ids: readonly string[]): Promise<Result<readonly Mixable[], unknown>> {
  const licks = await loadLicks(ids)
  if (!licks.ok) return licks
  const known = new Set(licks.value.map(({ id }) => id))
  const others = ids.filter((id) => !known.has(id))
  const versions = await Promise.all(others.map((id) => loadKept('versions', id)))
  const found = versions.flatMap((one) => (one.ok && one.value ? [one.value] : []))
  return { ok: true, value: [...licks.value, ...found] }
}

/** The licks that a flow draws from, as they are stored now. */
export function useMixable(
  sources: readonly SourceName[],
  turned: boolean,
): readonly MixableLick[] {
  const wanted = sources.flatMap(({ kind, of }) => (kind === 'line' ? [] : of)).join('\n')
  const ids = useMemo(() => (wanted === '' ? [] : wanted.split('\n')), [wanted])
  const read = useCallback(() => loadMixable(ids), [ids])
  const concerns = useCallback(
    (table: string, changed: readonly string[]) =>
      (table === 'licks' || table === 'versions') && changed.some((id) => ids.includes(id)),
    [ids],
  )
  const records = useRead<readonly Mixable[]>(read, concerns, NONE)
  return useMemo(
    () =>
      records.flatMap((record): MixableLick[] => {
        const { id, text, voicing, name } = record
        const lick = findVoicedLick(turnTexts({ text, voicing, draft: null }, turned))
        return lick ? [{ id, lick: name ? { ...lick, title: name } : lick }] : []
      }),
    [records, turned],
  )
}
