import 'fake-indexeddb/auto'
import { afterEach, describe, expect, it, vi } from 'vitest'
import { freshStore, TEXT } from '../../../tests/support/fresh-store'

const text = (title: string) => `title: ${title}\n${TEXT}`

/** A store with a lick, the saver of a page that shows it, and a way to fill the storage. */
async function opened(id: string) {
  const store = await freshStore()
  const record = (title: string) =>
    store.toLickRecord({ id, text: text(title), draft: null, voicing: '' }, 0)
  await store.saveRecord('licks', record('First'), null)
  const saver = store.openSaver('licks', id, 0)
  const put = IDBObjectStore.prototype.put
  vi.spyOn(IDBObjectStore.prototype, 'put').mockImplementation(function (
    this: IDBObjectStore,
    ...of: Parameters<typeof put>
  ) {
    if (storage.full) throw new DOMException('no room', 'QuotaExceededError')
    return put.apply(this, of)
  })
  const storage = { full: false }
  /** The texts of what was kept beside the lick. */
  const beside = async () => {
    const versions = await store.liveVersions(id).settled()
    return versions.rows.filter(({ name }) => name.startsWith('Unsaved')).map((one) => one.text)
  }
  return { store, saver, record, storage, beside }
}

afterEach(() => void vi.restoreAllMocks())

it('a conflict is to be decided while its page is there, and not when that was left', async () => {
  const { store, saver, record, beside } = await opened('a')
  await store.saveRecord('licks', record('Theirs'), 0)
  saver.change(record('Ours'))
  await saver.flush()
  expect(store.unsavedNow().kind).toBe('conflict')
  const asked: string[] = []
  store.onUnsaved(() => asked.push(store.unsavedNow().kind))
  const closed = store.closeSaver(saver)
  expect(store.unsavedNow().kind).toBe('none')
  await closed
  expect(asked).toEqual(['none'])
  expect(await beside()).toEqual([text('Ours')])
})

it('a conflict that is met after its page was left asks nobody, and loses nothing', async () => {
  const { store, saver, record, storage, beside } = await opened('b')
  await store.saveRecord('licks', record('Theirs'), 0)
  vi.useFakeTimers({ toFake: ['setTimeout', 'clearTimeout'] })
  try {
    storage.full = true
    saver.change(record('Ours'))
    await store.closeSaver(saver)
    expect(store.unsavedNow().kind).toBe('failed')
    storage.full = false
    await vi.advanceTimersByTimeAsync(3000)
  } finally {
    vi.useRealTimers()
  }
  await vi.waitFor(async () => expect(await beside()).toEqual([text('Ours')]))
  expect(store.unsavedNow().kind).toBe('none')
})

describe('a page that is opened with what was read a moment ago', () => {
  it('shows what the page before it still had to save, and goes on from there', async () => {
    const { store, saver, record } = await opened('c')
    saver.change(record('Typed last'))
    // Read before that is saved; the page is left, and the next is there at once.
    const next = store.openSaver('licks', 'c', 0)
    const taken: string[] = []
    const stop = store.followRecord(next, (theirs) => {
      if (theirs !== 'deleted') taken.push(theirs.text)
    })
    await store.closeSaver(saver)
    await vi.waitFor(() => expect(taken).toEqual([text('Typed last')]))
    next.change(record('Typed then'))
    await next.flush()
    expect(next.state().kind).toBe('saved')
    expect(store.unsavedNow().kind).toBe('none')
    const loaded = await store.loadLick('c')
    expect(loaded).toMatchObject({ ok: true, value: { text: text('Typed then'), revision: 2 } })
    stop()
  })

  it('shows what another tab saved in between, or that it was deleted', async () => {
    const { store, record } = await opened('d')
    await store.saveRecord('licks', record('Theirs'), 0)
    const heard: string[] = []
    const follow = (revision: number) =>
      store.followRecord(store.openSaver('licks', 'd', revision), (theirs) =>
        heard.push(theirs === 'deleted' ? theirs : theirs.text),
      )
    const stops = [follow(0), follow(1)]
    await vi.waitFor(() => expect(heard).toEqual([text('Theirs')]))
    for (const stop of stops) stop()
    await store.putInBin([{ table: 'licks', id: 'd' }])
    const stop = follow(1)
    await vi.waitFor(() => expect(heard).toEqual([text('Theirs'), 'deleted']))
    stop()
    await store.restore([{ table: 'licks', id: 'd' }])
    expect(heard).toHaveLength(2)
  })

  it('is told nothing of a record that was never stored', async () => {
    const { store } = await opened('e')
    const heard: unknown[] = []
    const saver = store.openSaver('plans', 'never', null)
    const stop = store.followRecord(saver, (theirs) => heard.push(theirs))
    await saver.checkStored()
    await saver.checkStored()
    expect(heard).toEqual([])
    stop()
  })
})
