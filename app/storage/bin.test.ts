import 'fake-indexeddb/auto'
import Dexie from 'dexie'
import { afterEach, describe, expect, it, vi } from 'vitest'
import { freshStore, lick, PLAN, save, TEXT } from '../../tests/support/fresh-store'
import { DATABASE_NAME } from './database'

afterEach(async () => {
  vi.resetModules()
  await Dexie.delete(DATABASE_NAME)
})

describe('the bin', () => {
  it('lets nobody write into what is deleted, and restores it as it was', async () => {
    const store = await freshStore()
    await store.addLicks([lick('a'), lick('b')], 0)
    await store.putInBin([{ table: 'licks', id: 'a' }])
    expect(await store.titles()).toEqual(['b'])
    expect(await save(store, 'a', 1, 'line: RL')).toMatchObject({
      ok: false,
      error: { code: 'deleted' },
    })
    const bin = await store.listBin()
    expect(bin.ok && bin.value.map(({ table, id }) => [table, id])).toEqual([['licks', 'a']])
    await store.restore([{ table: 'licks', id: 'a' }])
    expect(await store.titles()).toEqual(['a', 'b'])
    expect(await store.loadLick('a')).toMatchObject({
      ok: true,
      value: { text: TEXT, revision: 2 },
    })
  })

  it('purges nothing by itself, whatever the clock says', async () => {
    const store = await freshStore()
    await store.addLicks([lick('a')], 0)
    await store.putInBin([{ table: 'licks', id: 'a' }], 5)
    vi.useFakeTimers({ now: 4e12, toFake: ['Date'] })
    const later = await freshStore()
    await later.storeReady()
    await later.titles()
    vi.useRealTimers()
    expect(await later.listBin()).toMatchObject({ ok: true, value: [{ id: 'a' }] })
    await later.purge([{ table: 'licks', id: 'a' }])
    expect(await later.loadLick('a')).toMatchObject({ ok: false, error: { code: 'missing' } })
  })

  it('deletes what belongs to a lick with it, and nothing of another', async () => {
    const store = await freshStore()
    await store.addLicks([lick('a'), lick('b')], 0)
    for (const id of ['a', 'b']) {
      const version = { version: 1 as const, createdAt: 1, name: 'first', text: TEXT, voicing: '' }
      await store.saveRecord('versions', { ...version, id: `v${id}`, lickId: id }, null)
      await store.saveRecord('plans', { ...PLAN, id }, null)
      await store.saveSparePlan(id, { ...PLAN, id })
    }
    const told: string[] = []
    const stop = store.onStoreChange(({ table, ids }) =>
      told.push(...ids.map((id) => `${table} ${id}`)),
    )
    await store.putInBin([{ table: 'licks', id: 'a' }])
    expect(await store.loadPlan('a')).toMatchObject({ ok: true, value: { id: 'a' } })
    await store.purge([{ table: 'licks', id: 'a' }])
    stop()
    expect(told).toEqual(expect.arrayContaining(['versions va', 'plans a']))
    expect(await store.loadPlan('a')).toMatchObject({ ok: true, value: null })
    expect(await store.loadSparePlan('a')).toMatchObject({ ok: true, value: null })
    expect((await store.liveVersions('a').settled()).rows).toEqual([])
    expect((await store.liveVersions('b').settled()).rows).toHaveLength(1)
    expect(await store.loadPlan('b')).toMatchObject({ ok: true, value: { id: 'b' } })
    expect(await store.loadSparePlan('b')).toMatchObject({ ok: true, value: { id: 'b-spare' } })
  })
})
