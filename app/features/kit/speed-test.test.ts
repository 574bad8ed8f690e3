import { describe, expect, it } from 'vitest'
import { SPEED_SECONDS, type SpeedKind, SpeedTest } from './speed-test'

/** A test whose ten seconds are over when it is told so. */
function started(kind: SpeedKind, usual = 150) {
  const timers: { ms: number; work: () => void; stopped: boolean }[] = []
  const test = new SpeedTest(kind, usual, (ms, work) => {
    const timer = { ms, work, stopped: false }
    timers.push(timer)
    return () => {
      timer.stopped = true
    }
  })
  const over = () => {
    const last = timers.at(-1)
    if (last && !last.stopped) last.work()
  }
  return { test, timers, over }
}

describe('ten seconds of strokes', () => {
  it('run from the first stroke on, and tell the interval when they are over', () => {
    const { test, timers, over } = started('single')
    expect(test.state()).toEqual({ phase: 'ready', count: 0, result: null })
    for (let i = 0; i < 12; i += 1) test.strike(5000 + i * 150)
    expect(timers.map(({ ms }) => ms)).toEqual([SPEED_SECONDS * 1000])
    expect(test.state()).toEqual({ phase: 'running', count: 12, result: null })
    over()
    test.strike(99_000)
    expect(test.state()).toEqual({ phase: 'done', count: 12, result: 150 })
  })

  it('of a way to and fro tell how many times as long as it should take', () => {
    const { test, over } = started('travel', 100)
    for (let i = 0; i < 12; i += 1) test.strike(i * 150)
    over()
    expect(test.state().result).toBeCloseTo(1.5)
  })

  it('of too few strokes tell nothing, and begin anew when they are asked for again', () => {
    const { test, timers, over } = started('double')
    test.strike(0)
    over()
    expect(test.state()).toEqual({ phase: 'done', count: 1, result: null })
    test.again()
    expect(test.state().phase).toBe('ready')
    test.strike(50)
    expect([test.state().count, timers.length]).toEqual([1, 2])
    // A page that is left is not told later.
    test.leave()
    over()
    expect(test.state().phase).toBe('running')
  })
})
