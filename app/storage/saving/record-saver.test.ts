import fc from 'fast-check'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import type { Result } from '~/core/foundation'
import type { StoreIssue } from '../issue'
import type { CellRecord } from '../records'
import type { Kept } from '../tables'
import { RecordSaver, type SaveState } from './record-saver'

const cell = (line: string): CellRecord => ({
  id: 'c',
  version: 1,
  name: 'Mine',
  line,
  tags: [],
  createdAt: 0,
})
const kept = (line: string, revision: number): Kept<CellRecord> => ({
  ...cell(line),
  revision,
  updatedAt: 0,
  deletedAt: null,
})

/** A store of one record whose answers come as late as is wished, and a journal beside it. */
class LateStore {
  stored: Kept<CellRecord> | undefined = kept('R', 0)
  delay = 0
  failing: StoreIssue | undefined
  readonly saves: string[] = []
  readonly states: SaveState<CellRecord>['kind'][] = []
  noted: string | undefined
  counted = 0
  loads = 0
  room = true
  readonly saver: RecordSaver<'cells'>

  /** With a record in it, or, at null, with none yet. */
  constructor(revision: number | null = 0) {
    if (revision === null) this.stored = undefined
    const wait = () => new Promise((resolve) => setTimeout(resolve, this.delay))
    this.saver = new RecordSaver('cells', 'c', revision, {
      save: async (record, base): Promise<Result<number, StoreIssue>> => {
        this.saves.push(record.line)
        await wait()
        if (this.failing) return { ok: false, error: this.failing }
        if (!this.stored && base !== null)
          return { ok: false, error: { code: 'deleted', detail: '' } }
        if (this.stored && this.stored.revision !== base)
          return { ok: false, error: { code: 'conflict', detail: '' } }
        const next = base === null ? 0 : base + 1
        this.stored = kept(record.line, next)
        return { ok: true, value: next }
      },
      load: async () => {
        this.loads += 1
        await wait()
        return { ok: true, value: this.stored }
      },
      journal: {
        next: () => {
          this.counted += 1
          return this.counted
        },
        note: (_table, _id, _base, record) => {
          if (this.room) this.noted = (record as CellRecord).line
          return this.room
        },
        drop: () => {
          this.noted = undefined
        },
      },
    })
    this.saver.subscribe(() => this.states.push(this.saver.state().kind))
  }

  /** Another tab saves. */
  elsewhere(line: string): void {
    this.stored = kept(line, (this.stored?.revision ?? 0) + 1)
  }
}

describe('what a page changes', () => {
  let store: LateStore
  beforeEach(() => {
    vi.useFakeTimers()
    store = new LateStore()
  })
  afterEach(() => void vi.useRealTimers())

  it('is in the journal in the same step, and in the store within 250 ms, also without a pause', async () => {
    for (let i = 1; i <= 20; i += 1) {
      store.saver.change(cell('R'.repeat(i)))
      expect(store.noted).toBe('R'.repeat(i))
      await vi.advanceTimersByTimeAsync(40)
      // What was typed 250 ms ago is in the store.
      expect(store.stored?.line.length ?? 0).toBeGreaterThanOrEqual(i - 6)
    }
    await vi.advanceTimersByTimeAsync(250)
    expect([store.stored?.line.length, store.noted, store.saver.busy]).toEqual([
      20,
      undefined,
      false,
    ])
  })

  it('is never called saved before it is, however late the store answers', async () => {
    store.delay = 900
    store.saver.change(cell('RL'))
    await vi.advanceTimersByTimeAsync(500)
    store.saver.change(cell('RLL'))
    await vi.advanceTimersByTimeAsync(600)
    // The first is in the store, the second is not.
    expect([store.stored?.line, store.noted, store.saver.state().kind]).toEqual([
      'RL',
      'RLL',
      'waiting',
    ])
    expect(store.states).not.toContain('saved')
    await vi.advanceTimersByTimeAsync(2000)
    expect([store.stored?.line, store.saver.state().kind]).toEqual(['RLL', 'saved'])
  })

  it('is tried again until the store takes it, and stays in the journal until then', async () => {
    store.failing = { code: 'quota', detail: '' }
    store.saver.change(cell('RL'))
    await vi.advanceTimersByTimeAsync(1000)
    expect([store.saver.state().kind, store.noted]).toEqual(['failed', 'RL'])
    store.saver.change(cell('RLL'))
    store.failing = undefined
    await vi.advanceTimersByTimeAsync(4000)
    expect([store.saver.state().kind, store.stored?.line, store.noted]).toEqual([
      'saved',
      'RLL',
      undefined,
    ])
  })

  it('is saved at once where the journal has no room', async () => {
    store.room = false
    store.saver.change(cell('RL'))
    expect(store.saver.journalled).toBe(false)
    await vi.advanceTimersByTimeAsync(1)
    expect(store.stored?.line).toBe('RL')
  })
})

