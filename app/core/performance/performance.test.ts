import fc from 'fast-check'
import { describe, expect, it, test } from 'vitest'
import * as random from '../../../tests/support/arbitraries'
import { lickOf } from '../../../tests/support/licks'
import { GROOVES, grooveEvents } from '../groove'
import { frameTicks } from '../line'
import { findGrid, findMeter, type Meter, secondsPerTick } from '../time'
import {
  eventsBetween,
  graceLeads,
  positionAt,
  type SoundStroke,
  secondsAt,
  tickAt,
  toPerformance,
} from '.'

const looped = (text: string) => toPerformance(lickOf(text), { loop: true, countIn: true })
const once = (text: string) => toPerformance(lickOf(text), { loop: false, countIn: false })
const strokes = (events: readonly { kind: string }[]) =>
  events.filter((event): event is SoundStroke => event.kind === 'stroke')

describe('count-in', () => {
  test.each([
    ['meter: 5/4\ntempo: 80', 5, 3.75],
    ['meter: 9/8\ntempo: 84', 3, 2.143],
    ['meter: 7/8\ntempo: 160', 7, 2.625],
  ])('of %s has %i clicks (C42)', (text, clicks, seconds) => {
    const { countIn, countInTicks } = looped(text)
    const { frame } = lickOf(text)
    expect(countIn.length).toBe(clicks)
    expect(countInTicks * secondsPerTick(frame.tempo, frameTicks(frame).beat)).toBeCloseTo(
      seconds,
      3,
    )
  })
})

describe('the groove', () => {
  it('goes on until the start, or stops earlier (C15)', () => {
    const heard = (stop: string) =>
      strokes(once(`lead: 0\nstart: 2a\n${stop}line: RLRLRLRLR`).round(0))
        .filter(({ part }) => part === 'groove')
        .map(({ tick, surface }) => `${tick} ${surface}`)
    expect(heard('')).toEqual(['0 hh', '0 bd', '5040 hh', '10080 hh', '10080 sn', '15120 hh'])
    expect(heard('stop: 2\n')).toEqual(['0 hh', '0 bd', '5040 hh'])
  })

  it('leaves the groove its own swing, and what sounds under it alone', () => {
    const text = 'lead: 1\ngrid: 1/8\nunder groove: @1/8 -L:cb\nline: RLRLRLRL'
    const places = (head: string, part: string) =>
      once(`${head}\n${text}`)
        .round(0)
        .flatMap((event) =>
          event.kind === 'stroke' && event.part === part && event.tick % 10080 !== 0
            ? [event.tick % 10080]
            : [],
        )
    const parts = (head: string) =>
      ['groove', 'layer', 'line'].map((part) => [...new Set(places(head, part))])
    expect(parts('swing: 60\ngroove swing: 66')).toEqual([[6653], [6653], [6048]])
    expect(parts('swing: 60')).toEqual([[6048], [6048], [6048]])
    expect(parts('groove swing: 60')).toEqual([[6048], [6048], [5040]])
  })

  it('leans triplets of the line by their own figure', () => {
    const { round } = once('lead: 0\nswing: 50 lean 50\ngrid: 1/8t\nstart: 4\nline: RLR')
    const line = round(0).flatMap((event) =>
      event.kind === 'stroke' && event.part === 'line' ? [event.tick - 30240] : [],
    )
    expect(line).toEqual([0, 5040, 7560])
  })

  it('swings while a triplet fill stays exact (hard case 11)', () => {
    const { round } = once('meter: 3/4\nlead: 0\nswing: 60\ngrid: 1/8t\nstart: 3\nline: RKL')
    const ticks = (part: string) =>
      strokes(round(0))
        .filter((event) => event.part === part)
        .map(({ tick }) => tick)
    expect(ticks('groove')).toContain(16128)
    expect(ticks('line')).toEqual([20160, 23520, 26880])
  })

  it('can be played by every groove in every metre, and stays inside its bar', () => {
    for (const { id } of GROOVES) {
      for (const name of [
        '4/4',
        '3/4',
        '2/4',
        '6/8',
        '12/8',
        '5/4',
        '7/8',
        '5/8',
        '11/16',
        '3/2',
        '1/8',
      ]) {
        const meter = findMeter(name) as Meter
        const bar = frameTicks({ ...lickOf('').frame, meter }).bar
        const ticks = grooveEvents(id, meter).map(({ tick }) => tick)
        expect(ticks[0]).toBe(0)
        expect(Math.max(...ticks)).toBeLessThan(bar)
      }
    }
    expect(GROOVES.length).toBeGreaterThanOrEqual(6)
    expect(new Set(GROOVES.map(({ id }) => id)).size).toBe(GROOVES.length)
  })

  it('has bars of its own that are exactly as long as their metres', () => {
    for (const { bars } of GROOVES) {
      for (const [name, { grid, line }] of Object.entries(bars)) {
        const lick = lickOf(`meter: ${name}\ngrid: ${grid}\nline: ${line} |`)
        expect(findGrid(grid)).toBeDefined()
        expect(lick.line.slots.length).toBeGreaterThan(0)
      }
    }
  })

  it('keeps eighths as they are told: kick on 1 and 3, snare on 2 and 4', () => {
    const on = (surface: string) =>
      grooveEvents('eighths', findMeter('4/4') as Meter)
        .filter((event) => event.surface === surface)
        .map(({ tick }) => tick)
    expect([on('bd'), on('sn'), on('hh').length]).toEqual([[0, 20160], [10080, 30240], 8])
  })
})

