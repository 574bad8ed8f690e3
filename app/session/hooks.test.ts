// @vitest-environment happy-dom
import 'fake-indexeddb/auto'
import { act, cleanup, render, renderHook, screen, waitFor } from '@testing-library/react'
import Dexie from 'dexie'
import { createElement } from 'react'
import { afterAll, afterEach, describe, expect, it, vi } from 'vitest'
import { ANY_KIT } from '~/core/kit'
import type { Performance, Position, TempoPlan } from '~/core/performance'
import { toPerformance } from '~/core/performance'
import { toMeter } from '~/core/time'
import { strikeStandIn } from '~/devices/pads'
import { listSessionsBetween, liveSettings } from '~/storage'
import { DATABASE_NAME } from '~/storage/database'
import { lickOf } from '../../tests/support/licks'
import '../../tests/support/patient'
import type { Program } from './program'
import { useClick } from './use-click'
import { useHearLick } from './use-hear-lick'
import { usePlayback } from './use-playback'
import { useProgram } from './use-program'
import { useSounding } from './use-sounding'
import { type Struck, useStrikes, useStrokes } from './use-strikes'

/** What the last sound that was opened was told. */
const sound = vi.hoisted(() => ({
  opened: 0,
  performance: null as Performance | null,
  plan: null as TempoPlan | null,
  muted: new Map<string, number>(),
  closed: 0,
  end: () => {},
  fails: false,
}))
vi.mock('~/audio', () => ({
  SoundSession: class {
    constructor(_: unknown, onEnd: () => void) {
      if (sound.fails) throw new Error('no device')
      sound.opened += 1
      sound.end = onEnd
    }
    async play(performance: Performance, plan: TempoPlan) {
      Object.assign(sound, { performance, plan })
    }
    stop() {
      sound.performance = null
    }
    setPlan(plan: TempoPlan) {
      sound.plan = plan
    }
    setPerformance(performance: Performance) {
      sound.performance = performance
    }
    setVolume(channel: string, volume: number) {
      sound.muted.set(channel, volume)
    }
    setSoftClick() {}
    setChoice() {}
    position(): Position | undefined {
      return sound.performance
        ? { phase: 'round', round: 0, tick: 0, bar: 0, played: 0 }
        : undefined
    }
    close() {
      sound.closed += 1
    }
  },
}))
vi.mock('~/workers', () => ({ kitMaker: {}, startTicker: vi.fn() }))

afterEach(() => {
  cleanup()
  Object.assign(sound, { performance: null, plan: null, opened: 0, closed: 0, fails: false })
  sound.muted.clear()
})
afterAll(() => Dexie.delete(DATABASE_NAME))

const OPTIONS = { loop: true, countIn: false, click: { marks: 'beats', dropOut: null } } as const
const music = (line: string) => toPerformance(lickOf(`line: ${line}`), OPTIONS)
const SWITCHES = { loop: true, countIn: true, click: true, clickMarks: 'beats' } as const
const KIT = { grooves: [], sounds: ANY_KIT, swapsGroove: false }

/** A page with two licks to hear. */
function Page() {
  const { hear, player } = useHearLick()
  const button = (title: string) =>
    createElement(
      'button',
      { key: title, type: 'button', onClick: () => hear(lickOf(`title: ${title}\nline: RL`)) },
      title,
    )
  return createElement('div', null, button('Walk'), button('Run'), player)
}

