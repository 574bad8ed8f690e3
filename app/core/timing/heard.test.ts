import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { lickOf } from '../../../tests/support/licks'
import { lineEvents, VELOCITIES } from '../line'
import type { PartKind } from '../practice'
import {
  claimsOf,
  decibelsOf,
  diagnose,
  EVEN,
  expectedStrokes,
  type Habits,
  type HeardSummary,
  normalQuantile,
  playedWith,
  proposedRating,
  scoreOf,
  summaryOf,
  toldOfRound,
  toleranceOf,
} from '.'

const lick = lickOf('tempo: 100\nline: >RlrK >RlrK >RlrK >RlrK')
const velocities = lineEvents(lick).map(({ dynamic }) => VELOCITIES[dynamic])
const line = expectedStrokes(lick, 100).map((one, i) => ({
  ...one,
  velocity: velocities[i] as number,
}))

/** So many rounds of a player with some habits, each told by itself. */
function rounds(habits: Partial<Habits>, count: number, seed: number) {
  return Array.from({ length: count }, (_, i) =>
    toldOfRound(line, playedWith(line, { ...EVEN, spreadMs: 8, ...habits }, seed * 1000 + i)),
  )
}
const heard = (good: number, all: number): HeardSummary => ({
  rounds: 4,
  meant: all,
  hit: all,
  onTime: good,
  extra: 0,
  limbs: [],
})
const step = (kind: PartKind, tempo: number, good: number, all: number) => ({
  kind,
  tempo,
  heard: heard(good, all),
})

describe('loudness', () => {
  it('is in decibels below the loudest, and told by level', () => {
    expect(decibelsOf(127)).toBe(0)
    expect(decibelsOf(112) - decibelsOf(36)).toBeCloseTo(15.77, 2)
    const [round] = rounds({ spreadMs: 0 }, 1, 1)
    expect(round?.levels.map(({ level, strokes }) => [level, strokes])).toEqual([
      ['accent', 4],
      ['plain', 4],
      ['ghost', 8],
    ])
  })

  it('is claimed to be levelled where accents stand out by less than half, and not else', () => {
    const kinds = (habits: Partial<Habits>) => claimsOf(rounds(habits, 6, 3)).claims
    const [claim] = kinds({ levelled: 0.8 }).filter(({ kind }) => kind === 'levelled')
    expect(claim).toMatchObject({ kind: 'levelled', loud: 'accent', soft: 'plain' })
    expect(kinds({}).filter(({ kind }) => kind === 'levelled')).toEqual([])
    // Keys of a computer have no loudness: nothing is said of it.
    const silent = rounds({ levelled: 0.8 }, 6, 3).map((told) => ({ ...told, levels: [] }))
    expect(claimsOf(silent).claims).toEqual([])
  })
})

describe('the shape of a round', () => {
  it('is rushed where the line gets faster, and its claim tells by how much', () => {
    let [found, near] = [0, 0]
    for (let seed = 1; seed <= 40; seed += 1) {
      const claim = claimsOf(rounds({ driftPercent: 3 }, 8, seed)).claims.find(
        ({ kind }) => kind === 'rushing',
      )
      if (claim?.kind !== 'rushing') continue
      found += 1
      if (Math.abs(claim.percent - 3) <= claim.withinPercent + 1) near += 1
    }
    expect(found).toBeGreaterThanOrEqual(38)
    expect(near).toBe(found)
  })

  it('names the slot at which a limb is late most, where it is more there than elsewhere', () => {
    const one = line.findIndex(({ limb, slot }) => limb === 'LH' && slot === 9)
    const late = rounds({ delayMs: { LH: 10 } }, 10, 5).map((told) => ({
      ...told,
      strokes: told.strokes.map((stroke) =>
        stroke.slot === 9 ? { ...stroke, offsetMs: stroke.offsetMs + 25 } : stroke,
      ),
    }))
    expect(one).toBeGreaterThan(0)
    expect(claimsOf(late).claims.find(({ kind }) => kind === 'offset')).toMatchObject({ most: 9 })
    const even = claimsOf(rounds({ delayMs: { LH: 12 } }, 10, 5)).claims
    expect(even.find(({ kind }) => kind === 'offset')).toMatchObject({ limb: 'LH', most: null })
  })

  it('has strokes of one instant so far apart', () => {
    const both = [0, 0, 100].map((ms, i) => ({
      ms,
      limb: (['RH', 'RF', 'RH'] as const)[i] as 'RH',
      slot: i,
    }))
    const played = [
      { ms: 2, limb: 'RH' },
      { ms: 6, limb: 'RF' },
      { ms: 100, limb: 'RH' },
    ] as const
    expect(toldOfRound(both, played).apartMs).toBe(4)
    expect(toldOfRound([both[2] as (typeof both)[0]], []).apartMs).toBeNull()
  })
})

