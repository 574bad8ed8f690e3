// @vitest-environment happy-dom
import { act, cleanup, fireEvent, render, renderHook } from '@testing-library/react'
import { createElement, type ReactNode, useRef } from 'react'
import { BrowserRouter, useNavigate } from 'react-router'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { useAddressState } from './use-address-state'
import { GAUGE, useColumns } from './use-columns'
import { useFieldDraft } from './use-field-draft'
import { useMedia } from './use-media'
import { usePageTitle } from './use-page-title'
import { useSettled } from './use-settled'
import { useSpace } from './use-space'
import { useTop } from './use-top'
import { useTouch } from './use-touch'
import { useWidth } from './use-width'
import { useWindowRows } from './use-window-rows'

/** A watcher of sizes that tells when it is told to. */
class Sizes {
  static readonly all = new Set<Sizes>()
  constructor(private readonly tell: (entries: unknown[]) => void) {
    Sizes.all.add(this)
  }
  observe() {}
  disconnect() {
    Sizes.all.delete(this)
  }
  static resize(width: number) {
    for (const one of Sizes.all) one.tell([{ contentRect: { width } }])
  }
}

beforeEach(() => {
  vi.stubGlobal('ResizeObserver', Sizes)
  history.replaceState(null, '', '/')
})
afterEach(() => {
  cleanup()
  vi.useRealTimers()
  vi.unstubAllGlobals()
  expect(Sizes.all.size).toBe(0)
})

const at = (children: ReactNode) => createElement(BrowserRouter, null, children)
const inRouter = { wrapper: ({ children }: { children: ReactNode }) => at(children) }
/** A reference to an element of some size. */
const elementOf = (of: Partial<HTMLElement>) => ({
  current: Object.assign(document.createElement('textarea'), of) as never,
})

describe('a state in the address', () => {
  const COUNT = {
    open: (search: string) => ({ count: Number(new URLSearchParams(search).get('n') ?? 1) }),
    format: ({ count }: { count: number }) => (count === 1 ? '' : `n=${count}`),
  }
  const opened = () =>
    renderHook(() => [...useAddressState(COUNT), useNavigate()] as const, inRouter)

  it('is read from it, counts at once and on top of itself, and is written to it', () => {
    history.replaceState(null, '', '/?n=4')
    const { result } = opened()
    expect(result.current[0]).toEqual({ count: 4 })
    act(() => {
      for (let i = 0; i < 3; i += 1) result.current[1](({ count }) => ({ count: count + 1 }))
    })
    expect(result.current[0]).toEqual({ count: 7 })
    expect(location.search).toBe('?n=7')
    act(() => result.current[1]({ count: 1 }))
    expect(location.search).toBe('')
  })

  it('follows a link to the same page, and not what it wrote itself', () => {
    const { result } = opened()
    act(() => result.current[1]({ count: 5 }))
    act(() => void result.current[2]('/?n=9'))
    expect(result.current[0]).toEqual({ count: 9 })
  })
})

describe('a field whose value comes back late', () => {
  it('keeps every key until it is left', () => {
    const { result, rerender } = renderHook(({ value }) => useFieldDraft(value), {
      initialProps: { value: 'a' },
    })
    act(() => result.current.type('ab', 'ab'))
    act(() => result.current.type('abc', 'abc'))
    // The answer to the first key must not take the second away.
    rerender({ value: 'ab' })
    expect(result.current.typed).toBe('abc')
    rerender({ value: 'abc' })
    act(() => result.current.leave())
    expect(result.current.typed).toBe('abc')
  })
})

describe('a value that settles', () => {
  it('is the last one, once that has stood still', () => {
    vi.useFakeTimers()
    const { result, rerender } = renderHook(({ value }) => useSettled(value, 100), {
      initialProps: { value: 1 },
    })
    for (const value of [2, 3, 4]) {
      rerender({ value })
      act(() => void vi.advanceTimersByTime(60))
      expect(result.current).toBe(1)
    }
    act(() => void vi.advanceTimersByTime(60))
    expect(result.current).toBe(4)
  })
})

