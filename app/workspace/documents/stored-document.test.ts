import 'fake-indexeddb/auto'
import fc from 'fast-check'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { fail, ok, type Result } from '~/core/foundation'
import {
  closeSaver,
  loadKept,
  loadSparePlan,
  openSaver,
  putInBin,
  restore,
  type StoreIssue,
  saveRecord,
} from '~/storage'
import { withStore } from '~/storage/database'
import { RecordSaver } from '~/storage/saving/record-saver'
import type { Kept, KeptTable } from '~/storage/tables'
import {
  type AnyDocument,
  type AnyKind,
  type AnyRecord,
  type AnySaver,
  DOCUMENT_KINDS,
  figureOf,
} from '../../../tests/support/documents'
import { keepMine, takeTheirs } from './decisions'

const ID = 'kit-a'
const kept = (record: AnyRecord, revision: number): Kept<AnyRecord> => ({
  ...record,
  revision,
  updatedAt: 0,
  deletedAt: null,
})

/** A store of one record that two pages share, whose answers come as late as is wished. */
class SharedStore {
  stored: Kept<AnyRecord> | undefined
  binned: Kept<AnyRecord> | undefined
  delay = 0
  /** The figures that were put aside. */
  readonly aside: number[] = []
  /** Every figure that was ever in the store. */
  readonly written: number[] = [0]
  private readonly pages: SharedPage[] = []

  constructor(readonly kind: AnyKind) {
    this.stored = kept(kind.record(ID, 0), 0)
  }

  readonly wait = () => new Promise((resolve) => setTimeout(resolve, this.delay))

  page(): SharedPage {
    const page = new SharedPage(this)
    this.pages.push(page)
    return page
  }

  /** What a page hears of a change: the others at once, as between tabs. */
  tell(): void {
    for (const page of this.pages) void page.ask()
  }
}

/** One of two pages on which the record is open. */
class SharedPage {
  noted: number | undefined
  readonly document: AnyDocument
  readonly states: string[] = []
  /** Every figure that this page has shown. */
  readonly shown = new Set([0])
  private readonly saver: AnySaver
  private count = 0

  constructor(private readonly store: SharedStore) {
    const { kind, wait } = store
    const save = async (
      record: AnyRecord,
      base: number | null,
    ): Promise<Result<number, StoreIssue>> => {
      await wait()
      const { stored } = store
      if (!stored) return fail({ code: 'deleted', detail: '' })
      if (stored.revision !== base) return fail({ code: 'conflict', detail: '' })
      // Law: nobody writes over what this page has not seen, or put aside.
      const over = figureOf(stored)
      expect([...this.shown, ...store.aside]).toContain(over)
      store.stored = kept(record, base + 1)
      store.written.push(figureOf(record))
      store.tell()
      return ok(base + 1)
    }
    this.saver = new RecordSaver(
      kind.table,
      ID,
      0,
      {
        save,
        load: async () => {
          await wait()
          return ok(store.stored)
        },
        journal: {
          next: () => {
            this.count += 1
            return this.count
          },
          note: (_table, _id, _base, record) => {
            this.noted = figureOf(record as object)
            return true
          },
          drop: () => {
            this.noted = undefined
          },
        },
      },
      store.stored,
    )
    this.document = kind.open(store.stored as Kept<AnyRecord>, this.saver, () => () => {})
    const keeping = Reflect.get(this.document, 'keeping') as object
    Reflect.set(this.document, 'keeping', {
      ...keeping,
      setAside: async (record: AnyRecord) => {
        await wait()
        store.aside.push(figureOf(record))
        return ok(1)
      },
    })
    this.document.subscribe(() => this.shown.add(this.figure))
    this.saver.subscribe(() => this.states.push(this.saver.state().kind))
  }

  private readonly restore = async () => {
    const { store } = this
    await store.wait()
    store.stored ??= store.binned && kept(store.binned, store.binned.revision + 1)
    return ok(1)
  }
  get figure(): number {
    return figureOf(this.document.record)
  }
  get state() {
    return this.saver.state()
  }
  write(figure: number): void {
    this.store.kind.write(this.document, figure)
  }
  async ask(): Promise<void> {
    const theirs = await this.saver.checkStored()
    if (theirs) this.document.hear(theirs)
  }
  async decide(mine: boolean): Promise<void> {
    const { state } = this
    if (state.kind !== 'conflict') return
    if (mine) await keepMine(this.document, state.theirs, this.restore)
    else await takeTheirs(this.document, state.theirs)
  }
}

