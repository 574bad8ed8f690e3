// @vitest-environment happy-dom
import 'fake-indexeddb/auto'
import { act, cleanup, renderHook, waitFor } from '@testing-library/react'
import Dexie from 'dexie'
import { afterAll, afterEach, beforeAll, describe, expect, it, vi } from 'vitest'
import { ok, type Result } from '~/core/foundation'
import { DEFAULT_KIT } from '~/core/kit'
import { DEFAULT_SETTING } from '~/core/playability'
import { addLicks, liveSettings, liveSummaries, saveRecord } from '~/storage'
import { announce } from '~/storage/changes'
import { DATABASE_NAME } from '~/storage/database'
import { Slices } from '~/workspace/slices'
import { lick } from '../../tests/support/fresh-store'
import '../../tests/support/patient'
import { sessionRecord } from '../../tests/support/sessions'
import { useCleanPlays } from './use-clean-plays'
import { useDocument } from './use-document'
import { useLive, useSettings } from './use-live'
import { useOthers } from './use-others'
import { useGroovesFor, useOwnCells, useOwnKits } from './use-own'
import { type Concerns, useRead } from './use-read'
import { useSaving } from './use-saving'
import { useNewestSessions, useSessionsSince } from './use-sessions'
import { useCounting, useSettingFor, useStaffView } from './use-setting'
import { useSlices } from './use-slices'

beforeAll(async () => {
  await addLicks([lick('a'), lick('b')], 1000)
  await session('s1', 1000, { tempo: 90 })
})
afterEach(cleanup)
afterAll(() => Dexie.delete(DATABASE_NAME))

const session = (...of: Parameters<typeof sessionRecord>) =>
  saveRecord('sittings', sessionRecord(...of), null)
/** A promise that is kept when it is told to be. */
function later<T>() {
  let keep: (value: T) => void = () => {}
  const promise = new Promise<T>((resolve) => {
    keep = resolve
  })
  return { promise, keep }
}

describe('what is read from the store', () => {
  const concerns: Concerns = (table, ids) => table === 'sets' && ids.includes('a')

  it('is read again when what concerns it changes, many changes at once', async () => {
    let reads = 0
    const read = async () => {
      reads += 1
      return ok(reads)
    }
    const { result } = renderHook(() => useRead(read, concerns, 0))
    await waitFor(() => expect(result.current).toBe(1))
    act(() => {
      announce([{ table: 'sets', ids: ['b'] }])
      announce([{ table: 'licks', ids: ['a'] }])
      for (let i = 0; i < 5; i += 1) announce([{ table: 'sets', ids: ['a'] }])
    })
    await waitFor(() => expect(result.current).toBe(2))
    expect(reads).toBe(2)
  })

  it('is what was asked last, however late an answer before it comes', async () => {
    const answers = [later<Result<string, never>>(), later<Result<string, never>>()]
    let asked = 0
    const read = () => (answers[asked++] as (typeof answers)[number]).promise
    const { result } = renderHook(() => useRead(read, concerns, 'nothing'))
    act(() => announce([{ table: 'sets', ids: ['a'] }]))
    await waitFor(() => expect(asked).toBe(2))
    await act(async () => answers[1]?.keep(ok('new')))
    await act(async () => answers[0]?.keep(ok('old')))
    expect(result.current).toBe('new')
  })

  it('stays what it was where it cannot be read', async () => {
    const read = vi.fn(async (): Promise<Result<string, string>> => ({ ok: false, error: 'gone' }))
    const { result } = renderHook(() => useRead<string>(read, concerns, 'first'))
    await act(async () => {})
    expect([read.mock.calls.length, result.current]).toEqual([1, 'first'])
  })
})

describe('saving', () => {
  it('is busy until the last one is done, and tells of the last one', async () => {
    const answers = [later<{ trouble: string }>(), later<{ trouble: string }>()]
    const change = (index: number) => (answers[index] as (typeof answers)[number]).promise
    const { result } = renderHook(() => useSaving(change))
    act(() => {
      void result.current.tell(0)
      void result.current.tell(1)
    })
    await act(async () => answers[0]?.keep({ trouble: 'full' }))
    expect([result.current.busy, result.current.trouble]).toEqual([true, ''])
    await act(async () => answers[1]?.keep({ trouble: 'gone' }))
    expect([result.current.busy, result.current.trouble]).toEqual([false, 'gone'])
  })
})