describe('what the browser tells', () => {
  it('of a media query is followed; a coarse pointer is a finger', () => {
    const listeners = new Set<() => void>()
    const list = {
      matches: false,
      addEventListener: (_: string, one: () => void) => listeners.add(one),
      removeEventListener: (_: string, one: () => void) => listeners.delete(one),
    }
    const asked: string[] = []
    vi.stubGlobal('matchMedia', (query: string) => {
      asked.push(query)
      return list
    })
    const wide = renderHook(() => useMedia('(width >= 90rem)'))
    const touch = renderHook(() => useTouch())
    list.matches = true
    act(() => {
      for (const tell of listeners) tell()
    })
    expect([wide.result.current, touch.result.current]).toEqual([true, true])
    wide.unmount()
    touch.unmount()
    expect(listeners.size).toBe(0)
    expect([...new Set(asked)]).toEqual(['(width >= 90rem)', '(pointer: coarse)'])
  })

  it('of a width is whole pixels', () => {
    const { result } = renderHook(() => useWidth(elementOf({})))
    expect(result.current).toBe(0)
    act(() => Sizes.resize(412.7))
    expect(result.current).toBe(412)
  })

  it('of letters is how many fit into a row of the field, without its padding', () => {
    const field = elementOf({})
    Object.defineProperty(field.current, 'clientWidth', { value: 220 })
    Object.assign((field.current as HTMLElement).style, {
      paddingLeft: '10px',
      paddingRight: '8px',
    })
    const gauge = elementOf({
      getBoundingClientRect: () => ({ width: GAUGE.length * 10 }) as DOMRect,
    })
    document.body.append(field.current)
    const { result } = renderHook(() => useColumns(field, gauge))
    expect(result.current).toBe(20)
  })

  it('of a place is from the top of the page, however far it is scrolled', () => {
    vi.stubGlobal('scrollY', 300)
    const element = elementOf({ getBoundingClientRect: () => ({ top: -100 }) as DOMRect })
    expect(renderHook(() => useTop(element)).result.current).toBe(200)
  })

  it('of its tab is named after what the page shows', () => {
    const { rerender } = renderHook(({ name }) => usePageTitle(name, 'Bench'), {
      initialProps: { name: 'Tightrope' },
    })
    expect(document.title).toBe('Tightrope · Bench · Dime Stack')
    rerender({ name: '' })
    expect(document.title).toBe('Bench · Dime Stack')
  })
})

/** A page that plays, with a field to type in. */
function Played({ onPlay }: { onPlay: () => void }) {
  useSpace(onPlay)
  return createElement('textarea', { 'aria-label': 'words' })
}

describe('Space', () => {
  it('plays, but for what is typed in', () => {
    const played = vi.fn()
    const { container } = render(createElement(Played, { onPlay: played }))
    const press = (target: Element) => {
      fireEvent.keyDown(target, { key: ' ', code: 'Space' })
      fireEvent.keyUp(target, { key: ' ', code: 'Space' })
    }
    press(document.body)
    expect(played).toHaveBeenCalledTimes(1)
    press(container.querySelector('textarea') as Element)
    expect(played).toHaveBeenCalledTimes(1)
  })
})

describe('rows of a list that scrolls with the page', () => {
  it('are all drawn where they are few, and a window of them where they are many', () => {
    const rowsOf = (count: number) => Array.from({ length: count }, (_, i) => ({ id: `row ${i}` }))
    const drawn = (count: number) => {
      const { result } = renderHook(() => {
        const rows = useRef(rowsOf(count)).current
        return useWindowRows<HTMLUListElement>(rows, 50, 30).virtual.getVirtualItems()
      })
      return result.current
    }
    expect(drawn(20).map(({ key }) => key)).toEqual(rowsOf(20).map(({ id }) => id))
    expect(drawn(5000).length).toBeLessThan(60)
  })
})
