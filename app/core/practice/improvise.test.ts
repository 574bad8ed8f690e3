import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import * as random from '../../../tests/support/arbitraries'
import { lickOf } from '../../../tests/support/licks'
import { lineEvents } from '../line'
import { toMedley } from '../performance'
import { DEFAULT_SETTING, handCollisions, speedLimit } from '../playability'
import { inTurn, orderOf, toImprovised, versionsInRow } from '.'

const BOUNDS = {
  drawn: 'voices',
  surfaces: ['t1', 't2', 'f1', 'sn'],
  share: 0.6,
  mostInRow: 4,
  tempo: 90,
  seed: 5,
} as const
const lick = lickOf('tempo: 90\nline: RLRR LRLL RLRR LRLK')

describe('improvising within bounds', () => {
  it('is the same for the same seed and round, and another each round', () => {
    const rounds = toImprovised(lick, BOUNDS, DEFAULT_SETTING)
    expect(rounds(3)).toEqual(toImprovised(lick, BOUNDS, DEFAULT_SETTING)(3))
    const lines = [0, 1, 2, 3, 4, 5].map((round) => JSON.stringify(rounds(round).line))
    expect(new Set(lines).size).toBe(6)
  })

  it('keeps slots, hands and their onsets, whatever is drawn (law)', () => {
    const drawn = fc.constantFrom('voices', 'accents', 'kicks')
    fc.assert(
      fc.property(random.lick, drawn, fc.nat(50), (of, what, round) => {
        const one = toImprovised(of, { ...BOUNDS, drawn: what as 'voices' }, DEFAULT_SETTING)(round)
        const hands = (from: typeof of) =>
          lineEvents(from)
            .filter(({ limb }) => limb !== 'RF' && limb !== 'LF')
            .map(({ tick, limb, grace }) => `${tick} ${limb} ${grace}`)
        expect(hands(one)).toEqual(hands(of))
        expect(one.line.slots).toHaveLength(of.line.slots.length)
        expect(one.line.groups).toEqual(of.line.groups)
      }),
      { numRuns: 150 },
    )
  })

  it('goes only where the hands get in time, without crossing', () => {
    for (let round = 0; round < 60; round += 1) {
      const one = toImprovised(lick, BOUNDS, DEFAULT_SETTING)(round)
      expect(speedLimit(one, 'line').bpm).toBeGreaterThanOrEqual(90)
      const crossed = handCollisions(one, DEFAULT_SETTING.kit).filter(({ slight }) => !slight)
      expect(crossed).toEqual([])
    }
  })

  it('adds no kick where the foot has too little time', () => {
    const kicks = { ...BOUNDS, drawn: 'kicks', share: 1, mostInRow: 9, tempo: 120 } as const
    const one = toImprovised(
      lickOf('tempo: 120\nline: RLRL RLRL RLRL RLRL'),
      kicks,
      DEFAULT_SETTING,
    )(0)
    // A sixteenth at 120 is 125 ms, a single of the foot 170: every second one at the most.
    const feet = lineEvents(one).filter(({ limb }) => limb === 'RF')
    expect(feet.map(({ slot }) => slot)).toEqual([0, 2, 4, 6, 8, 10, 12, 14])
  })

  it('is played in one unbroken loop', () => {
    const rounds = toImprovised(lick, BOUNDS, DEFAULT_SETTING)
    const medley = toMedley(rounds, { countIn: false })
    expect(medley.round(7).length).toBeGreaterThan(16)
  })
})

describe('versions in a row', () => {
  it('take 20 s for two versions twice each, 1 + 1 at 96 (C65)', () => {
    const version = { lick: lickOf('line: RLRL RLRL RLRL RLRL'), times: 2, tempo: 96 }
    const row = versionsInRow([version, version], { kind: 'bars', groove: 1, fill: 1 })
    expect(row.seconds).toBe(20)
    expect(row.versions).toEqual([0, 0, 1, 1])
  })

  it('go each at its own tempo, bar by bar', () => {
    const of = (tempo: number) => ({ lick, times: 1, tempo })
    const { plan, seconds } = versionsInRow([of(60), of(120)], { kind: 'bars', groove: 1, fill: 1 })
    expect([0, 1, 2, 3, 4].map((bar) => Math.round(plan(bar) * 10080 * 1000))).toEqual([
      1000, 1000, 500, 500, 1000,
    ])
    expect(seconds).toBe(12)
    expect(() => versionsInRow([], { kind: 'over' })).toThrow(RangeError)
  })
})

describe('versions by turns', () => {
  const form = { kind: 'bars', groove: 1, fill: 1 } as const
  const short = lickOf('line: RLRL')
  const long = lickOf('line: RLRL*8')

  it('come each so often, all with the bars of the longest, in one loop', () => {
    const turn = inTurn([short, long], form, 2)
    expect([0, 1, 2, 3, 4].map((round) => turn(round).line)).toEqual(
      [short, short, long, long, short].map(({ line }) => line),
    )
    expect([0, 2].map((round) => turn(round).frame.bars)).toEqual([2, 2])
    expect(toMedley(turn, { countIn: true }).roundTicks).toBe(3 * 40320)
  })

  it('are of one metre', () => {
    expect(() => inTurn([short, lickOf('meter: 3/4\nline: RLRL')], form, 1)).toThrow(RangeError)
    expect(() => inTurn([], form, 1)).toThrow(RangeError)
  })
})

describe('the order of a set', () => {
  const exercise = (limit: number | null, kicks: number, overdue: number | null = 0) => ({
    limit,
    kicks,
    overdue,
  })

  it('is easiest first: without kicks, by limit, by kicks, then as it was (C67)', () => {
    const set = [
      exercise(90, 1),
      exercise(120, 3),
      exercise(120, 1),
      exercise(null, 0),
      exercise(120, 1),
      exercise(80, 0),
    ]
    expect(orderOf(set, 'easiest')).toEqual([3, 5, 2, 4, 1, 0])
  })

  it('is what is due first: what was never practised, then the longest overdue', () => {
    const set = [exercise(1, 0, -2), exercise(1, 0, 5), exercise(1, 0, null), exercise(1, 0, 1)]
    expect(orderOf(set, 'due')).toEqual([2, 1, 3, 0])
  })

  it('is every order alike where it is shuffled', () => {
    const set = [exercise(1, 0), exercise(1, 0), exercise(1, 0)]
    const counts = new Map<string, number>()
    for (let seed = 0; seed < 6000; seed += 1) {
      const key = orderOf(set, 'shuffled', seed).join('')
      counts.set(key, (counts.get(key) ?? 0) + 1)
    }
    expect(counts.size).toBe(6)
    // Of 6000, 1000 each; the spread of one is 29.
    for (const count of counts.values()) expect(Math.abs(count - 1000)).toBeLessThan(150)
    expect(orderOf(set, 'shuffled', 4)).toEqual(orderOf(set, 'shuffled', 4))
  })
})
