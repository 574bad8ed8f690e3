// @vitest-environment happy-dom
import { act, cleanup, fireEvent, renderHook } from '@testing-library/react'
import { createElement, type ReactNode } from 'react'
import { MemoryRouter, useLocation } from 'react-router'
import { afterEach, describe, expect, it, vi } from 'vitest'
import type { Position } from '~/core/performance'
import { strikeStandIn } from '~/devices/pads'
import { DEFAULT_SETTINGS } from '~/storage'
import { framesByHand } from '../../../tests/support/page-frames'
import type { Phase } from './lights'
import { useFullScreen } from './room/use-full-screen'
import type { PracticeRoom } from './session/room'
import { useBeginsAtOnce } from './use-begins-at-once'
import { useLights } from './use-lights'
import { usePads } from './use-pads'
import { usePracticeKeys } from './use-practice-keys'
import { useHasVoice, useVoiceCount } from './use-voice-count'

afterEach(() => {
  cleanup()
  vi.useRealTimers()
  vi.unstubAllGlobals()
})

const inRouter = (
  entries: (string | { pathname: string; search?: string; state?: unknown })[],
) => ({
  wrapper: ({ children }: { children: ReactNode }) =>
    createElement(MemoryRouter, { initialEntries: entries }, children),
})
const round = (tick: number): Position => ({ phase: 'round', round: 0, tick, bar: 0, played: tick })

describe('the lights of a page', () => {
  it('show beat, slot and phase as they sound, and nothing once it is silent', () => {
    const { draw } = framesByHand()
    const host = document.createElement('div')
    host.innerHTML =
      '<i data-beat="0"></i><i data-beat="1"></i><b data-slot="3"></b><p data-phase-words></p>'
    const lit = () =>
      [...host.querySelectorAll('[data-now]')].map((one) => one.outerHTML.slice(1, 16))
    let phase: Phase = { name: 'fill', bar: 1, beat: 1, slot: 3 }
    const ref = { current: host }
    const phaseOf = () => phase
    const words = ({ name }: Phase) => `${name}!`
    const { rerender } = renderHook(
      ({ playing }) => useLights(playing, () => undefined, phaseOf, words, ref),
      { initialProps: { playing: true } },
    )
    draw()
    expect(lit()).toEqual(['i data-beat="1"', 'b data-slot="3"'])
    expect([host.dataset.phase, host.textContent]).toEqual(['fill', 'fill!'])
    phase = { name: 'groove', bar: 1, beat: 0, slot: -1 }
    draw()
    expect(lit()).toEqual(['i data-beat="0"'])
    rerender({ playing: false })
    expect([lit(), host.dataset.phase]).toEqual([[], 'still'])
  })
})

describe('pads', () => {
  it('do what they were taught, and any of them plays while nothing sounds', () => {
    const did: string[] = []
    const pads = { ...DEFAULT_SETTINGS.pads, clean: 38, play: 36 }
    const { rerender } = renderHook(
      ({ playing, learning }) =>
        usePads(
          pads,
          { open: false, learning },
          playing,
          () => did.push('play'),
          (rating) => did.push(rating),
        ),
      { initialProps: { playing: false, learning: false } },
    )
    strikeStandIn(50)
    rerender({ playing: true, learning: false })
    strikeStandIn(50)
    strikeStandIn(38)
    strikeStandIn(36)
    expect(did).toEqual(['play', 'clean', 'play'])
    // A pad that is being taught does nothing else.
    rerender({ playing: true, learning: true })
    strikeStandIn(38)
    expect(did).toHaveLength(3)
  })
})

