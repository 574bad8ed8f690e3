import 'fake-indexeddb/auto'
import Dexie from 'dexie'
import { afterEach, describe, expect, it, vi } from 'vitest'
import { DATABASE_NAME } from './database'
import { readLickRecord } from './records'

const TEXT = 'line: RLLRK'
const lick = (id: string) => ({ id, text: TEXT, draft: null })

/** The store as a freshly loaded page sees it. */
async function freshStore() {
  vi.resetModules()
  return import('.')
}

afterEach(async () => {
  vi.resetModules()
  await Dexie.delete(DATABASE_NAME)
})

describe('the store', () => {
  it('keeps licks over a reload, newest first, those given first before the others', async () => {
    const store = await freshStore()
    expect(await store.addLicks([lick('a'), lick('b')], 1000)).toEqual({ ok: true, value: 2 })
    expect(await store.addLicks([{ ...lick('a'), text: 'other' }], 2000)).toEqual({
      ok: true,
      value: 0,
    })
    const listed = await (await freshStore()).listLicks()
    expect(listed.ok && listed.value.licks.map(({ id, text }) => [id, text])).toEqual([
      ['a', TEXT],
      ['b', TEXT],
    ])
  })

  it('refuses to overwrite what another tab saved, and keeps both texts whole', async () => {
    const store = await freshStore()
    await store.addLicks([lick('a')], 0)
    expect(await store.saveLick('a', 0, { text: 'mine', draft: 'min(' }, 10)).toEqual({
      ok: true,
      value: 1,
    })
    const second = await store.saveLick('a', 0, { text: 'theirs', draft: null }, 20)
    expect(second).toMatchObject({ ok: false, error: { code: 'conflict' } })
    const kept = await store.loadLick('a')
    expect(kept.ok && [kept.value.text, kept.value.draft, kept.value.revision]).toEqual([
      'mine',
      'min(',
      1,
    ])
  })

  it('deletes softly, brings back, and drops for good only after a time', async () => {
    const store = await freshStore()
    await store.addLicks([lick('a'), lick('b')], 0)
    await store.setDeleted('a', 500)
    const listed = await store.listLicks()
    expect(listed.ok && listed.value.licks.map(({ id }) => id)).toEqual(['b'])
    expect(await store.purgeDeleted(400)).toEqual({ ok: true, value: 0 })
    await store.setDeleted('a', null)
    expect(await store.purgeDeleted(1000)).toEqual({ ok: true, value: 0 })
    await store.setDeleted('a', 500)
    expect(await store.purgeDeleted(1000)).toEqual({ ok: true, value: 1 })
    expect(await store.loadLick('a')).toMatchObject({ ok: false, error: { code: 'missing' } })
  })

  it('leaves records of a newer version alone, and counts them', async () => {
    const store = await freshStore()
    await store.addLicks([lick('a')], 0)
    const raw = await new Dexie(DATABASE_NAME).open()
    const newer = { id: 'n', version: 2, shape: 'unknown' }
    await raw.table('licks').put(newer)
    const listed = await store.listLicks()
    expect(listed.ok && [listed.value.licks.length, listed.value.unreadable]).toEqual([1, 1])
    expect(await store.setDeleted('n', 1)).toMatchObject({
      ok: false,
      error: { code: 'newer-record' },
    })
    expect(await raw.table('licks').get('n')).toEqual(newer)
    raw.close()
  })

  it('that is of a newer version is not touched, and what can be read is rescued', async () => {
    const future = new Dexie(DATABASE_NAME)
    future.version(9).stores({ licks: 'id', other: 'id' })
    await future.table('licks').put({ id: 'a', version: 3, text: TEXT })
    future.close()
    const store = await freshStore()
    expect(await store.listLicks()).toMatchObject({ ok: false, error: { code: 'newer-store' } })
    expect(await store.rescueLicks()).toMatchObject([{ id: 'a', text: TEXT }])
  })

  it('is filled for the demo once, however many ask, and never again', async () => {
    const store = await freshStore()
    const fill = () => store.fillOnFirstVisit([lick('a'), lick('b')], 0)
    const filled = await Promise.all([fill(), fill(), fill()])
    expect(filled.map((result) => result.ok && result.value).sort()).toEqual([0, 0, 2])
    await store.setDeleted('a', 1)
    await store.purgeDeleted(2)
    expect(await (await freshStore()).fillOnFirstVisit([lick('a')], 3)).toEqual({
      ok: true,
      value: 0,
    })
  })

  it('gives default settings, and keeps what was changed', async () => {
    const store = await freshStore()
    const settings = await store.loadSettings()
    expect(settings).toEqual(store.DEFAULT_SETTINGS)
    await store.saveSettings({ ...settings, school: 'digits', beaming: 'group' })
    expect(await (await freshStore()).loadSettings()).toMatchObject({
      school: 'digits',
      beaming: 'group',
    })
  })
})

describe('records', () => {
  it.each([null, 7, {}, { version: 0 }, { version: 1, id: 'a' }])(
    '%j is broken, not a crash',
    (stored) =>
      expect(readLickRecord(stored)).toMatchObject({ ok: false, error: { code: 'broken-record' } }),
  )
})
