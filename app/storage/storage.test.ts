import { CLICK_MARKS } from '~/core/performance'
import { CLEAN_LIMITS } from '~/core/timing'
import 'fake-indexeddb/auto'
import Dexie from 'dexie'
import { afterEach, describe, expect, it, vi } from 'vitest'
import { freshStore, lick, save, TEXT } from '../../tests/support/fresh-store'
import { DATABASE_NAME } from './database'
import { readLickRecord } from './records'

afterEach(async () => {
  vi.resetModules()
  await Dexie.delete(DATABASE_NAME)
})

const move = (kind: 'bin' | 'restore', id: string) => ({ kind, table: 'licks', id }) as const

describe('the store', () => {
  it('keeps licks over a reload; one whose id is taken is left as it is', async () => {
    const store = await freshStore()
    expect(await store.addLicks([lick('a'), lick('b')], 1000)).toEqual({ ok: true, value: 2 })
    expect(await store.addLicks([{ ...lick('a'), text: 'other' }], 2000)).toEqual({
      ok: true,
      value: 0,
    })
    const later = await freshStore()
    expect(await later.titles()).toEqual(['a', 'b'])
    expect(await later.loadLick('a')).toMatchObject({ ok: true, value: { text: TEXT } })
  })

  it('refuses to overwrite what another tab saved', async () => {
    const store = await freshStore()
    await store.addLicks([lick('a')], 0)
    expect(await save(store, 'a', 0, 'line: RL')).toEqual({ ok: true, value: 1 })
    expect(await save(store, 'a', 0, 'line: LR')).toMatchObject({
      ok: false,
      error: { code: 'conflict' },
    })
    const kept = await store.loadLick('a')
    expect(kept.ok && [kept.value.text, kept.value.revision]).toEqual(['line: RL', 1])
  })

  it('makes all changes of a step, or none', async () => {
    const store = await freshStore()
    await store.addLicks([lick('a')], 0)
    const record = store.toLickRecord({ ...lick('b') }, 0)
    const both = await store.write([
      { kind: 'save', table: 'licks', record, base: null },
      { kind: 'bin', table: 'licks', id: 'nowhere' },
    ])
    expect(both).toMatchObject({ ok: false, error: { code: 'missing' } })
    expect(await store.titles()).toEqual(['a'])
  })

  it('refuses what says that it is new where it is there already, or in the bin, and all that comes with it', async () => {
    const store = await freshStore()
    await store.addLicks([lick('a'), lick('b')], 0)
    await store.putInBin([{ table: 'licks', id: 'b' }])
    const add = (id: string) =>
      ({
        kind: 'save',
        table: 'licks',
        record: store.toLickRecord(lick(id), 0),
        base: null,
      }) as const
    expect(await store.write([add('c'), add('a')])).toMatchObject({
      ok: false,
      error: { code: 'conflict' },
    })
    expect(await store.write([add('c'), add('b')])).toMatchObject({
      ok: false,
      error: { code: 'deleted' },
    })
    expect(await store.titles()).toEqual(['a'])
    // New, into the bin and out of it again in one step.
    const moved = [add('c'), ...(['bin', 'restore'] as const).map((kind) => move(kind, 'c'))]
    expect(await store.write(moved)).toEqual({ ok: true, value: [0, 1, 2] })
    expect(await store.titles()).toEqual(['a', 'c'])
  })

  it('takes nothing that it could not read again', async () => {
    const store = await freshStore()
    const long = await save(store, 'a', null, `line: R\n# ${'x'.repeat(66_000)}`)
    expect(long).toMatchObject({ ok: false, error: { code: 'too-large' } })
    const cell = {
      id: 'c',
      version: 1,
      name: '',
      line: 'R',
      tags: [] as string[],
      createdAt: 0,
    } as const
    expect(await store.saveRecord('cells', cell, null)).toMatchObject({ ok: false })
  })

  it('leaves records of a newer version alone, and counts them', async () => {
    const store = await freshStore()
    await store.addLicks([lick('a')], 0)
    const raw = await new Dexie(DATABASE_NAME).open()
    const newer = { id: 'n', version: 3, shape: 'unknown' }
    await raw.table('licks').put(newer)
    await raw.table('settings').delete('derived')
    expect(await store.liveSummaries.settled()).toMatchObject({ kind: 'ready', unreadable: 1 })
    expect(await store.putInBin([{ table: 'licks', id: 'n' }])).toMatchObject({
      ok: false,
      error: { code: 'newer-record' },
    })
    expect(await raw.table('licks').get('n')).toEqual(newer)
    raw.close()
  })

  it('keeps a lick’s last states without being asked, twenty of them, whatever the clock says', async () => {
    const store = await freshStore()
    const { Snapshots } = await import('./snapshots')
    await store.addLicks([lick('a')], 0)
    const memory = new Snapshots()
    for (let i = 0; i < 30; i += 1) {
      const record = store.toLickRecord({ ...lick('a'), text: `line: ${'R'.repeat(i + 1)}` }, 0)
      // A clock that jumps back and forth by an hour.
      const now = 1e12 + (i % 2) * 3_600_000
      await store.write([{ kind: 'save', table: 'licks', record, base: i }], now, memory)
    }
    const states = await store.listSnapshots('a')
    expect(states.ok && states.value.length).toBe(20)
    expect(states.ok && states.value[0]?.text).toBe(`line: ${'R'.repeat(29)}`)
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
    {
      version: 6,
      tables: {
        licks: 'id, deletedAt',
        settings: 'id',
        cells: 'id, deletedAt',
        versions: 'id, lickId, deletedAt',
        grooves: 'id, deletedAt',
        kits: 'id, deletedAt',
        sittings: 'id, lickId, createdAt, deletedAt',
        plans: 'id',
        summaries: 'id',
        logs: 'id',
        snapshots: 'id, lickId',
        aside: 'id',
      },
      settings: { id: 'settings', school: 'digits', voiceCount: true },
    },
    {
      version: 7,
      tables: {
        licks: 'id, deletedAt',
        settings: 'id',
        cells: 'id, deletedAt',
        versions: 'id, lickId, deletedAt',
        grooves: 'id, deletedAt',
        kits: 'id, deletedAt',
        sittings: 'id, lickId, createdAt, deletedAt',
        plans: 'id',
        summaries: 'id',
        logs: 'id',
        snapshots: 'id, lickId',
        aside: 'id',
        sets: 'id, deletedAt',
        solos: 'id, deletedAt',
      },
      settings: { id: 'settings', school: 'digits', voiceCount: true },
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
    await store.storeReady()
    expect(await store.loadLick('a')).toEqual({
      ok: true,
      value: { ...record, version: 2, voicing: '' },
    })
    expect(await store.titles()).toEqual(['a'])
    expect(await store.settings()).toMatchObject({ school: 'digits', kit: 'five' })
    const versions = await store.liveVersions('a').settled()
    expect(versions.rows.map(({ name, voicing }) => [name, voicing])).toEqual(
      frozen.version > 1 ? [['first', '']] : [],
    )
    expect((await store.liveKits.settled()).rows).toEqual([])
    expect((await store.liveSets.settled()).rows).toEqual([])
    expect((await store.liveSolos.settled()).rows).toEqual([])
    const fresh = { revision: 0, updatedAt: 9, deletedAt: null }
    const newest = {
      ...session,
      ...fresh,
      version: 3,
      part: 'hands',
      tense: false,
      grid: '',
      form: '',
      note: '',
      heard: null,
    }
    expect((await store.liveSessions('a').settled()).rows).toEqual(
      frozen.version > 3 ? [newest] : [],
    )
    const logs = (await store.liveLogs.settled()).rows
    expect(logs.map(({ id, sessions }) => [id, sessions])).toEqual(
      frozen.version > 3 ? [['a', 1]] : [],
    )
    expect(await store.loadPlan('a')).toEqual({
      ok: true,
      value:
        frozen.version > 4
          ? {
              ...plan,
              ...fresh,
              version: 3,
              rungGrids: null,
              steps: [{ part: 'transition 3-7', skipped: true, form: null }],
            }
          : null,
    })
    expect(await save(store, 'a', 3, TEXT)).toEqual({ ok: true, value: 4 })
  })

  it('that is of a newer version is not touched, and what can be read is rescued', async () => {
    const future = new Dexie(DATABASE_NAME)
    future.version(9).stores({ licks: 'id', other: 'id' })
    await future.table('licks').put({ id: 'a', version: 3, text: TEXT })
    future.close()
    const store = await freshStore()
    expect(await store.liveSummaries.settled()).toMatchObject({
      kind: 'failed',
      issue: { code: 'newer-store' },
    })
    expect(await store.rescueLicks()).toMatchObject([{ id: 'a', text: TEXT }])
  })

  it('is filled for the demo once, however many ask, and never again', async () => {
    const store = await freshStore()
    const fill = () => store.fillOnFirstVisit([lick('a'), lick('b')], 0)
    const filled = await Promise.all([fill(), fill(), fill()])
    expect(filled.map((result) => result.ok && result.value).sort()).toEqual([0, 0, 2])
    await store.putInBin([{ table: 'licks', id: 'a' }])
    await store.purge([{ table: 'licks', id: 'a' }])
    expect(await (await freshStore()).fillOnFirstVisit([lick('a')], 3)).toEqual({
      ok: true,
      value: 0,
    })
  })

  it('that never answers is told as one that cannot be opened, and can be tried again', async () => {
    const store = await freshStore()
    const { openDatabase } = await import('./database')
    const { open } = Dexie.prototype
    vi.spyOn(Dexie.prototype, 'open').mockImplementationOnce(
      () => new Promise(() => {}) as unknown as ReturnType<typeof open>,
    )
    vi.useFakeTimers({ toFake: ['setTimeout', 'clearTimeout'] })
    const opening = openDatabase()
    await vi.advanceTimersByTimeAsync(9000)
    vi.useRealTimers()
    expect(await opening).toMatchObject({ ok: false, error: { code: 'unavailable' } })
    expect(await store.addLicks([lick('a')], 0)).toEqual({ ok: true, value: 1 })
  })

  it('is given up for good when a newer app takes it over, and the page is told', async () => {
    const store = await freshStore()
    await store.addLicks([lick('a')], 0)
    const told: string[] = []
    store.onStoreTaken(({ code }) => told.push(code))
    const future = new Dexie(DATABASE_NAME)
    future.version(9).stores({ licks: 'id' })
    await future.open()
    expect(told).toEqual(['newer-store'])
    expect(await save(store, 'a', 0, 'line: RL')).toMatchObject({
      ok: false,
      error: { code: 'newer-store' },
    })
    expect(await future.table('licks').get('a')).toMatchObject({ text: TEXT, revision: 0 })
    future.close()
  })

  it('gives default settings, and keeps what was changed, field by field', async () => {
    const store = await freshStore()
    expect(await store.settings()).toEqual(store.DEFAULT_SETTINGS)
    const other = await freshStore()
    await other.liveSettings.open()
    await store.patchSettings({ school: 'digits' })
    await other.patchSettings({ beaming: 'group' })
    expect(await (await freshStore()).settings()).toMatchObject({
      school: 'digits',
      beaming: 'group',
    })
  })

  it('reads every setting that can be read, though another cannot', async () => {
    const { readSettings, DEFAULT_SETTINGS } = await freshStore()
    const stored = { id: 'settings', school: 'digits', breakAfter: 'soon', arms: { shoulder: -1 } }
    expect(readSettings(stored)).toEqual({ ...DEFAULT_SETTINGS, school: 'digits' })
    expect(readSettings(7)).toEqual(DEFAULT_SETTINGS)
  })
})

describe('records', () => {
  it.each([null, 7, {}, { version: 0 }, { version: 1, id: 'a' }])(
    '%j is broken, not a crash',
    (stored) =>
      expect(readLickRecord(stored)).toMatchObject({ ok: false, error: { code: 'broken-record' } }),
  )
})

describe('the settings', () => {
  it('have every click that there is, and none', async () => {
    const { settingsSchema } = await import('./records')
    expect(settingsSchema.parse({}).clean).toEqual(CLEAN_LIMITS)
    expect(settingsSchema.shape.clickMarks.def.innerType.options).toEqual(['off', ...CLICK_MARKS])
  })
})