describe('landing', () => {
  const tail = (text: string) =>
    strokes(looped(text).round(1))
      .filter(({ part }) => part === 'landing')
      .map(({ limb, surface, tick }) => `${tick} ${limb} ${surface}`)

  it('is struck by the free hand with the kick, on the next round’s first beat', () => {
    expect(tail('start: 3\nline: RRLKRLLR')).toEqual(['0 LH c1', '0 RF bd'])
    expect(tail('start: 3\nline: RLRLLRLK')).toEqual(['0 RH c1', '0 RF bd'])
    expect(tail('landing: groove\nline: RLRL*4')).toEqual([])
  })

  it('is choked an eighth later for a stop (hard case 29)', () => {
    const { ending } = once('landing: stop\ntempo: 100\nlead: 0\nline: RLRL*4')
    expect(ending.filter(({ kind }) => kind === 'choke').map(({ tick }) => tick)).toEqual([5040])
    expect(strokes(ending).map(({ tick }) => tick)).toEqual([0, 0])
  })

  it('takes both hands of the groove with it', () => {
    const first = strokes(looped('RLRL*4').round(1)).filter(({ tick }) => tick === 0)
    expect(first.map(({ surface }) => surface).sort()).toEqual(['bd', 'c1'])
  })

  it('inside the bar gives the rest of it back to the groove', () => {
    const { round, roundTicks } = looped(
      'lead: 0\ngrid: 1/8\nstart: 1\nlanding: groove beat\nline: RLRL',
    )
    const after = strokes(round(0)).filter(({ tick }) => tick >= 20160)
    expect([after[0]?.part, roundTicks]).toEqual(['groove', 40320])
  })
})

describe('graces', () => {
  it('are at most half of the time since the stroke before (C22, hard case 4)', () => {
    expect(graceLeads(1, 100)).toEqual([30])
    expect(graceLeads(2, 100)).toEqual([50, 25])
    expect(graceLeads(1, 50)).toEqual([25])
    expect(graceLeads(3, 1000)).toEqual([90, 60, 30])
    expect(graceLeads(0, 10)).toEqual([])
  })

  it('know the stroke before them, across the seam too (hard case 3)', () => {
    const { round } = looped('meter: 1/4\nlead: 0\ngroove: none\nlanding: none\nline: fRKLR')
    expect(strokes(round(0))[0]?.since).toBeNull()
    expect(strokes(round(1))[0]?.since).toBe(2520)
  })
})

describe('the timeline', () => {
  it('gives every event exactly once, however it is cut into windows (law)', () => {
    const cuts = fc.array(fc.integer({ min: 1, max: 30_000 }), { minLength: 1, maxLength: 30 })
    fc.assert(
      fc.property(random.lick, cuts, fc.boolean(), (lick, widths, loop) => {
        const performance = toPerformance(lick, { loop, countIn: true })
        const end = widths.reduce((sum, width) => sum + width, 0)
        let from = 0
        const pieces = widths.flatMap((width) => {
          const events = eventsBetween(performance, from, from + width)
          from += width
          return events
        })
        const keyed = (events: readonly object[]) =>
          events.map((event) => JSON.stringify(event)).sort()
        expect(keyed(pieces)).toEqual(keyed(eventsBetween(performance, 0, end)))
      }),
      { numRuns: 150 },
    )
  })

  it('comes round after its rounds without drift (C17)', () => {
    const performance = looped('tempo: 96\nlead: 3\nline: RLRL*4')
    const { frame } = lickOf('tempo: 96')
    const mark = { tick: 0, seconds: 0, secondsPerTick: secondsPerTick(96, frameTicks(frame).beat) }
    expect(performance.roundTicks * mark.secondsPerTick).toBeCloseTo(10, 9)
    expect(performance.barlineTick * mark.secondsPerTick).toBeCloseTo(7.5, 9)
    const far = performance.countInTicks + 1000 * performance.roundTicks
    expect(secondsAt(mark, far)).toBeCloseTo(10_002.5, 6)
    expect(tickAt(mark, secondsAt(mark, far))).toBeCloseTo(far, 3)
    expect(positionAt(performance, far)).toMatchObject({
      phase: 'round',
      round: 1000,
      tick: -3 * 40320,
    })
  })

  it('knows the phases of a single pass', () => {
    const performance = toPerformance(lickOf('lead: 0\nline: RLRL*4'), {
      loop: false,
      countIn: true,
    })
    const phases = [0, 40320, 80640, 80640 + performance.endingTicks].map(
      (tick) => positionAt(performance, tick).phase,
    )
    expect(phases).toEqual(['count-in', 'round', 'ending', 'over'])
  })

  it('plays slots at their exact times (C41)', () => {
    const mark = { tick: 0, seconds: 0, secondsPerTick: secondsPerTick(96, 10080) }
    expect(
      [0, 2520, 5040, 7560].map((tick) => Math.round(secondsAt(mark, tick) * 1e5) / 100),
    ).toEqual([0, 156.25, 312.5, 468.75])
  })

  it('cuts a line that is over by more than a round, and ends', () => {
    const { round, roundTicks } = looped('lead: 0\nbars: 1\nline: RLRL*40')
    expect(Math.max(...round(1).map(({ tick }) => tick))).toBeLessThan(roundTicks)
  })
})