describe('the keys of the room', () => {
  const asked: string[] = []
  const say =
    (what: string) =>
    (...of: unknown[]) =>
      void asked.push([what, ...of.filter((one) => typeof one !== 'object')].join(' '))
  const room = {
    player: { toggle: say('toggle'), feelsTense: say('tense') },
    ...{ rate: say('rate'), goStep: say('step'), moveTempo: say('tempo'), muteLimb: say('mute') },
    ...{
      switchClick: say('click'),
      switchPulse: say('pulse'),
      undo: say('undo'),
      redo: say('redo'),
    },
    loopOver: (range: unknown) => void asked.push(`loop ${range}`),
  } as unknown as PracticeRoom
  const press = (key: string, code: string, rest: object = {}) => {
    fireEvent.keyDown(document.body, { key, code, ...rest })
    fireEvent.keyUp(document.body, { key, code })
  }
  const all = () => {
    asked.length = 0
    press('ArrowRight', 'ArrowRight')
    press('ArrowDown', 'ArrowDown')
    press('ArrowLeft', 'ArrowLeft')
    press('n', 'KeyN')
    press('p', 'KeyP')
    press('+', 'Equal', { shiftKey: true })
    press('=', 'Equal')
    press('+', 'NumpadAdd')
    press('+', 'BracketRight')
    press('-', 'Minus')
    press('2', 'Digit2')
    press('c', 'KeyC')
    press('h', 'KeyH')
    press('t', 'KeyT')
    press('s', 'KeyS')
    press('Escape', 'Escape')
    press('z', 'KeyZ', { ctrlKey: true })
    press(' ', 'Space')
    return [...asked]
  }

  it('rate only while it plays, and are left to what is typed where they are turned off', () => {
    const { rerender } = renderHook(
      ({ playing, shortcuts, full }) =>
        usePracticeKeys(room, full, (wanted) => void asked.push(`full ${wanted}`), {
          playing,
          shortcuts,
        }),
      { initialProps: { playing: true, shortcuts: true, full: false } },
    )
    const rest = [
      'step 1',
      'step -1',
      ...Array(4).fill('tempo 1'),
      'tempo -1',
      'mute 1',
      'click',
      'pulse',
      'tense',
    ]
    const always = ['loop null', 'undo', 'toggle']
    expect(all()).toEqual([
      'rate clean',
      'rate rough',
      'rate lost',
      ...rest,
      'full true',
      ...always,
    ])
    rerender({ playing: false, shortcuts: true, full: false })
    expect(all()).toEqual([...rest, 'full true', ...always])
    rerender({ playing: true, shortcuts: false, full: true })
    // Escape leaves the full screen first.
    expect(all()).toEqual(['full false', 'undo', 'toggle'])
  })
})

describe('a voice', () => {
  it('says each count once, a moment ahead, and is silent when it is over', () => {
    vi.useFakeTimers()
    const spoken: string[] = []
    const speech = Object.assign(new EventTarget(), {
      getVoices: () => [{}],
      cancel: vi.fn(),
      speak: ({ text }: { text: string }) => void spoken.push(text),
    })
    vi.stubGlobal('speechSynthesis', speech)
    vi.stubGlobal(
      'SpeechSynthesisUtterance',
      class {
        constructor(readonly text: string) {}
      },
    )
    let tick = 0
    const leads: number[] = []
    const position = (ahead = 0) => {
      leads.push(ahead)
      return tick < 0 ? ({ phase: 'over' } as const) : round(tick)
    }
    const count = { step: 100, wordsAt: (at: number) => (at === 100 ? '' : `at ${at}`) }
    const { unmount } = renderHook(() => useVoiceCount(true, position, count as never))
    for (const now of [0, 40, 99, 100, 250, -1]) {
      tick = now
      vi.advanceTimersByTime(20)
    }
    expect(spoken).toEqual(['at 0', 'at 200'])
    expect(Math.min(...leads)).toBeGreaterThan(0)
    unmount()
    const before = spoken.length
    tick = 500
    vi.advanceTimersByTime(100)
    expect(spoken).toHaveLength(before)
    expect(renderHook(() => useHasVoice()).result.current).toBe(true)
    speech.getVoices = () => []
    expect(renderHook(() => useHasVoice()).result.current).toBe(false)
  })
})

describe('the address of the room', () => {
  it('begins at once only where the page before asked for it', () => {
    const begin = vi.fn()
    renderHook(() => useBeginsAtOnce(begin), inRouter(['/practice/a']))
    expect(begin).not.toHaveBeenCalled()
    const asked = { pathname: '/practice/a', state: { begins: true } }
    const { rerender } = renderHook(() => useBeginsAtOnce(begin), inRouter([asked]))
    rerender()
    expect(begin).toHaveBeenCalledTimes(1)
  })

  it('has the full screen in it: the way back leads to the page, and a link to it is left by itself', () => {
    const opened = (entry: string) =>
      renderHook(() => ({ full: useFullScreen(), at: useLocation() }), inRouter(['/before', entry]))
    const entered = opened('/practice/a?panel=ear')
    act(() => entered.result.current.full[1](true))
    expect(entered.result.current.at.search).toBe('?panel=ear&full=1')
    act(() => entered.result.current.full[1](false))
    expect(entered.result.current.at.search).toBe('?panel=ear')
    const linked = opened('/practice/a?full=1')
    expect(linked.result.current.full[0]).toBe(true)
    act(() => linked.result.current.full[1](false))
    expect([linked.result.current.at.pathname, linked.result.current.at.search]).toEqual([
      '/practice/a',
      '',
    ])
  })
})
