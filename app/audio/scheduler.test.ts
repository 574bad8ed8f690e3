import { describe, expect, it } from 'vitest'
import { eventsBetween, plannedSeconds, type SoundEvent, toPerformance } from '~/core/performance'
import { lickOf } from '../../tests/support/licks'
import { AHEAD_SECONDS, HIDDEN_AHEAD_SECONDS, Scheduler, type Sink } from './scheduler'

interface Handed {
  readonly event: SoundEvent
  readonly seconds: number
  readonly at: number
}

/** A clock that a test moves by hand, and a sink that writes down what it is given, and when. */
class Studio implements Sink {
  now = 0
  handed: Handed[] = []
  strike(event: SoundEvent, seconds: number): void {
    this.handed.push({ event, seconds, at: this.now })
  }
  cancelFrom(seconds: number): void {
    this.handed = this.handed.filter((entry) => entry.seconds < seconds)
  }
  run(scheduler: Scheduler, until: number, every: (i: number) => number): void {
    for (let i = 0; this.now < until; i += 1) {
      this.now += every(i)
      scheduler.pulse()
    }
  }
}

const TEXT = 'tempo: 120\nline: >fRllRl >RlK >LKRLRL*2\nunder: @1/4 H'
const perTick = (tempo: number) => 60 / tempo / 10080
const looped = (text: string) => toPerformance(lickOf(text), { loop: true, countIn: true })
const keys = (handed: readonly Handed[]) =>
  handed.map(
    ({ event, seconds }) =>
      `${seconds.toFixed(6)} ${JSON.stringify({ ...event, tick: 0, since: 0 })}`,
  )

describe('scheduling', () => {
  it('hands over ten minutes of a loop: nothing late, lost or doubled, each at its exact time', () => {
    const performance = looped(TEXT)
    const studio = new Studio()
    const scheduler = new Scheduler(
      performance,
      () => perTick(120),
      0.1,
      () => studio.now,
      studio,
    )
    // A pulse that is uneven, as those of browsers are: 25 ms, now and then 90.
    studio.run(scheduler, 600, (i) => (i % 37 === 0 ? 0.09 : 0.025))
    const expected = eventsBetween(performance, 0, studio.handed.at(-1)?.event.tick ?? 0)
    expect(studio.handed.length).toBeGreaterThan(7000)
    expect(studio.handed.slice(0, expected.length).map(({ event }) => event)).toEqual(expected)
    for (const { event, seconds, at } of studio.handed) {
      expect(Math.abs(seconds - (0.1 + event.tick * perTick(120)))).toBeLessThan(1e-9)
      expect(seconds).toBeGreaterThan(at)
    }
    expect(new Set(keys(studio.handed)).size).toBe(studio.handed.length)
  })

  it('takes a new tempo at the next stroke, and loses and doubles nothing', () => {
    const performance = looped(TEXT)
    const studio = new Studio()
    const scheduler = new Scheduler(
      performance,
      () => perTick(120),
      0,
      () => studio.now,
      studio,
    )
    for (let change = 1; change <= 40; change += 1) {
      studio.run(scheduler, change * 0.73, () => 0.025)
      const tempo = perTick(change % 2 === 0 ? 120 : 173)
      scheduler.setPlan(() => tempo)
    }
    studio.run(scheduler, 31, () => 0.025)
    const ticks = studio.handed.map(({ event }) => event.tick)
    expect(ticks).toEqual([...ticks].sort((a, b) => a - b))
    const last = ticks.at(-1) ?? 0
    const before = studio.handed.filter(({ event }) => event.tick < last)
    expect(before.map(({ event }) => event)).toEqual(eventsBetween(performance, 0, last))
    const times = studio.handed.map(({ seconds }) => seconds)
    expect(times).toEqual([...times].sort((a, b) => a - b))
  })

  it('follows a plan of tempos bar by bar, each from its barline, to the core’s exact times', () => {
    const performance = looped(TEXT)
    const studio = new Studio()
    const plan = (bar: number) => perTick(100 + 7 * (Math.floor(bar / 2) % 9))
    const scheduler = new Scheduler(performance, plan, 0.1, () => studio.now, studio)
    scheduler.pulse()
    studio.run(scheduler, 600, (i) => (i % 41 === 0 ? 0.4 : 0.025))
    const last = studio.handed.at(-1)?.event.tick ?? 0
    const before = studio.handed.filter(({ event }) => event.tick < last)
    expect(before.map(({ event }) => event)).toEqual(eventsBetween(performance, 0, last))
    for (const { event, seconds, at } of before) {
      const exact = 0.1 + plannedSeconds(performance, plan, event.tick)
      expect(Math.abs(seconds - exact)).toBeLessThan(1e-6)
      expect(seconds).toBeGreaterThan(at)
    }
  })

  it('bears a page that is hidden: a pulse a second only, nothing late or lost', () => {
    const performance = looped(TEXT)
    const studio = new Studio()
    let hidden = false
    const ahead = () => (hidden ? HIDDEN_AHEAD_SECONDS : AHEAD_SECONDS)
    const plan = () => perTick(120)
    const scheduler = new Scheduler(performance, plan, 0.1, () => studio.now, studio, ahead)
    scheduler.pulse()
    studio.run(scheduler, 20, () => 0.025)
    hidden = true
    scheduler.pulse()
    studio.run(scheduler, 80, (i) => (i % 7 === 0 ? 2 : 1))
    hidden = false
    studio.run(scheduler, 100, () => 0.025)
    const last = studio.handed.at(-1)?.event.tick ?? 0
    const before = studio.handed.filter(({ event }) => event.tick < last)
    expect(before.map(({ event }) => event)).toEqual(eventsBetween(performance, 0, last))
    for (const { seconds, at } of studio.handed) expect(seconds).toBeGreaterThan(at)
  })

  it('goes on at the same place of the bar when the content changes', () => {
    const studio = new Studio()
    const scheduler = new Scheduler(
      looped(TEXT),
      () => perTick(120),
      0,
      () => studio.now,
      studio,
    )
    studio.run(scheduler, 5, () => 0.025)
    const before = scheduler.position()
    scheduler.setPerformance(looped(TEXT.replace('>RlK', '>RKK')))
    const after = scheduler.position()
    expect(after).toMatchObject({
      phase: before.phase,
      round: 'round' in before ? before.round : -1,
    })
    studio.run(scheduler, 12, () => 0.025)
    const beats = studio.handed
      .filter(({ event }) => event.kind === 'click')
      .map(({ seconds }) => Math.round(seconds * 1e6))
    expect(beats).toEqual(beats.map((_, i) => i * 500_000))
  })

  it('ends by itself when it plays once', () => {
    const studio = new Studio()
    const performance = toPerformance(lickOf('lead: 0\ntempo: 240\nline: RLRL*4'), {
      loop: false,
      countIn: false,
    })
    const scheduler = new Scheduler(
      performance,
      () => perTick(240),
      0,
      () => studio.now,
      studio,
    )
    studio.run(scheduler, 0.9, () => 0.025)
    expect(scheduler.isOver).toBe(false)
    studio.run(scheduler, 3, () => 0.025)
    expect(scheduler.isOver).toBe(true)
  })
})