describe('sounding', () => {
  it('composes nothing in silence, and goes over to what changes while it plays', async () => {
    const made: string[] = []
    const composeOf = (line: string) => () => {
      made.push(line)
      return music(line)
    }
    const [first, second] = [composeOf('RLRL'), composeOf('RLLR')]
    const plan = () => 1
    const { result, rerender, unmount } = renderHook(({ compose }) => useSounding(compose, plan), {
      initialProps: { compose: first },
    })
    expect(made).toEqual([])
    act(() => result.current.start())
    await waitFor(() => expect(sound.performance).not.toBeNull())
    rerender({ compose: second })
    expect([...new Set(made)]).toEqual(['RLRL', 'RLLR'])
    expect(result.current.playing).toBe(true)
    // Played once, it ends by itself.
    act(() => sound.end())
    expect(result.current.playing).toBe(false)
    unmount()
    await waitFor(() => expect(sound.closed).toBe(1))
  })

  it('says why nothing is heard', async () => {
    sound.fails = true
    const { result } = renderHook(() =>
      useSounding(
        () => music('R'),
        () => 1,
      ),
    )
    act(() => result.current.start())
    await waitFor(() => expect(result.current.trouble).not.toBe(''))
    expect(result.current.playing).toBe(false)
  })

  it('of a lick takes its tempo and its click while it plays, and one that is given at once', async () => {
    const bench = lickOf('line: RLRL*4')
    const { result, rerender } = renderHook(
      ({ tempo, click }) => usePlayback(bench, tempo, { ...SWITCHES, click }, null, KIT),
      { initialProps: { tempo: 60, click: true } },
    )
    act(() => result.current.toggle())
    await waitFor(() => expect(sound.plan?.(0)).toBeCloseTo(1 / 10080))
    expect(sound.performance?.countInTicks).toBe(40320)
    rerender({ tempo: 120, click: false })
    expect(sound.plan?.(0)).toBeCloseTo(1 / 20160)
    expect(sound.muted.get('click')).toBe(0)
    act(() => result.current.toggle())
    expect([result.current.playing, sound.performance]).toEqual([false, null])
    // Heard by itself, nothing counts in.
    act(() => result.current.toggle(lickOf('line: RL')))
    await waitFor(() => expect(sound.performance?.countInTicks).toBe(0))
  })

  it('of the click alone counts in and goes on for sixteen bars before it comes round', async () => {
    const { result } = renderHook(() => useClick(toMeter(3, 4), 60))
    act(() => result.current.start())
    await waitFor(() => expect(sound.performance?.roundTicks).toBe(16 * 30240))
    expect(sound.performance?.countInTicks).toBe(30240)
    expect(result.current.perTick).toBeCloseTo(1 / 10080)
  })

  it('of licks on a page is one at a time', async () => {
    render(createElement(Page))
    act(() => screen.getByText('Walk').click())
    await screen.findByText('Walk at 80')
    act(() => screen.getByText('Run').click())
    await screen.findByText('Run at 80')
    expect(screen.queryByText('Walk at 80')).toBeNull()
    act(() => screen.getByLabelText('Stop').click())
    expect(screen.queryByText('Run at 80')).toBeNull()
  })
})

describe('a program on a page', () => {
  const program = (tempo: number): Program => ({
    ...{
      lickId: 'a',
      part: '',
      words: 'in the bar',
      grid: '1/16',
      form: '',
      music: 'a',
      beat: 10080,
    },
    compose: () => music('RLRL*4'),
    tempos: [tempo],
    climb: { rungs: 1, every: null, barTicks: 40320, repeatTicks: 40320, roundBars: 1 },
  })

  it('plays the one that is drawn, and is silent and closed when the page is left', async () => {
    const { result, rerender, unmount } = renderHook(({ tempo }) => useProgram(program(tempo)), {
      initialProps: { tempo: 60 },
    })
    rerender({ tempo: 90 })
    act(() => result.current.player.begin())
    await waitFor(() => expect(sound.plan?.(0)).toBeCloseTo(1 / 15120))
    expect(result.current.playing).toBe(true)
    unmount()
    await waitFor(() => expect(sound.closed).toBe(1))
    // Nothing has sounded yet: nothing is in the log.
    expect(await listSessionsBetween(0, Number.MAX_SAFE_INTEGER)).toMatchObject({ value: [] })
  })
})

describe('strokes', () => {
  const press = (code: string, rest: KeyboardEventInit = {}) =>
    act(() => void dispatchEvent(new KeyboardEvent('keydown', { code, bubbles: true, ...rest })))

  it('come by keys once a press, by pads with their limb, and only while they are wanted', async () => {
    await act(async () => {
      await liveSettings.open()
      liveSettings.change({ padLimbs: [{ note: 38, limb: 'LH' }] })
    })
    const heard: (string | undefined)[] = []
    const { rerender } = renderHook(
      ({ on }) => useStrokes(on, ({ limb, from }) => heard.push(`${from} ${limb}`)),
      { initialProps: { on: true } },
    )
    press('KeyJ')
    press('KeyJ', { repeat: true })
    press('KeyF', { ctrlKey: true })
    press('KeyQ')
    act(() => strikeStandIn(38))
    act(() => strikeStandIn(50))
    expect(heard).toEqual(['keys RH', 'pads LH', 'pads undefined'])
    rerender({ on: false })
    press('KeyJ')
    expect(heard).toHaveLength(3)
  })

  it('are told with where the music was when they were struck, and not at all in silence', () => {
    const struck: Struck[] = []
    const asked: number[] = []
    const at: Position = { phase: 'round', round: 0, tick: 5, bar: 0, played: 5 }
    let now: Position | undefined = at
    const position = (ahead = 0) => {
      asked.push(ahead)
      return now
    }
    const { result } = renderHook(() => useStrikes(true, position, (one) => struck.push(one)))
    const stroke = { limb: 'RH', from: 'mic' } as const
    result.current({ ...stroke, stamp: performance.now() - 250 })
    expect(struck).toEqual([{ ...stroke, at }])
    expect(asked[0]).toBeLessThan(-0.24)
    for (const silent of [undefined, { phase: 'over' } as const]) {
      now = silent
      result.current({ ...stroke, stamp: performance.now() })
    }
    expect(struck).toHaveLength(1)
  })
})
