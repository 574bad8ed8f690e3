import { vi } from 'vitest'
import type { PlanRecord } from '~/storage/records'

export const TEXT = 'line: RLLRK'
export const lick = (id: string) => ({ id, text: TEXT, draft: null, voicing: '' })

export const PLAN: PlanRecord = {
  id: 'a',
  version: 3,
  createdAt: 1,
  school: 'parts',
  ladder: 'three',
  rungs: null,
  rungGrids: null,
  repeats: 4,
  climbs: false,
  steps: [],
}

/** The store as a freshly loaded page sees it. */
export async function freshStore() {
  vi.resetModules()
  const [store, { write }, { patchSettings, readSettings }, bin, first] = await Promise.all([
    import('~/storage'),
    import('~/storage/write'),
    import('~/storage/settings'),
    import('~/storage/bin'),
    import('~/storage/first-visit'),
  ])
  const titles = async () => {
    const { rows } = await store.liveSummaries.settled()
    return rows.map(({ id }) => id).sort()
  }
  const settings = async () => (await store.liveSettings.open()).settings
  return { ...store, ...bin, ...first, write, patchSettings, readSettings, titles, settings }
}
type Store = Awaited<ReturnType<typeof freshStore>>

/** Saves a lick's texts as a page that read it at a revision does. */
export async function save(store: Store, id: string, revision: number | null, text: string) {
  const record = store.toLickRecord({ ...lick(id), text }, 0)
  return store.saveRecord('licks', record, revision)
}
