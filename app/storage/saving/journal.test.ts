import 'fake-indexeddb/auto'
import Dexie from 'dexie'
import fc from 'fast-check'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { DATABASE_NAME } from '../database'
import { Journal, type TextStore } from './journal'

/** Texts that are kept at once, as `localStorage` keeps them. */
class Texts implements TextStore {
  readonly map = new Map<string, string>()
  most = Number.POSITIVE_INFINITY
  get length() {
    return this.map.size
  }
  key(i: number) {
    return [...this.map.keys()][i] ?? null
  }
  getItem(key: string) {
    return this.map.get(key) ?? null
  }
  setItem(key: string, text: string) {
    if (text.length > this.most) throw new DOMException('no room', 'QuotaExceededError')
    this.map.set(key, text)
  }
  removeItem(key: string) {
    this.map.delete(key)
  }
}

const page = (texts: TextStore, name: string) => new Journal(texts, { page: name, tab: name })

describe('a journal', () => {
  it('is read by the next page, oldest first, without what was dropped', () => {
    const texts = new Texts()
    let now = 9
    const before = new Journal(texts, { page: 'p', tab: 't' }, () => now)
    before.note('licks', 'a', 3, { text: 'x' }, before.next())
    now = 5
    before.note('licks', 'b', null, { text: 'y' }, before.next())
    before.note('cells', 'c', 0, {}, before.next())
    before.drop('cells', 'c')
    expect(before.others()).toEqual([])
    const found = page(texts, 'q').others()
    expect(found.map(({ entry }) => [entry.id, entry.base])).toEqual([
      ['b', null],
      ['a', 3],
    ])
    found[0]?.drop()
    expect(page(texts, 'q').others()).toHaveLength(1)
  })

  it('says when it has no room, and reads past what is broken', () => {
    const texts = new Texts()
    texts.setItem('dime-stack.journal.licks.p.a', '{')
    texts.setItem('other', '1')
    texts.most = 10
    expect(page(texts, 'p').note('licks', 'a', 0, 'x'.repeat(20), 1)).toBe(false)
    expect(page(texts, 'q').others()).toEqual([])
    expect(new Journal(null, { page: 'p', tab: 'p' }).note('licks', 'a', 0, {}, 1)).toBe(false)
  })
})

