import 'fake-indexeddb/auto'
import Dexie from 'dexie'
import { afterEach, describe, expect, it, vi } from 'vitest'
import { DATABASE_NAME } from './database'

afterEach(async () => {
  vi.resetModules()
  await Dexie.delete(DATABASE_NAME)
})

const take = (id: string, sessionId: string, createdAt = 0) => ({
  ...{ id, sessionId, createdAt },
  ...{ seconds: 2, bytes: 3 },
})

describe('takes that were kept', () => {
  it('are listed without their sound, heard, and deleted', async () => {
    const store = { ...(await import('.')), ...(await import('./takes')) }
    await store.saveTake(take('b', 's', 2), Uint8Array.of(4, 5, 6))
    await store.saveTake(take('a', 's', 1), Uint8Array.of(1, 2, 3))
    expect(await store.listTakes()).toEqual({
      ok: true,
      value: [take('a', 's', 1), take('b', 's', 2)],
    })
    expect(await store.loadTakeSound('a')).toEqual({ ok: true, value: Uint8Array.of(1, 2, 3) })
    await store.deleteTake('a')
    expect(await store.loadTakeSound('a')).toEqual({ ok: true, value: null })
    const left = await store.listTakes()
    expect(left.ok && left.value.map(({ id }) => id)).toEqual(['b'])
  })

  it('stay while their session is in the bin, and go with it for good', async () => {
    const store = { ...(await import('.')), ...(await import('./takes')) }
    const session = store.practiceSessionRecordSchema.parse({
      ...{ id: 's', version: 3, lickId: 'a', createdAt: 9, step: 'hands alone', tempo: 80 },
      ...{ repeats: 8, seconds: 24, rating: null, tense: false, part: 'all', grid: '' },
      ...{ form: 'bar', note: '', heard: null },
    })
    await store.saveRecord('sittings', session, null)
    await store.saveTake(take('a', 's'), Uint8Array.of(1))
    await store.saveTake(take('b', 'other'), Uint8Array.of(1))
    const ids = async () => {
      const takes = await store.listTakes()
      return takes.ok && takes.value.map(({ id }) => id)
    }
    await store.putInBin([{ table: 'sittings', id: 's' }])
    expect(await ids()).toEqual(['a', 'b'])
    await store.purge([{ table: 'sittings', id: 's' }])
    expect(await ids()).toEqual(['b'])
  })

  it('tell those who look at them of every change', async () => {
    const store = { ...(await import('.')), ...(await import('./takes')) }
    const told: string[] = []
    store.onStoreChange(({ table, ids }) => told.push(`${table} ${ids.join()}`))
    await store.saveTake(take('a', 's'), Uint8Array.of(1))
    await store.deleteTake('a')
    expect(told).toEqual(['takes a', 'takes a'])
  })
})