describe('a record that another tab changes', () => {
  let store: LateStore
  beforeEach(() => {
    vi.useFakeTimers()
    store = new LateStore()
  })
  afterEach(() => void vi.useRealTimers())

  it('is taken over where nothing waits here', async () => {
    store.elsewhere('LL')
    const heard = store.saver.checkStored()
    await vi.advanceTimersByTimeAsync(10)
    expect(await heard).toMatchObject({ line: 'LL', revision: 1 })
    store.saver.change(cell('LLR'))
    await vi.advanceTimersByTimeAsync(500)
    expect(store.stored).toMatchObject({ line: 'LLR', revision: 2 })
  })

  it('is in conflict where something waits, until that is decided, whatever is typed', async () => {
    store.elsewhere('LL')
    store.saver.change(cell('RL'))
    await vi.advanceTimersByTimeAsync(500)
    const conflict = { kind: 'conflict', theirs: { line: 'LL' } }
    expect(store.saver.state()).toMatchObject(conflict)
    for (const line of ['RLL', 'RLLR']) {
      store.saver.change(cell(line))
      await vi.advanceTimersByTimeAsync(5000)
      expect(store.saver.state()).toMatchObject(conflict)
      expect([store.stored?.line, store.noted]).toEqual(['LL', line])
    }
    store.saver.keepMine(kept('LL', 1))
    await vi.advanceTimersByTimeAsync(500)
    expect([store.saver.state().kind, store.stored?.line]).toEqual(['saved', 'RLLR'])
  })

  it('is no conflict where both say the same', async () => {
    store.elsewhere('RL')
    store.saver.change(cell('RL'))
    await vi.advanceTimersByTimeAsync(500)
    expect(store.saver.state().kind).toBe('saved')
    store.saver.change(cell('RLL'))
    await vi.advanceTimersByTimeAsync(500)
    expect(store.stored).toMatchObject({ line: 'RLL', revision: 2 })
  })

  it('and changes again while it is decided shows its newest state', async () => {
    store.elsewhere('LL')
    store.saver.change(cell('RL'))
    await vi.advanceTimersByTimeAsync(500)
    store.elsewhere('LLL')
    const heard = store.saver.checkStored()
    await vi.advanceTimersByTimeAsync(10)
    await heard
    expect(store.saver.state()).toMatchObject({ kind: 'conflict', theirs: { line: 'LLL' } })
    store.saver.rebase(kept('LLL', 2))
    expect([store.saver.state().kind, store.noted]).toEqual(['saved', undefined])
  })

  it('is not written into once it is deleted', async () => {
    store.stored = undefined
    store.saver.change(cell('RL'))
    await vi.advanceTimersByTimeAsync(500)
    expect(store.saver.state()).toEqual({ kind: 'conflict', theirs: null })
    store.stored = kept('R', 2)
    await Promise.all([store.saver.forceSave(), vi.advanceTimersByTimeAsync(500)])
    expect([store.saver.state().kind, store.stored?.line]).toEqual(['saved', 'RL'])
  })

  it('is not taken for another’s when it is our own save that is heard of', async () => {
    store.delay = 300
    store.saver.change(cell('RL'))
    await vi.advanceTimersByTimeAsync(200)
    const heard = store.saver.checkStored()
    await vi.advanceTimersByTimeAsync(2000)
    expect(await heard).toBeUndefined()
    expect(store.saver.state().kind).toBe('saved')
  })

  it('is none where one page is alone, whenever that asks (law)', async () => {
    const act = fc.record({
      kind: fc.constantFrom('type', 'ask'),
      /** Milliseconds until the next. */
      after: fc.integer({ min: 0, max: 150 }),
    })
    const delay = fc.constantFrom(0, 5, 40, 130, 300)
    await fc.assert(
      fc.asyncProperty(
        fc.array(act, { maxLength: 12 }),
        delay,
        fc.constantFrom(null, 0),
        async (acts, lateness, revision) => {
          const own = new LateStore(revision)
          own.delay = lateness
          let line = own.stored?.line
          const heard: Promise<unknown>[] = []
          for (const { kind, after } of acts) {
            if (kind === 'ask') heard.push(own.saver.checkStored())
            else {
              line = `${line ?? ''}R`
              own.saver.change(cell(line))
            }
            await vi.advanceTimersByTimeAsync(after)
          }
          await vi.advanceTimersByTimeAsync(10_000)
          expect(await Promise.all(heard)).toEqual(heard.map(() => undefined))
          expect(own.states).not.toContain('conflict')
          expect([own.saver.state().kind, own.stored?.line]).toEqual(['saved', line])
        },
      ),
      { numRuns: 200 },
    )
  })

  it('reads no more than once for each time that it is asked, however fast a page is typed in', async () => {
    store.delay = 90
    const heard: Promise<unknown>[] = []
    for (let letters = 1; letters <= 80; letters += 1) {
      store.saver.change(cell('R'.repeat(letters)))
      // Every save of ours is heard of, too.
      heard.push(store.saver.checkStored())
      await vi.advanceTimersByTimeAsync(60)
    }
    await vi.advanceTimersByTimeAsync(2000)
    expect(await Promise.all(heard)).toEqual(heard.map(() => undefined))
    expect(store.loads).toBeLessThanOrEqual(80)
    expect(store.stored?.line.length).toBe(80)
  })

  /** Two pages over one store, in every order in which two changes and two answers can come. */
  it.each([0, 60, 130, 260])(
    'loses nothing when both type and answers take %i ms',
    async (delay) => {
      store.delay = delay
      store.saver.change(cell('RRRR'))
      await vi.advanceTimersByTimeAsync(delay)
      store.elsewhere('LLLL')
      store.saver.change(cell('RRRRR'))
      await vi.advanceTimersByTimeAsync(5000)
      const state = store.saver.state()
      const both = [store.stored?.line, store.noted ?? store.saves.at(-1)]
      expect(both).toContain('LLLL')
      expect(both).toContain('RRRRR')
      expect(state.kind).toBe('conflict')
    },
  )
})