describe('what a page left in its journal', () => {
  const TEXT = 'line: RL'
  let texts: Texts
  beforeEach(() => {
    texts = new Texts()
    vi.stubGlobal('localStorage', texts)
    vi.stubGlobal('sessionStorage', new Texts())
  })
  afterEach(async () => {
    vi.unstubAllGlobals()
    vi.resetModules()
    await Dexie.delete(DATABASE_NAME)
  })

  async function nextPage() {
    vi.resetModules()
    return import('..')
  }
  const record = (text: string) => ({
    id: 'a',
    version: 2,
    text,
    draft: null,
    voicing: '',
    revision: 0,
    createdAt: 1,
    updatedAt: 1,
    deletedAt: null,
  })
  /** A page that was killed after noting a change, before the store had it. */
  const leave = (base: number | null, text: string) => {
    const gone = new Journal(texts, { page: 'gone', tab: 'gone' }, () => Date.now() - 60_000)
    gone.note('licks', 'a', base, record(text), 2)
  }

  it('is in the store before the next page reads', async () => {
    const store = await nextPage()
    await store.addLicks([{ id: 'a', text: TEXT, draft: null, voicing: '' }], 1)
    leave(0, 'line: RLLRK')
    const later = await nextPage()
    await later.storeReady()
    expect(await later.loadLick('a')).toMatchObject({
      ok: true,
      value: { text: 'line: RLLRK', revision: 1 },
    })
    expect(texts.length).toBe(0)
  })

  it('is dropped where the store has it already', async () => {
    const store = await nextPage()
    await store.addLicks([{ id: 'a', text: TEXT, draft: null, voicing: '' }], 1)
    leave(null, TEXT)
    const later = await nextPage()
    await later.storeReady()
    expect(await later.loadLick('a')).toMatchObject({ value: { text: TEXT, revision: 0 } })
    expect((await later.liveVersions('a').settled()).rows).toEqual([])
    expect(texts.length).toBe(0)
  })

  it('is kept as a version where another tab saved something else since', async () => {
    const store = await nextPage()
    await store.addLicks([{ id: 'a', text: 'line: LL', draft: null, voicing: '' }], 1)
    leave(7, 'line: RLLRK')
    const later = await nextPage()
    await later.storeReady()
    expect(await later.loadLick('a')).toMatchObject({ value: { text: 'line: LL' } })
    const [version] = (await later.liveVersions('a').settled()).rows
    expect(version?.name).toMatch(/^Unsaved change, /)
    expect(version?.text).toBe('line: RLLRK')
  })

  it('is kept with what could not be read yet', async () => {
    const { toConflictCopies } = await import('./conflict-copies')
    const [change] = toConflictCopies(
      'licks',
      { ...record(TEXT), version: 2, draft: 'line: RL(' },
      0,
    )
    expect(change).toMatchObject({
      table: 'versions',
      record: { text: 'line: RL\n# typed: line: RL(\n' },
    })
  })

  it('replaces what the same page saved just before, however late that arrived', async () => {
    const store = await nextPage()
    await store.addLicks([{ id: 'a', text: TEXT, draft: null, voicing: '' }], 1)
    leave(0, 'line: RLLRK')
    // The page noted this on revision 0; its save of the state before came through after that.
    const { write } = await import('../write')
    const saved = { kind: 'save', table: 'licks', record: record('line: RLL'), base: 0 } as const
    await write([
      { ...saved, record: { ...saved.record, version: 2 }, savedBy: { page: 'gone', count: 1 } },
    ])
    const later = await nextPage()
    await later.storeReady()
    expect(await later.loadLick('a')).toMatchObject({ value: { text: 'line: RLLRK' } })
    expect((await later.liveVersions('a').settled()).rows).toEqual([])
  })

  it('becomes the lick that was never stored, and stays where the store cannot be opened', async () => {
    leave(null, 'line: RRL')
    const future = new Dexie(DATABASE_NAME)
    future.version(9).stores({ licks: 'id' })
    await future.open()
    future.close()
    await (await nextPage()).storeReady()
    expect(texts.length).toBe(1)
    await Dexie.delete(DATABASE_NAME)
    const later = await nextPage()
    await later.storeReady()
    expect(await later.loadLick('a')).toMatchObject({ value: { text: 'line: RRL' } })
  })

  it('is never older than what the store has, in any order of notes, saves, flushes and kills (law)', async () => {
    const act = fc.constantFrom('change', 'change', 'save', 'flush')
    const nth = (text: string | undefined) => Number(/R*$/.exec(text ?? '')?.[0].length ?? 0)
    await fc.assert(
      fc.asyncProperty(
        fc.array(act, { maxLength: 16 }),
        fc.constantFrom('licks' as const, 'sets' as const, 'settings' as const),
        async (acts, table) => {
          await Dexie.delete(DATABASE_NAME)
          texts = new Texts()
          vi.stubGlobal('localStorage', texts)
          const store = await nextPage()
          const { write } = await import('../write')
          const { patchSettings } = await import('../settings')
          const gone = new Journal(texts, { page: 'gone', tab: 'gone' }, () => Date.now() - 60_000)
          const made = (count: number): unknown =>
            table === 'licks'
              ? record(`line: ${'R'.repeat(count)}`)
              : table === 'sets'
                ? {
                    id: 'a',
                    version: 1,
                    createdAt: 1,
                    name: 'Set',
                    note: 'R'.repeat(count),
                    minutes: 5,
                    exercises: [],
                  }
                : { breakAfter: 10 + count }
          /** What a browser that lags behind has on disk of the texts; what the store has; the newest change. */
          let disk = new Map<string, string>()
          let [revision, stored, newest]: [number | null, number, number] = [null, 0, 0]
          for (const one of acts) {
            if (one === 'flush') disk = new Map(texts.map)
            else if (one === 'change') {
              newest = gone.next()
              gone.note(table, table === 'settings' ? table : 'a', revision, made(newest), newest)
            } else if (newest > stored) {
              const savedBy = { page: 'gone', count: newest }
              if (table === 'settings') await patchSettings(made(newest) as object, savedBy)
              else {
                const change = {
                  kind: 'save',
                  table,
                  record: made(newest),
                  base: revision,
                  savedBy,
                }
                const written = await write([change as never])
                revision = written.ok ? (written.value[0] as number) : null
              }
              stored = newest
              gone.drop(table, table === 'settings' ? table : 'a')
            }
          }
          const noted = [...disk.values()].map((text) => JSON.parse(text).count as number)
          texts.map.clear()
          for (const [key, text] of disk) texts.map.set(key, text)
          void store
          const later = await nextPage()
          await later.storeReady()
          const expected = Math.max(stored, ...noted)
          if (table === 'settings') {
            const { breakAfter } = (await later.liveSettings.open()).settings
            if (expected > 0) expect(breakAfter).toBe(10 + expected)
          } else if (table === 'licks') {
            const found = await later.loadLick('a')
            expect(nth(found.ok ? found.value.text : '')).toBe(expected)
            expect((await later.liveVersions('a').settled()).rows).toEqual([])
          } else {
            const { loadKept } = await import('./savers')
            const found = await loadKept('sets', 'a')
            expect(nth(found.ok ? found.value?.note : '')).toBe(expected)
          }
        },
      ),
      { numRuns: 60 },
    )
  }, 60_000)

  it('may be a change of settings', async () => {
    const gone = new Journal(texts, { page: 'gone', tab: 'gone' })
    gone.note('settings', 'settings', null, { school: 'digits', nonsense: 4 }, 1)
    const later = await nextPage()
    await later.storeReady()
    expect(later.liveSettings.snapshot().settings.school).toBe('digits')
    expect(texts.length).toBe(0)
  })
})