describe.each(DOCUMENT_KINDS)('a document of $table', (kind) => {
  beforeEach(() => void vi.useFakeTimers())
  afterEach(() => void vi.useRealTimers())

  const act = fc.record({
    kind: fc.constantFrom('write', 'write', 'write', 'undo', 'redo', 'mine', 'theirs', 'delete'),
    page: fc.constantFrom(0, 1),
    after: fc.constantFrom(0, 10, 60, 130, 400),
  })
  const delay = fc.constantFrom(0, 5, 60, 200)

  it('comes back step by step to what it was, and forth again (law)', () => {
    const page = new SharedStore(kind).page()
    const undo = () =>
      kind.table === 'licks'
        ? (page.document as unknown as { run: (command: object) => void }).run({ kind: 'undo' })
        : page.document.undo()
    const redo = () =>
      kind.table === 'licks'
        ? (page.document as unknown as { run: (command: object) => void }).run({ kind: 'redo' })
        : page.document.redo()
    for (const figure of [1, 2, 3, 4]) page.write(figure)
    const back = [3, 2, 1, 0].map((figure) => {
      undo()
      return [page.figure, page.noted, figure]
    })
    expect(back).toEqual(back.map(([, , figure]) => [figure, figure, figure]))
    undo()
    expect(page.figure).toBe(0)
    for (const figure of [1, 2, 3, 4]) {
      redo()
      expect([page.figure, page.noted]).toEqual([figure, figure])
    }
  })

  it('of two pages loses neither side, whatever is done on them and however late the answers (law)', async () => {
    await fc.assert(
      fc.asyncProperty(fc.array(act, { maxLength: 14 }), delay, async (acts, lateness) => {
        const store = new SharedStore(kind)
        store.delay = lateness
        const pages = [store.page(), store.page()] as const
        /** What each page's player wrote last, and has not taken back or given away. */
        const last: (number | null)[] = [null, null]
        let figure = 0
        for (const { kind: what, page: number, after } of acts) {
          const page = pages[number] as SharedPage
          if (what === 'write') {
            figure += 1
            page.write(figure)
            last[number] = figure
          }
          if (what === 'undo') page.document.undo()
          if (what === 'redo') page.document.redo()
          if (what === 'mine' || what === 'theirs') {
            // Whoever leaves it deleted has chosen so.
            const { state } = page
            if (what === 'theirs' && state.kind === 'conflict' && !state.theirs) last[number] = null
            void page.decide(what === 'mine')
          }
          if (what === 'delete' && store.stored) {
            store.binned = store.stored
            store.stored = undefined
            store.tell()
          }
          if (page.figure !== last[number] && (what === 'undo' || what === 'redo'))
            last[number] = null
          // A reload finds what is not in the store yet in the journal, and nothing older.
          const waits = page.state.kind === 'waiting' || page.state.kind === 'conflict'
          if (what === 'write' && waits) expect(page.noted).toBe(page.figure)
          await vi.advanceTimersByTimeAsync(after)
        }
        for (let i = 0; i < 4; i += 1) {
          await vi.advanceTimersByTimeAsync(4000)
          for (const page of pages) void page.decide(true)
        }
        await vi.advanceTimersByTimeAsync(4000)
        expect(pages.map((page) => page.state.kind)).toEqual(['saved', 'saved'])
        const found = [...store.written, ...store.aside]
        for (const one of last) if (one !== null) expect(found).toContain(one)
      }),
      { numRuns: 60 },
    )
  })

  it('on a page alone is never in conflict (law)', async () => {
    await fc.assert(
      fc.asyncProperty(fc.array(act, { maxLength: 12 }), delay, async (acts, lateness) => {
        const store = new SharedStore(kind)
        store.delay = lateness
        const page = store.page()
        let figure = 0
        for (const { kind: what, after } of acts) {
          if (what === 'undo') page.document.undo()
          else if (what === 'redo') page.document.redo()
          else if (what === 'write') {
            figure += 1
            page.write(figure)
          } else void page.ask()
          await vi.advanceTimersByTimeAsync(after)
        }
        await vi.advanceTimersByTimeAsync(4000)
        expect(page.states).not.toContain('conflict')
        expect([page.state.kind, figureOf(store.stored as object), page.noted]).toEqual([
          'saved',
          page.figure,
          undefined,
        ])
      }),
      { numRuns: 40 },
    )
  })

  it('shows what another tab saved, which can be undone', async () => {
    const store = new SharedStore(kind)
    const [mine, theirs] = [store.page(), store.page()]
    mine.write(1)
    await vi.advanceTimersByTimeAsync(500)
    theirs.write(2)
    await vi.advanceTimersByTimeAsync(500)
    expect([mine.figure, theirs.figure]).toEqual([2, 2])
    if (kind.table === 'licks')
      (mine.document as unknown as { run: (command: object) => void }).run({ kind: 'undo' })
    else mine.document.undo()
    await vi.advanceTimersByTimeAsync(500)
    expect([mine.figure, theirs.figure, figureOf(store.stored as object)]).toEqual([1, 1, 1])
  })

  it('tells why nothing was decided where the other version could not be kept', async () => {
    const store = new SharedStore(kind)
    const [mine, theirs] = [store.page(), store.page()]
    mine.write(1)
    theirs.write(2)
    await vi.advanceTimersByTimeAsync(500)
    const beaten = mine.state.kind === 'conflict' ? mine : theirs
    const keeping = Reflect.get(beaten.document, 'keeping') as object
    Reflect.set(beaten.document, 'keeping', {
      ...keeping,
      setAside: async () => fail({ code: 'quota', detail: '' }),
    })
    for (const way of [true, false]) {
      await beaten.decide(way)
      expect(beaten.state.kind).toBe('conflict')
      expect(beaten.document.state().refused).toBe('Not saved: the browser’s storage is full.')
    }
  })
})

