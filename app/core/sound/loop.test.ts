import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import * as random from '../../../tests/support/arbitraries'
import { lickOf } from '../../../tests/support/licks'
import { frameTicks, GRACE_VELOCITY, type Lick } from '../line'
import { graceLeads, type SoundEvent, toPerformance } from '../performance'
import { secondsPerTick } from '../time'
import { USUAL_SOUND } from './choice'
import { loopEvents as eventsOf, type LoopStretch, loopSeconds, renderLoops } from './loop'
import { type Mixing, mixEvents, type Samples, type TimedEvent } from './mix'

/** Low, since a random lick may last for minutes. */
const RATE = 4000
const PLAIN = { tempo: 100, rounds: 1, click: true, parts: 'all' } as const
type Given = Omit<LoopStretch, 'lick'> & Parameters<typeof eventsOf>[1]
const loopEvents = (lick: Lick, given: Given) => eventsOf({ lick, ...given }, given)
/** Heard as it is struck: no room, nothing softer. */
const DRY = { ...USUAL_SOUND, room: 0, master: 1 }
const samplesOf = (make: () => Float32Array): Samples => ({ stroke: make, click: make })
const renderLoop = (lick: Lick, given: Given, rate: number, samples: Samples) =>
  renderLoops([{ lick, ...given }], { ...given, choice: DRY }, rate, samples).left
/** A sound of one sample: where the mix is not silent, something begins. */
const dot = samplesOf(() => Float32Array.of(1))
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
    const options = { click: false, parts: 'click', choice: DRY } as const
    const samples = renderLoops(ladder, options, 1000, dot).left
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
  const long = samplesOf(() => new Float32Array(1000).fill(0.25))
  const mixing: Mixing = { rate: 1000, seconds: 2, samples: long, choice: DRY }
  /** What stands in the middle is heard by each ear at this part of its loudness. */
  const EAR = Math.SQRT1_2
  const mix = (
    events: readonly Omit<TimedEvent, 'secondsPerTick'>[],
    other: Partial<Mixing> = {},
  ) =>
    mixEvents(
      events.map((one) => ({ ...one, secondsPerTick: 1 })),
      { ...mixing, ...other },
    )

  it('adds what sounds at once, by its loudness', () => {
    const one = mix([{ event: stroke('sn'), seconds: 0.1 }]).left
    const two = mix([
      { event: stroke('sn'), seconds: 0.1 },
      { event: stroke('c1'), seconds: 0.5 },
    ]).left
    expect([one[99], one[100], one[600], two[600]]).toEqual(
      [0, 0.25, 0.25, 0.5].map((loud) => expect.closeTo(EAR * loud, 6)),
    )
    const soft = mix([{ event: stroke('sn', GRACE_VELOCITY), seconds: 0 }]).left
    expect(soft[0]).toBeLessThan(0.05)
  })

  it('bends what is too loud, cuts nothing off, and moves no onset', () => {
    const events = Array.from({ length: 12 }, () => ({ event: stroke('sn'), seconds: 0.2 }))
    const { left } = mix(events)
    expect(left[199]).toBe(0)
    expect(left[200]).toBeGreaterThan(0.9)
    expect(left[200]).toBeLessThan(1)
  })

  it('hears each piece from its side, by the drummer or from before the kit', () => {
    const pans = { sn: 0, c1: -1, f1: 0.6 }
    const heard = (surface: 'sn' | 'c1', side: 'drummer' | 'listener') => {
      const choice = { ...DRY, side }
      const { left, right } = mix([{ event: stroke(surface), seconds: 0 }], { pans, choice })
      return [left[10], right[10]].map((one) => Number((one as number).toFixed(3)))
    }
    expect(heard('sn', 'drummer')).toEqual(heard('sn', 'listener'))
    expect(heard('c1', 'drummer')).toEqual([0.25, 0])
    expect(heard('c1', 'listener')).toEqual([0, 0.25])
  })

  it('has the room in what the kit strikes, and none in the click', () => {
    const dots = samplesOf(() => Float32Array.of(1))
    const heard = (event: TimedEvent['event'], room: number) => {
      const choice = { ...DRY, room }
      return struck(mix([{ event, seconds: 0 }], { samples: dots, choice }).left).length
    }
    const click = { kind: 'click', tick: 0, weight: 'beat', countIn: false } as const
    expect([heard(stroke('sn'), 0), heard(click, 0), heard(click, 1)]).toEqual([1, 1, 1])
    expect(heard(stroke('sn'), 1)).toBeGreaterThan(100)
  })

  it('lets what is choked die away within 60 ms, and an open hi-hat when its pedal is trodden', () => {
    const choked = mix([
      { event: stroke('c1'), seconds: 0 },
      { event: { kind: 'choke', tick: 0, surface: 'c1' }, seconds: 0.5 },
    ]).left
    expect(choked[499]).toBeCloseTo(EAR * 0.25, 6)
    expect(choked[560]).toBeLessThan(0.25 / 1000)
    const closed = mix([
      { event: stroke('ho'), seconds: 0 },
      { event: stroke('hf'), seconds: 0.5 },
    ]).left
    expect(closed[560]).toBeLessThan(0.2)
  })

  it('is the sum of its parts, as long as nothing is too loud (law)', () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.constantFrom('sn', 'rs', 'xs'), fc.integer({ min: 0, max: 1500 }))),
        fc.array(fc.tuple(fc.constantFrom('t1', 'f1', 'cb'), fc.integer({ min: 0, max: 1500 }))),
        (some, others) => {
          const soft = samplesOf(() => Float32Array.of(0.02, -0.03, 0.01))
          const room = { ...DRY, room: 0.5 }
          const heard = (strokes: readonly (readonly [string, number])[]) => {
            const events = [...strokes]
              .sort((a, b) => a[1] - b[1])
              .map(([surface, at]) => ({ event: stroke(surface as 'sn'), seconds: at / 1000 }))
            return mix(events, { samples: soft, choice: room }).right
          }
          const [a, b, both] = [heard(some), heard(others), heard([...some, ...others])]
          for (let i = 0; i < both.length; i += 7)
            expect(both[i]).toBeCloseTo((a[i] as number) + (b[i] as number), 4)
        },
      ),
      { numRuns: 20 },
    )
  })
})
