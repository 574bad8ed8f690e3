import { describe, expect, it } from 'vitest'
import { lickOf } from '../../../tests/support/licks'
import {
  claimsOf,
  EVEN,
  expectedStrokes,
  type Habits,
  playedWith,
  studentQuantile,
  toldOfRound,
} from '.'

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

  it('finds a late foot and a gallop in ten rounds', () => {
    let [late, galloping] = [0, 0]
    for (let seed = 1; seed <= 60; seed += 1) {
      const foot = claimsOf(rounds({ delayMs: { RF: 12 } }, 10, seed)).claims
      if (foot.some((one) => one.kind === 'offset' && one.limb === 'RF')) late += 1
      const gallop = claimsOf(rounds({ gallop: 1.1 }, 10, seed + 100)).claims
      if (gallop.some(({ kind }) => kind === 'uneven')) galloping += 1
    }
    expect(late).toBeGreaterThanOrEqual(57)
    expect(galloping).toBeGreaterThanOrEqual(54)
  })

  it('claims a habit that is not there in fewer than five of a hundred series', () => {
    let claimed = 0
    for (let seed = 1; seed <= 400; seed += 1)
      if (claimsOf(rounds({ missed: 0.05, added: 0.05 }, 6, seed)).claims.length > 0) claimed += 1
    expect(claimed / 400).toBeLessThan(0.05)
  })
})
