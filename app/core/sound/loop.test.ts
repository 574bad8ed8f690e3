import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import * as random from '../../../tests/support/arbitraries'
import { lickOf } from '../../../tests/support/licks'
import { frameTicks, GRACE_VELOCITY, type Lick } from '../line'
import { graceLeads, type SoundEvent, toPerformance } from '../performance'
import { secondsPerTick } from '../time'
import { loopEvents as eventsOf, type LoopStretch, loopSeconds, renderLoops } from './loop'
import { mixEvents, type TimedEvent } from './mix'

/** Low, since a random lick may last for minutes. */
const RATE = 4000
const PLAIN = { tempo: 100, rounds: 1, click: true, parts: 'all' } as const
type Given = Omit<LoopStretch, 'lick'> & Parameters<typeof eventsOf>[1]
const loopEvents = (lick: Lick, given: Given) => eventsOf({ lick, ...given }, given)
const renderLoop = (lick: Lick, given: Given, rate: number, sound: () => Float32Array) =>
  renderLoops([{ lick, ...given }], given, rate, sound)
/** A sound of one sample: where the mix is not silent, something begins. */
const dot = () => Float32Array.of(1)
function struck(samples: Float32Array): number[] {
  const found: number[] = []
  for (let at = 0; at < samples.length; at += 1) if (samples[at] !== 0) found.push(at)
  return found
}

describe('a lick as samples', () => {
  it('has every onset at the sample nearest to its time, and no other, for any lick', () => {
    fc.assert(
      fc.property(random.lick, fc.integer({ min: 120, max: 300 }), (lick, tempo) => {
        const { events, perTick } = loopEvents(lick, { ...PLAIN, tempo })
        const expected = new Set(
          events.flatMap(({ event, seconds }) => {
            if (event.kind === 'choke') return []
            const graces =
              event.kind === 'stroke'
                ? graceLeads(
                    event.graces,
                    (event.since ?? Number.POSITIVE_INFINITY) * perTick * 1000,
                  )
                : []
            return [0, ...graces].map((lead) =>
              Math.max(0, Math.round((seconds - lead / 1000) * RATE)),
            )
          }),
        )
        const samples = renderLoop(lick, { ...PLAIN, tempo }, RATE, dot)
        expect(struck(samples)).toEqual([...expected].sort((a, b) => a - b))
      }),
      { numRuns: 40 },
    )
  })

  it('lasts its count-in and rounds, and two seconds more to ring', () => {
    const lick = lickOf('tempo: 60\nline: RLRL RLRL RLRL RLRL')
    const { seconds } = loopEvents(lick, { ...PLAIN, tempo: 60, rounds: 2 })
    // A bar of count-in, and twice a bar of groove and one of fill.
    expect(seconds).toBeCloseTo(20, 9)
    expect(renderLoop(lick, { ...PLAIN, tempo: 60, rounds: 2 }, 1000, dot)).toHaveLength(22_000)
  })

  it('has the click, the count-in alone, or the place of the line left free, as it is asked for', () => {
    const lick = lickOf('line: RLRL RLRL RLRL RLRL')
    const count = (options: Partial<typeof PLAIN> | { parts: 'without-line'; click: boolean }) => {
      const { events } = loopEvents(lick, { ...PLAIN, ...options })
      const clicks = events.filter(({ event }) => event.kind === 'click')
      const line = events.filter(({ event }) => event.kind === 'stroke' && event.part === 'line')
      return [clicks.length, line.length]
    }
    expect(count({})).toEqual([13, 16])
    expect(count({ parts: 'without-line', click: false })).toEqual([4, 0])
  })

  it('goes round without a seam: a round is as long as the core says', () => {
    const lick = lickOf('meter: 7/8\ntempo: 160\nline: RLRLRLR RLRLRLR')
    const { roundTicks, countInTicks } = toPerformance(lick, { loop: true, countIn: true })
    const perTick = secondsPerTick(160, frameTicks(lick.frame).beat)
    const once = loopEvents(lick, { ...PLAIN, tempo: 160 }).seconds
    const thrice = loopEvents(lick, { ...PLAIN, tempo: 160, rounds: 3 }).seconds
    expect(once).toBeCloseTo((countInTicks + roundTicks) * perTick, 9)
    expect(thrice - once).toBeCloseTo(2 * roundTicks * perTick, 9)
  })
})

