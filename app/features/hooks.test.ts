// @vitest-environment happy-dom
import 'fake-indexeddb/auto'
import { act, cleanup, renderHook, waitFor } from '@testing-library/react'
import Dexie from 'dexie'
import { afterAll, afterEach, describe, expect, it, vi } from 'vitest'
import type { Position } from '~/core/performance'
import { findGrid } from '~/core/time'
import {
  addLicks,
  liveLogs,
  liveSummaries,
  type SetRecord,
  saveRecord,
  type VersionRecord,
} from '~/storage'
import { noteBackup } from '~/storage/backup'
import { DATABASE_NAME } from '~/storage/database'
import { lick } from '../../tests/support/fresh-store'
import { framesByHand } from '../../tests/support/page-frames'
import '../../tests/support/patient'
import { lickOf } from '../../tests/support/licks'
import { sessionRecord } from '../../tests/support/sessions'
import { parts, soloOf } from '../../tests/support/solos'
import { useBackupState } from './backup/use-backup-state'
import { useJob } from './backup/use-job'
import { usePlayedClean } from './bench/state/use-played-clean'
import { useFollow } from './bench/use-follow'
import { useMixable } from './flow/use-mixable'
import { useVersionNames } from './flow/use-version-names'
import { useProgress } from './sets/use-progress'
import { useVersionsOf } from './solos/use-versions-of'

afterEach(() => {
  cleanup()
  vi.unstubAllGlobals()
})
afterAll(() => Dexie.delete(DATABASE_NAME))

const version = (id: string, name: string, text: string) =>
  saveRecord(
    'versions',
    { id, version: 1, createdAt: 1, lickId: 'a', name, text, voicing: '' } as VersionRecord,
    null,
  )
describe('what features read of licks', () => {
  it('are the licks and versions that a flow names, as they are stored now', async () => {
    await addLicks([lick('a'), lick('b')], 1000)
    await version('v', 'Low', 'line: RLRL')
    const sources = [
      { kind: 'lick', of: 'a', weight: 1 },
      { kind: 'line', of: 'RLK', weight: 1 },
      { kind: 'version', of: 'v', weight: 1 },
    ] as never
    const mixed = renderHook(() => useMixable(sources, false))
    await waitFor(() => expect(mixed.result.current.map(({ id }) => id)).toEqual(['a', 'v']))
    expect(mixed.result.current[1]?.lick.title).toBe('Low')
    const turned = renderHook(() => useMixable(sources, true))
    await waitFor(() => expect(turned.result.current).toHaveLength(2))
    expect(turned.result.current[0]?.lick.line).not.toEqual(mixed.result.current[0]?.lick.line)

    await liveSummaries.settled()
    const names = renderHook(() => useVersionNames(sources, [{ id: 'a', title: 'Walk' }] as never))
    await waitFor(() =>
      expect(names.result.current).toEqual([{ id: 'v', name: 'Low', title: 'Walk' }]),
    )
    // A version that is saved while the page is open is there too.
    await act(async () => void (await version('w', 'High', 'line: RLLR')))
    await waitFor(() => expect(names.result.current).toHaveLength(2))
  })

  it('are the versions of a solo’s licks, each with its own part', async () => {
    const own = parts.lick(lickOf('title: A\nline: RL'), 1, { lickId: 'a' })
    const other = parts.lick(lickOf('title: B\nline: RL'))
    const { result } = renderHook(() => useVersionsOf(soloOf([own, other])))
    await waitFor(() => expect(result.current(own).map(({ name }) => name)).toContain('Low'))
    expect([result.current(other), result.current(parts.groove(2))]).toEqual([[], []])
  })

  it('are their fastest clean tempo, on the grid that they are written in', async () => {
    await saveRecord('sittings', sessionRecord('s', 1000, { tempo: 90 }), null)
    const at = (grid: string) => {
      const found = findGrid(grid) as NonNullable<ReturnType<typeof findGrid>>
      return renderHook(() => usePlayedClean('a', found)).result
    }
    const [same, finer] = [at('1/16'), at('1/32')]
    await waitFor(() => expect([same.current, finer.current]).toEqual([90, 45]))
  })

  it('are how far a set is: what is clean at its goal', async () => {
    await liveLogs.settled()
    const exercise = (lickId: string) => ({ lickId, minutes: null, plan: null })
    const set = { exercises: [exercise('a'), exercise('b')] } as unknown as SetRecord
    const { result } = renderHook(() => useProgress(set))
    await waitFor(() => expect(result.current.progress[0]?.summary?.id).toBe('a'))
    expect(result.current.count).toBe(2)
    expect(result.current.progress.map(({ clean }) => clean)).toEqual([90, null])
  })
})

