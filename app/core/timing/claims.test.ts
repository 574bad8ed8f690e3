import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { lickOf } from '../../../tests/support/licks'
import { toRandomStream } from '../foundation'
import {
  claimsOf,
  EVEN,
  expectedStrokes,
  type Habits,
  playedWith,
  studentQuantile,
  toldOf,
  toldOfRound,
} from '.'
import { LOOKS_COUNT_AS } from './claims'
import { intervalOf } from './statistics'

const line = expectedStrokes(lickOf('tempo: 100\nline: RKRK RKRK RKRK RKRK'), 100).map((one) => ({
  ...one,
  velocity: 80,
}))

/** So many rounds of a player with some habits, each told by itself. */
function rounds(habits: Partial<Habits>, count: number, seed: number) {
  return Array.from({ length: count }, (_, i) =>
    toldOfRound(line, playedWith(line, { ...EVEN, spreadMs: 10, ...habits }, seed * 1000 + i)),
  )
}

describe('a simulated player', () => {
  it('plays exactly what is meant without habits, and the same for the same seed', () => {
    const even = playedWith(line, EVEN, 1)
    expect(even.map(({ ms }) => ms)).toEqual(line.map(({ ms }) => ms))
    const human = { ...EVEN, spreadMs: 8, missed: 0.1, added: 0.1 }
    expect(playedWith(line, human, 7)).toEqual(playedWith(line, human, 7))
    expect(playedWith(line, human, 7)).not.toEqual(playedWith(line, human, 8))
  })

  it('has the habits that it was given', () => {
    const told = toldOfRound(line, playedWith(line, { ...EVEN, delayMs: { RF: 12 } }, 3))
    expect(told.limbs.map(({ limb, meanMs }) => [limb, Math.round(meanMs)])).toEqual([
      ['RH', 0],
      ['RF', 12],
    ])
    expect(
      toldOfRound(line, playedWith(line, { ...EVEN, gallop: 1.1 }, 3)).uneven?.ratio,
    ).toBeCloseTo(1.1, 2)
    const heard = playedWith(line, { ...EVEN, missed: 0.25 }, 3)
    expect(heard.length).toBeLessThan(line.length)
    const loud = line.map((one, i) => ({ ...one, velocity: i % 2 === 0 ? 112 : 48 }))
    const levelled = playedWith(loud, { ...EVEN, levelled: 1 }, 3)
    expect(new Set(levelled.map(({ velocity }) => velocity))).toEqual(new Set([80]))
    expect(playedWith(line, { ...EVEN, driftPercent: 2 }, 3).at(-1)?.ms).toBeCloseTo(2250 * 0.98, 6)
  })
})