describe('the end of the last round', () => {
  it('is choked like those before it, and nothing of a round that does not come is heard', () => {
    const leftBy = (text: string, rounds: number) => {
      const { events, seconds } = loopEvents(lickOf(text), { ...PLAIN, click: false, rounds })
      const chokes = events.filter(({ event }) => event.kind === 'choke').length
      const late = events.filter(({ seconds: at }) => at >= seconds - 1e-9)
      return [
        chokes,
        late.map(({ event }) => `${event.kind} ${'surface' in event && event.surface}`),
      ]
    }
    for (const rounds of [1, 2, 5])
      expect(leftBy('landing: stop\nline: RLRL*4', rounds)).toEqual([
        rounds,
        ['stroke c1', 'stroke bd', 'choke c1'],
      ])
    expect(leftBy('lead: 0\nlanding: none\ngroove: none\nline: RLRL*4', 3)).toEqual([0, []])
    // Straight back in: the groove's own first beat ends it.
    expect(leftBy('landing: groove\nline: RLRL*4', 2)[1]).toEqual(['stroke hh', 'stroke bd'])
  })

  it('is what a lick leaves behind when it is played once, after any number of rounds (law)', () => {
    fc.assert(
      fc.property(random.lick, fc.integer({ min: 2, max: 4 }), (lick, rounds) => {
        const { countInTicks, roundTicks, round, ending } = toPerformance(lick, {
          loop: false,
          countIn: true,
        })
        const told = (events: readonly SoundEvent[]) =>
          events
            .flatMap((event) =>
              event.kind === 'click' ? [] : [`${event.tick} ${event.kind} ${event.surface}`],
            )
            .sort()
        const heard = (times: number) =>
          told(loopEvents(lick, { ...PLAIN, rounds: times }).events.map(({ event }) => event))
        const isLeft = (event: SoundEvent) =>
          event.kind !== 'stroke' || event.part !== 'groove' || event.tick === 0
        const shifted = (events: readonly SoundEvent[], by: number) =>
          events.map((event) => ({ ...event, tick: event.tick + by }))
        const end = countInTicks + roundTicks
        expect(heard(1)).toEqual(
          told([...shifted(round(0), countInTicks), ...shifted(ending.filter(isLeft), end)]),
        )
        const last = heard(rounds).filter(
          (one) => Number(one.split(' ')[0]) >= end + (rounds - 1) * roundTicks,
        )
        const shiftedLast = last.map((one) =>
          one.replace(/^\d+/, (tick) => `${Number(tick) - (rounds - 1) * roundTicks}`),
        )
        expect(shiftedLast.sort()).toEqual(
          heard(1).filter((one) => Number(one.split(' ')[0]) >= end),
        )
      }),
      { numRuns: 60 },
    )
  })
})

describe('stretches one after the other', () => {
  const lick = lickOf('tempo: 60\nline: RLRL RLRL RLRL RLRL')
  const ladder = [60, 120, 240].map((tempo) => ({ lick, tempo, rounds: 2 }))
  it('are each counted in where the one before is over, and last as long as all of them', () => {
    expect(loopSeconds(ladder)).toBeCloseTo(20 + 10 + 5 + 2, 9)
    const samples = renderLoops(ladder, { click: false, parts: 'click' }, 1000, dot)
    expect(samples).toHaveLength(37_000)
    const clicks = struck(samples)
    expect(clicks.slice(0, 3)).toEqual([0, 1000, 2000])
    expect(clicks).toContain(20_000)
    expect(clicks).toContain(30_250)
    // The click alone: five bars of four for each, and the one that the last lands on.
    expect(clicks).toHaveLength(61)
  })

  it('tell how far they are', () => {
    const told: [number, number][] = []
    const many = Array.from({ length: 12 }, () => ({ lick, tempo: 240, rounds: 3 }))
    renderLoops(many, { click: true, parts: 'all' }, 100, dot, (...one) => told.push(one))
    expect(told[0]?.[0]).toBe(0)
    expect(told.length).toBeGreaterThan(1)
    expect(told.every(([done, all]) => done < all)).toBe(true)
  })
})

describe('a mix', () => {
  const stroke = (surface: 'sn' | 'c1' | 'ho' | 'hf', velocity = 127): TimedEvent['event'] => ({
    kind: 'stroke',
    tick: 0,
    part: 'line',
    layer: 0,
    slot: 0,
    nth: 0,
    limb: 'RH',
    surface,
    velocity,
    graces: 0,
    since: null,
  })
  const long = () => new Float32Array(1000).fill(0.25)
  const mixing = { rate: 1000, seconds: 2, sound: long }
  const mix = (events: readonly Omit<TimedEvent, 'secondsPerTick'>[]) =>
    mixEvents(
      events.map((one) => ({ ...one, secondsPerTick: 1 })),
      mixing,
    )

  it('adds what sounds at once, by its loudness', () => {
    const one = mix([{ event: stroke('sn'), seconds: 0.1 }])
    const two = mix([
      { event: stroke('sn'), seconds: 0.1 },
      { event: stroke('c1'), seconds: 0.5 },
    ])
    expect([one[99], one[100], one[600], two[600]]).toEqual([0, 0.25, 0.25, 0.5])
    const soft = mix([{ event: stroke('sn', GRACE_VELOCITY), seconds: 0 }])
    expect(soft[0]).toBeLessThan(0.05)
  })

  it('is softer as a whole where it would clip, and no onset moves', () => {
    const events = Array.from({ length: 6 }, () => ({ event: stroke('sn'), seconds: 0.2 }))
    const mixed = mix(events)
    expect(mixed[199]).toBe(0)
    expect(mixed[200]).toBeCloseTo(0.98, 6)
  })

  it('lets what is choked die away, and an open hi-hat when its pedal is trodden', () => {
    const choked = mix([
      { event: stroke('c1'), seconds: 0 },
      { event: { kind: 'choke', tick: 0, surface: 'c1' }, seconds: 0.5 },
    ])
    expect(choked[499]).toBeCloseTo(0.25, 6)
    expect(choked[530]).toBeLessThan(0.02)
    const closed = mix([
      { event: stroke('ho'), seconds: 0 },
      { event: stroke('hf'), seconds: 0.5 },
    ])
    expect(closed[560]).toBeLessThan(0.3)
  })
})
