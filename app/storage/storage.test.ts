import 'fake-indexeddb/auto'
import Dexie from 'dexie'
import { afterEach, describe, expect, it, vi } from 'vitest'
import { DATABASE_NAME } from './database'
import { readLickRecord } from './records'

const TEXT = 'line: RLLRK'
const lick = (id: string) => ({ id, text: TEXT, draft: null, voicing: '' })

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
    expect(await store.saveLick('a', 0, { text: 'mine', draft: 'min(', voicing: '' }, 10)).toEqual({
      ok: true,
      value: 1,
    })
    const second = await store.saveLick('a', 0, { text: 'theirs', draft: null, voicing: '' }, 20)
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
    const newer = { id: 'n', version: 3, shape: 'unknown' }
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

  /** Stores as they were written by every version before today's. */
  const FROZEN = [
    {
      version: 1,
      tables: { licks: 'id', settings: 'id' },
      settings: { id: 'settings', school: 'digits' },
    },
    {
      version: 2,
      tables: {
        licks: 'id',
        settings: 'id',
        cells: 'id',
        versions: 'id, lickId',
        grooves: 'id',
      },
      settings: { id: 'settings', school: 'digits', beaming: 'group', click: false },
    },
    {
      version: 3,
      tables: {
        licks: 'id',
        settings: 'id',
        cells: 'id',
        versions: 'id, lickId',
        grooves: 'id',
        kits: 'id',
      },
      settings: { id: 'settings', school: 'digits', turnKit: false },
    },
    {
      version: 4,
      tables: {
        licks: 'id',
        settings: 'id',
        cells: 'id',
        versions: 'id, lickId',
        grooves: 'id',
        kits: 'id',
        sittings: 'id, lickId',
      },
      settings: { id: 'settings', school: 'digits', openHanded: true },
    },
    {
      version: 5,
      tables: {
        licks: 'id',
        settings: 'id',
        cells: 'id',
        versions: 'id, lickId',
        grooves: 'id',
        kits: 'id',
        sittings: 'id, lickId',
        plans: 'id',
      },
      settings: { id: 'settings', school: 'digits', pulse: true },
    },
  ]

  it.each(FROZEN)('of version $version is opened with all that is in it', async (frozen) => {
    const old = new Dexie(DATABASE_NAME)
    old.version(frozen.version).stores(frozen.tables)
    const record = {
      id: 'a',
      version: 1,
      text: TEXT,
      draft: 'line: RLL(',
      revision: 3,
      createdAt: 10,
      updatedAt: 20,
      deletedAt: null,
    }
    await old.table('licks').put(record)
    await old.table('settings').put(frozen.settings)
    if (frozen.version > 1) {
      await old
        .table('versions')
        .put({ id: 'v', version: 1, lickId: 'a', name: 'first', text: TEXT, createdAt: 5 })
    }
    const session = {
      id: 's',
      version: 1,
      lickId: 'a',
      createdAt: 9,
      step: 'hands alone',
      tempo: 80,
      repeats: 8,
      seconds: 24,
      rating: 'clean',
    }
    if (frozen.version > 3) await old.table('sittings').put(session)
    const plan = {
      id: 'a',
      version: 1,
      createdAt: 9,
      school: 'parts',
      ladder: 'three',
      rungs: null,
      repeats: 8,
      climbs: false,
      steps: [{ part: 'joint 3-7', skipped: true, form: null }],
    }
    if (frozen.version > 4) await old.table('plans').put(plan)
    old.close()
    const store = await freshStore()
    expect(await store.loadLick('a')).toEqual({
      ok: true,
      value: { ...record, version: 2, voicing: '' },
    })
    expect(await store.loadSettings()).toMatchObject({ school: 'digits', kit: 'five' })
    const versions = await store.listVersions('a')
    expect(versions.ok && versions.value.map(({ name, voicing }) => [name, voicing])).toEqual(
      frozen.version > 1 ? [['first', '']] : [],
    )
    expect(await store.listKits()).toEqual({ ok: true, value: [] })
    const newest = {
      ...session,
      version: 3,
      part: 'hands',
      tense: false,
      grid: '',
      form: '',
      note: '',
    }
    expect(await store.listSessions()).toEqual({
      ok: true,
      value: frozen.version > 3 ? [newest] : [],
    })
    expect(await store.loadPlan('a')).toEqual({
      ok: true,
      value:
        frozen.version > 4
          ? {
              ...plan,
              version: 2,
              rungGrids: null,
              steps: [{ part: 'transition 3-7', skipped: true, form: null }],
            }
          : null,
    })
    expect(await store.saveLick('a', 3, { text: TEXT, draft: null, voicing: '' }, 30)).toEqual({
      ok: true,
      value: 4,
    })
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