describe('a long piece of work', () => {
  it('tells how far it is, is cancelled, and gives way to the next', async () => {
    const { result, unmount } = renderHook(() => useJob<string>())
    const signals: AbortSignal[] = []
    const endless = (
      onProgress: (progress: { done: number; all: number }) => void,
      signal: AbortSignal,
    ) => {
      signals.push(signal)
      onProgress({ done: 1, all: 4 })
      return new Promise<string>((_, reject) =>
        signal.addEventListener('abort', () => reject(new Error('stopped'))),
      )
    }
    act(() => void result.current.run(endless))
    expect(result.current.state).toEqual({ kind: 'running', done: 1, all: 4 })
    await act(async () => result.current.cancel())
    expect(result.current.state.kind).toBe('cancelled')
    act(() => void result.current.run(endless))
    await act(async () => void (await result.current.run(async () => 'here')))
    // What was given up says nothing any more.
    expect(result.current.state).toEqual({ kind: 'done', output: 'here' })
    await act(async () => void (await result.current.run(() => Promise.reject(new Error('full')))))
    expect(result.current.state).toEqual({ kind: 'failed', message: 'full' })
    act(() => void result.current.run(endless))
    unmount()
    expect(signals.map(({ aborted }) => aborted)).toEqual([true, true, true])
  })

  it('of backing up is remembered: the page says when it was', async () => {
    const { result } = renderHook(() => useBackupState())
    await waitFor(() => expect(result.current).not.toBeNull())
    const before = result.current
    await act(async () => void (await noteBackup(Date.now())))
    await waitFor(() => expect(result.current).not.toEqual(before))
  })
})

describe('the ruler’s frame', () => {
  it('follows what sounds and the caret by as much as is needed, and stays when a page is opened', async () => {
    const { draw, waits } = framesByHand()
    const frame = document.createElement('div')
    frame.innerHTML = '<div data-pitch="100"></div>'
    const box = (top: number, bottom: number) => () => ({ top, bottom }) as DOMRect
    Object.defineProperties(frame, {
      scrollHeight: { value: 500 },
      clientHeight: { value: 200 },
    })
    frame.getBoundingClientRect = box(0, 200)
    const rows = frame.firstElementChild as HTMLElement
    rows.getBoundingClientRect = () => ({ top: -frame.scrollTop }) as DOMRect
    const bars = Array.from({ length: 5 }, (_, index) => ({
      index,
      from: index * 10,
      to: index * 10 + 10,
    }))
    const [host, ruler] = [{ current: frame }, { current: { rows: bars } as never }]
    let tick = 0
    const position = (): Position => ({ phase: 'round', round: 0, tick, bar: 0, played: tick })
    const { rerender } = renderHook(
      ({ caret, playing }) => useFollow(host, caret, playing, position, ruler),
      { initialProps: { caret: 45, playing: false } },
    )
    expect([waits(), frame.scrollTop]).toEqual([false, 0])
    rerender({ caret: 25, playing: false })
    draw()
    await waitFor(() => expect(frame.scrollTop).toBe(100))
    rerender({ caret: 25, playing: true })
    tick = 44
    draw()
    expect(frame.scrollTop).toBe(300)
    tick = 3
    draw()
    expect(frame.scrollTop).toBe(0)
  })
})