describe('what may be said of playing', () => {
  it('has the quantiles of Student’s distribution that books print', () => {
    for (const [share, freedom, t] of [
      [0.975, 1, 12.706],
      [0.975, 4, 2.776],
      [0.995, 9, 3.25],
      [0.95, 30, 1.697],
    ] as const)
      expect(studentQuantile(share, freedom)).toBeCloseTo(t, 2)
  })

  it('is nothing before there are rounds enough', () => {
    const { claims, tooFew } = claimsOf(rounds({ delayMs: { RF: 30 } }, 2, 1))
    expect([claims, tooFew]).toEqual([[], ['RH', 'RF']])
  })

  it('finds a late foot in ten rounds, and a gallop in twenty', () => {
    let [late, galloping] = [0, 0]
    for (let seed = 1; seed <= 60; seed += 1) {
      const foot = claimsOf(rounds({ delayMs: { RF: 12 } }, 10, seed)).claims
      if (foot.some((one) => one.kind === 'offset' && one.limb === 'RF')) late += 1
      const gallop = claimsOf(rounds({ gallop: 1.1 }, 20, seed + 100)).claims
      if (gallop.some(({ kind }) => kind === 'uneven')) galloping += 1
    }
    expect(late).toBeGreaterThanOrEqual(57)
    expect(galloping).toBeGreaterThanOrEqual(54)
  })

  it('claims a habit that is not there in fewer than five of a hundred series, looked at after every round', () => {
    let claimed = 0
    for (let seed = 1; seed <= 200; seed += 1) {
      const all = rounds({ missed: 0.05, added: 0.05 }, 24, seed)
      const looks = all.map((_, i) => claimsOf(all.slice(0, i + 1)).claims.length)
      if (looks.some((claims) => claims > 0)) claimed += 1
    }
    expect(claimed / 200).toBeLessThan(0.05)
  })

  it('has as many looks counted as a series of them makes of one', () => {
    const random = toRandomStream(5)
    const chance = 0.05 / LOOKS_COUNT_AS
    let crossed = 0
    for (let series = 0; series < 3000; series += 1) {
      const means: number[] = []
      for (let round = 0; round < 64; round += 1) {
        // The sum of twelve even draws: a normal one for every practical end.
        means.push(Array.from({ length: 12 }, random).reduce((sum, one) => sum + one, -6))
        const told = intervalOf(means, chance)
        if (!told || Math.abs(told.mean) <= told.within) continue
        crossed += 1
        break
      }
    }
    // 0.05 by design; four standard errors of 3,000 series either side.
    expect(Math.abs(crossed / 3000 - 0.05)).toBeLessThan(0.016)
  })

  it('is not hidden by one round in eight that was paired wrongly (law)', () => {
    const late = { kind: 'offset', limb: 'RH' } as const
    fc.assert(
      fc.property(fc.nat(7), fc.constantFrom(8, 9, 12, 16), fc.nat(1000), (at, count, seed) => {
        const fast = lineAt(83)
        const wrong = (i: number) => i % 8 === at && i < 8 * Math.floor(count / 8)
        const series = Array.from({ length: count }, (_, i) => {
          const told = toldOf(fast, playedWith(fast, { ...EVEN, spreadMs: 6 }, seed * 100 + i))
          // All 45 ms late; paired with the next slot, all 38 ms early.
          const off = wrong(i) ? -38 : 45
          const limbs = told.limbs.map((limb) => ({ ...limb, meanMs: limb.meanMs + off }))
          const strokes = told.strokes.map((one) => ({ ...one, offsetMs: one.offsetMs + off }))
          return { ...told, limbs, strokes }
        })
        const claims = claimsOf(series).claims.filter(({ kind }) => kind === 'offset')
        expect(claims).toContainEqual(expect.objectContaining(late))
        for (const claim of claims)
          expect(claim.kind === 'offset' && claim.meanMs).toBeCloseTo(45, -1)
      }),
      { numRuns: 40 },
    )
  })

  it('has a line that runs ahead within its interval, whichever limbs play where in it (law)', () => {
    const lines = [
      'RLRL*4',
      'RLRL RLRL KKKK KKKK',
      'RLRL*3 RLKK',
      'RRRRRRRRLLLLLLLL',
      'RLK RLK RLK RLK RLKR',
      'KRLLRLRLRLRLRLRL',
    ]
    let [within, all] = [0, 0]
    for (const [i, text] of lines.entries()) {
      const meant = expectedStrokes(lickOf(`tempo: 100\nline: ${text}`), 100)
      for (let seed = 1; seed <= 40; seed += 1) {
        const habits = { ...EVEN, spreadMs: 5, driftPercent: 3, delayMs: { RF: 20 } }
        const told = Array.from({ length: 10 }, (_, round) =>
          toldOfRound(meant, playedWith(meant, habits, seed * 1000 + i * 100 + round), 0),
        )
        const claim = claimsOf(told).claims.find(({ kind }) => kind === 'rushing')
        all += 1
        if (claim?.kind === 'rushing' && Math.abs(claim.percent - 3) <= claim.withinPercent)
          within += 1
      }
    }
    expect(within / all).toBeGreaterThanOrEqual(0.95)
  })
})

/** Sixteen strokes so many milliseconds apart, hands by turns. */
function lineAt(gap: number) {
  return Array.from({ length: 16 }, (_, slot) => ({
    ms: slot * gap,
    limb: slot % 2 === 0 ? ('RH' as const) : ('LH' as const),
    slot,
    velocity: 80,
  }))
}