async function rowsOf(table: KeptTable): Promise<{ id: string }[]> {
  const read = await withStore(async (store) => ok(await store[table].toArray()))
  return read.ok ? (read.value as unknown as { id: string }[]) : []
}
async function emptied(table: KeptTable): Promise<void> {
  await withStore(async (store) => ok(await store[table].clear()))
}

describe.each(DOCUMENT_KINDS)('in the browser’s store, a record of $table', (kind) => {
  const { table } = kind
  let count = 0

  /** A document that was changed here, to 1, and in another tab, to 2. */
  async function conflict() {
    count += 1
    const id = `kit-${count}`
    await saveRecord(table, kind.record(id, 0), null)
    const stored = await loadKept(table, id)
    if (!stored.ok || !stored.value) throw new Error('not stored')
    const saver = openSaver(table, id, 0, stored.value as never) as unknown as AnySaver
    const document = kind.open(stored.value, saver)
    await saveRecord(table, kind.record(id, 2), 0)
    kind.write(document, 1)
    await saver.flush()
    const state = saver.state()
    if (state.kind !== 'conflict') throw new Error(state.kind)
    return { id, document, saver, theirs: state.theirs }
  }
  /** The figures that are in the store: of the record, and of what is beside it. */
  async function figures(id: string) {
    const stored = await loadKept(table, id)
    const spare = table === 'plans' ? await loadSparePlan(id) : null
    const place = table === 'licks' ? 'versions' : table
    const others = spare ? [] : await rowsOf(place)
    const beside = [
      ...others.filter((row) => row.id !== id),
      ...(spare?.ok && spare.value ? [spare.value] : []),
    ]
    return [stored.ok && stored.value && figureOf(stored.value), ...beside.map(figureOf)]
  }
  beforeEach(async () => {
    for (const place of [table, 'versions'] as const) await emptied(place)
  })

  it('keeps both when mine stays', async () => {
    const { id, document, saver, theirs } = await conflict()
    await keepMine(document, theirs)
    await saver.flush()
    expect([saver.state().kind, ...(await figures(id))]).toEqual(['saved', 1, 2])
    await closeSaver(saver)
  })

  it('keeps both when the other stays', async () => {
    const { id, document, saver, theirs } = await conflict()
    await takeTheirs(document, theirs)
    expect([figureOf(document.record), ...(await figures(id))]).toEqual([2, 2, 1])
    await closeSaver(saver)
  })

  it('keeps both when the page is left before anyone decides', async () => {
    const { id, saver } = await conflict()
    await closeSaver(saver)
    expect(await figures(id)).toEqual([2, 1])
  })

  it('that was deleted comes back with mine, or stays in the bin', async () => {
    const { id, document, saver, theirs } = await conflict()
    await takeTheirs(document, theirs)
    await putInBin([{ table, id }])
    kind.write(document, 3)
    await saver.flush()
    expect(saver.state()).toEqual({ kind: 'conflict', theirs: null })
    await keepMine(document, null)
    await saver.flush()
    expect((await figures(id))[0]).toBe(3)
    await putInBin([{ table, id }])
    kind.write(document, 4)
    await saver.flush()
    await takeTheirs(document, null)
    expect([document.state().deleted, saver.state().kind, (await figures(id))[0]]).toEqual([
      true,
      'saved',
      undefined,
    ])
    await restore([{ table, id }])
    await closeSaver(saver)
  })
})
