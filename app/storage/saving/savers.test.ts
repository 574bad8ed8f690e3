import 'fake-indexeddb/auto'
import { afterEach, expect, it, vi } from 'vitest'
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
  const full = vi.spyOn(IDBObjectStore.prototype, 'put').mockImplementation(function (
    this: IDBObjectStore,
    ...of: Parameters<typeof put>
  ) {
    if (storage.full) throw new DOMException('no room', 'QuotaExceededError')
    return put.apply(this, of)
  })
  const storage = { full: false, mend: () => full.mockRestore() }
  /** The titles of the versions that were kept of the lick. */
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