describe('what pages see of the store', () => {
  it('are the rows of a table, the settings, and what follows from them, as they change', async () => {
    const rows = renderHook(() => useLive(liveSummaries).rows.map(({ id }) => id))
    const setting = renderHook(() => useSettingFor({ kit: null, unknown: [] }))
    const counting = renderHook(() => useCounting())
    const staff = renderHook(() => useStaffView(DEFAULT_SETTING))
    const settings = renderHook(() => useSettings())
    await act(async () => void (await liveSettings.open()))
    const before = [setting.result.current, counting.result.current, staff.result.current]
    for (const one of [setting, counting, staff]) one.rerender()
    // Nothing has changed: the same objects, so that nothing that follows is worked out again.
    for (const [i, one] of [setting, counting, staff].entries())
      expect(one.result.current).toBe(before[i])
    await waitFor(() => expect(rows.result.current).toEqual(['a', 'b']))
    await act(async () => void (await addLicks([lick('c')], 1000)))
    await waitFor(() => expect(rows.result.current).toEqual(['a', 'b', 'c']))
    await act(async () => settings.result.current.change({ staffGroove: 'notes' }))
    await waitFor(() => expect(staff.result.current).not.toBe(before[2]))
    expect(staff.result.current).toMatchObject({ groove: 'notes' })
    expect(setting.result.current.kit.id).toBe(DEFAULT_KIT.id)
  })

  it('are the player’s own cells, kits and grooves, none to begin with', async () => {
    const { result } = renderHook(() => [
      useOwnCells(),
      useOwnKits(),
      useGroovesFor({ unknown: [] }),
    ])
    await act(async () => {})
    expect(result.current).toEqual([[], [], []])
  })

  it('are the other licks, and those that were clean at their fastest', async () => {
    const others = renderHook(() => useOthers('a', DEFAULT_SETTING))
    await waitFor(() => expect(others.result.current.length).toBeGreaterThan(0))
    const plays = renderHook(() => useCleanPlays())
    await waitFor(() => expect(plays.result.current.map(({ tempo }) => tempo)).toEqual([90]))
  })
})

describe('practice sessions', () => {
  it('are listed a page at a time, the newest first, and follow what is changed', async () => {
    await Promise.all(Array.from({ length: 230 }, (_, i) => session(`p${i}`, 5000 + i)))
    const since = renderHook(() => useSessionsSince(5100))
    const list = renderHook(() => useNewestSessions())
    await waitFor(() => expect(list.result.current.sessions).toHaveLength(200))
    await waitFor(() => expect(since.result.current).toHaveLength(130))
    expect(list.result.current.sessions?.[0]?.id).toBe('p229')
    expect(list.result.current.more).toBe(true)
    act(() => {
      list.result.current.readMore()
      // Asked twice, read once.
      list.result.current.readMore()
    })
    await waitFor(() => expect(list.result.current.sessions).toHaveLength(231))
    expect(new Set(list.result.current.sessions?.map(({ id }) => id)).size).toBe(231)
    await act(async () => void (await session('new', 9000)))
    await waitFor(() => expect(list.result.current.sessions?.[0]?.id).toBe('new'))
  })
})

describe('what is read in slices', () => {
  it('is drawn again when it changes; a document is opened with its page and left with it', () => {
    class Counter extends Slices<{ count: number }> {
      more = () => this.patch({ count: this.state().count + 1 })
    }
    const counter = new Counter({ count: 1 })
    const { result } = renderHook(() => useSlices(counter))
    act(counter.more)
    expect(result.current).toEqual({ count: 2 })
    const log: string[] = []
    const made = vi.fn(() => ({
      open: () => {
        log.push('open')
        return () => void log.push('left')
      },
    }))
    const page = renderHook(() => useDocument(made))
    page.rerender()
    expect([made.mock.calls.length, log]).toEqual([1, ['open']])
    page.unmount()
    expect(log).toEqual(['open', 'left'])
  })
})
