// @vitest-environment happy-dom
import { cleanup, renderHook } from '@testing-library/react'
import { afterEach, describe, expect, it, vi } from 'vitest'
import type { Position } from '~/core/performance'
import { framesByHand } from '../../tests/support/page-frames'
import { usePathCursor } from './kit/use-path-cursor'
import { useKeepEqual } from './use-keep-equal'

afterEach(() => {
  cleanup()
  vi.unstubAllGlobals()
})

describe('what is drawn', () => {
  it('keeps the parts that did not change, so that they are not drawn again', () => {
    const { result, rerender } = renderHook(({ value }) => useKeepEqual(value), {
      initialProps: { value: { rows: [{ slots: [1, 2] }, { slots: [3] }], title: 'a' } },
    })
    const { rows } = result.current
    rerender({ value: { rows: [{ slots: [1, 2] }, { slots: [4] }], title: 'a' } })
    expect(result.current.rows[0]).toBe(rows[0])
    expect(result.current.rows[1]).toEqual({ slots: [4] })
    const before = result.current
    rerender({ value: structuredClone(before) })
    expect(result.current).toBe(before)
  })

  it('shows each hand where it strikes, or struck last, and hides it in silence', () => {
    const { draw } = framesByHand()
    const host = document.createElement('div')
    host.innerHTML = '<i data-now="RH"></i><i data-now="LH"></i>'
    const stop = (tick: number, x: number) => ({ tick, x, y: 0 })
    const view = { RH: [stop(0, 10), stop(100, 20)], LH: [stop(50, 30)] } as never
    let now: Position | undefined
    const at = (tick: number): Position => ({
      phase: 'round',
      round: 0,
      tick,
      bar: 0,
      played: tick,
    })
    const shown = () =>
      [...host.querySelectorAll('i')].map(
        (one) => one.getAttribute('visibility') === 'visible' && one.getAttribute('transform'),
      )
    const { rerender } = renderHook(
      ({ playing }) => usePathCursor(playing, () => now, view, { current: host }),
      { initialProps: { playing: true } },
    )
    now = at(20)
    draw()
    expect(shown()).toEqual(['translate(10 0)', false])
    now = at(120)
    draw()
    expect(shown()).toEqual(['translate(20 0)', 'translate(30 0)'])
    now = { phase: 'count-in', tick: 120 }
    draw()
    expect(shown()).toEqual([false, false])
    now = at(120)
    draw()
    rerender({ playing: false })
    expect(shown()).toEqual([false, false])
  })
})