describe('rounds added up', () => {
  it('count what was meant, hit, on time and too many', () => {
    const summary = summaryOf(rounds({ missed: 0.2, added: 0.2 }, 5, 2))
    expect(summary.meant).toBe(80)
    expect(summary.hit).toBeLessThan(80)
    expect(summary.extra).toBeGreaterThan(0)
    expect(summary.onTime).toBeLessThanOrEqual(summary.hit)
    expect(toleranceOf(150)).toBe(30)
    expect(toleranceOf(83)).toBe(20.75)
    expect(toleranceOf(150, { withinMs: 12 })).toBe(12)
  })

  it('are the same in any order (law)', () => {
    const all = rounds({ missed: 0.1, spreadMs: 12 }, 6, 9)
    fc.assert(
      fc.property(fc.shuffledSubarray(all, { minLength: 6 }), (shuffled) => {
        const [a, b] = [summaryOf(all), summaryOf(shuffled)]
        expect({ ...b, limbs: [] }).toEqual({ ...a, limbs: [] })
        for (const { limb, spreadMs } of a.limbs)
          expect(b.limbs.find((one) => one.limb === limb)?.spreadMs).toBeCloseTo(spreadMs, 9)
      }),
    )
  })

  it('tell a spread of their own, not that of rounds that wander', () => {
    const wandering = [-30, 0, 30].map((delayMs, i) =>
      toldOfRound(
        line,
        playedWith(line, { ...EVEN, spreadMs: 5 }, i).map((one) => ({
          ...one,
          ms: one.ms + delayMs,
        })),
      ),
    )
    for (const { spreadMs } of summaryOf(wandering).limbs) expect(spreadMs).toBeLessThan(8)
  })

  it('propose how it went once there are three of them', () => {
    expect(proposedRating(rounds({}, 2, 1))).toBeNull()
    expect(proposedRating(rounds({ spreadMs: 6 }, 3, 1))).toBe('clean')
    expect(proposedRating(rounds({ spreadMs: 30 }, 3, 1))).toBe('rough')
    expect(proposedRating(rounds({ missed: 0.4 }, 3, 1))).toBe('lost')
    expect(scoreOf(heard(0, 0))).toBeNull()
  })
})

describe('a diagnosis (C50)', () => {
  it('says what to work on from the scores of the stages', () => {
    expect(diagnose([step('together', 80, 96, 100), step('bar', 80, 71, 100)])).toEqual({
      work: 'moves',
      easy: 0.96,
      hard: 0.71,
    })
    expect(diagnose([step('together', 80, 140, 200), step('bar', 80, 71, 100)])).toMatchObject({
      work: 'sticking',
      hard: 0.7,
    })
    expect(diagnose([step('hands', 80, 98, 100), step('together', 80, 82, 100)])).toMatchObject({
      work: 'joining',
    })
    expect(diagnose([step('bar', 80, 97, 100), step('bar', 92, 75, 100)])).toMatchObject({
      work: 'tempo',
      tempo: 80,
    })
  })

  it('compares nothing that was played slower, and nothing that few strokes carry', () => {
    expect(diagnose([step('together', 70, 96, 100), step('bar', 80, 71, 100)])).toBeNull()
    expect(diagnose([step('together', 80, 10, 10), step('bar', 80, 5, 10)])).toBeNull()
    expect(diagnose([])).toBeNull()
    expect(normalQuantile(0.975)).toBeCloseTo(1.96, 3)
  })

  it('finds nothing in fewer than five of a hundred players who play all stages alike', () => {
    let found = 0
    for (let seed = 1; seed <= 300; seed += 1) {
      const stages = (['hands', 'together', 'bar'] as const).map((kind, i) => ({
        kind,
        tempo: 80,
        heard: summaryOf(rounds({ spreadMs: 9.5 }, 4, seed * 10 + i)),
      }))
      if (diagnose(stages)) found += 1
    }
    expect(found / 300).toBeLessThan(0.05)
  })
})
