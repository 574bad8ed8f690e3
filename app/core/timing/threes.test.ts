import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { lickOf } from '../../../tests/support/licks'
import {
  claimsOf,
  EVEN,
  expectedStrokes,
  type Habits,
  type HeardSummary,
  leansFrom,
  type MeantStroke,
  playedWith,
  summaryOf,
  threesOf,
  toldOfRound,
} from '.'

const lineAt = (tempo: number, line = 'RLK- RLK- R-LK RL-K') =>
  expectedStrokes(lickOf(`tempo: ${tempo}\nline: ${line}`), tempo) as MeantStroke[]
const rounds = (habits: Partial<Habits>, count: number, seed: number, line = lineAt(100)) =>
  Array.from({ length: count }, (_, i) =>
    toldOfRound(line, playedWith(line, { ...EVEN, spreadMs: 8, ...habits }, seed * 1000 + i)),
  )
const kinds = (habits: Partial<Habits>, count: number, seed: number) =>
  claimsOf(rounds(habits, count, seed)).claims.map(({ kind }) => kind)

describe('threes that may turn into triplets', () => {
  it('are three struck slots of a beat of sixteenths, the first on the beat', () => {
    const pulls = (text: string) =>
      [...threesOf(lickOf(text))].map(([slot, { from, place, pull }]) => [slot, from, place, pull])
    expect(pulls('line: RLK-')).toEqual([
      [1, 0, 2, 840],
      [2, 0, 3, 1680],
    ])
    expect(pulls('line: R-LK')).toEqual([
      [2, 0, 2, -1680],
      [3, 0, 3, -840],
    ])
    expect(pulls('line: RLKR LKRL')).toEqual([])
    expect(pulls('line: -RLK R---')).toEqual([])
    expect(pulls('grid: 1/8t\nline: RLK')).toEqual([])
    // A beat is told by the bar, and not by where the line begins.
    expect(pulls('start: 1e\nline: RLK RLK-')).toEqual([
      [4, 3, 2, 840],
      [5, 3, 3, 1680],
    ])
  })

  it('lean as far as they were drawn, whatever the delay of the whole (law)', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -0.3, max: 0.45, noNaN: true }),
        fc.integer({ min: -40, max: 40 }),
        (leaning, delay) => {
          const line = lineAt(100)
          const heard = playedWith(line, { ...EVEN, leaning }, 1)
          const { lean } = toldOfRound(
            line,
            heard.map((one) => ({ ...one, ms: one.ms + delay })),
          )
          expect(lean?.strokes).toBe(8)
          for (const share of [lean?.share, lean?.second, lean?.third])
            expect(share).toBeCloseTo(leaning, 9)
        },
      ),
      { numRuns: 60 },
    )
  })

  it('are claimed to lean where they do, and what explains itself by it is not claimed besides', () => {
    let found = 0
    for (let seed = 1; seed <= 40; seed += 1) {
      const claimed = kinds({ leaning: 0.4 }, 10, seed)
      if (claimed.includes('leaning')) found += 1
      expect(claimed.includes('leaning') && claimed.includes('uneven')).toBe(false)
    }
    expect(found).toBeGreaterThanOrEqual(38)
  })

  it('are not claimed to lean for a player without the habit, nor for one limb that is late', () => {
    let [without, late] = [0, 0]
    for (let seed = 1; seed <= 200; seed += 1) {
      if (kinds({}, 6, seed).includes('leaning')) without += 1
      if (kinds({ delayMs: { RF: 20 } }, 6, seed).includes('leaning')) late += 1
    }
    expect(without / 200).toBeLessThan(0.05)
    expect(late / 200).toBeLessThan(0.05)
  })

  it('lean from a tempo on, where slower they do not and faster they always do', () => {
    const at = (tempo: number, leaning: number) => ({
      tempo,
      heard: summaryOf(rounds({ leaning, spreadMs: 5 }, 6, tempo, lineAt(tempo))),
    })
    expect(leansFrom([at(88, 0), at(96, 0), at(104, 0.4), at(112, 0.4)])).toBe(104)
    expect(leansFrom([at(112, 0.4), at(88, 0)])).toBe(112)
    expect(leansFrom([at(88, 0.4), at(104, 0.4)])).toBeNull()
    expect(leansFrom([at(88, 0), at(104, 0.4), at(112, 0)])).toBeNull()
    expect(leansFrom([at(88, 0), { tempo: 120, heard: nothing }])).toBeNull()
    expect(leansFrom([])).toBeNull()
  })
})
const nothing: HeardSummary = { rounds: 1, meant: 8, hit: 8, onTime: 8, extra: 0, limbs: [] }

describe('threes that are played as triplets', () => {
  const habits = { ...EVEN, spreadMs: 5 }
  it.each([0.6, 0.8, 1, 1.1])('are heard whole and told to lean, by %f of the way', (leaning) => {
    for (const line of ['RLK- RLK- RLK- RLK-', 'R-LK R-LK', 'RLK- RLRL R-LK RLRL']) {
      const meant = lineAt(100, line)
      for (const limbs of [true, false]) {
        const told = Array.from({ length: 12 }, (_, seed) => {
          const heard = playedWith(meant, { ...habits, leaning }, seed)
          return toldOfRound(
            meant,
            limbs ? heard : heard.map(({ ms, velocity }) => ({ ms, velocity })),
            0,
          )
        })
        expect(told.map(({ missed, extra }) => missed.length + extra.length)).toEqual(
          Array(12).fill(0),
        )
        const claim = claimsOf(told).claims.find(({ kind }) => kind === 'leaning')
        expect(Math.abs((claim?.kind === 'leaning' ? claim.share : 0) - leaning)).toBeLessThan(0.08)
      }
    }
  })

  it('are read so one by one, and a stroke that is left out makes no triplet of its three', () => {
    const meant = lineAt(100, 'RLK- RLK- RLK- RLK-')
    const written = playedWith(meant, EVEN, 1)
    const triplets = playedWith(meant, { ...EVEN, leaning: 1 }, 1)
    const mixed = toldOfRound(meant, [...triplets.slice(0, 3), ...written.slice(3)], 0)
    expect([mixed.missed, mixed.extra]).toEqual([[], []])
    expect(mixed.strokes[2]?.offsetMs).toBeCloseTo(100)
    const holed = toldOfRound(meant, written.toSpliced(5, 1), 0)
    expect(holed.missed.map(({ slot }) => slot)).toEqual([6])
    expect(holed.strokes.every(({ offsetMs }) => Math.abs(offsetMs) < 1e-9)).toBe(true)
  })
})

describe('what should be together', () => {
  const both = lineAt(100, '(RK)L(RK)L (RK)L(RK)L')
  const apartAt = (ms: number, seed: number) =>
    claimsOf(rounds({ delayMs: { RF: ms } }, 10, seed, both)).claims.find(
      ({ kind }) => kind === 'apart',
    )

  it('is claimed to be apart from where it is heard as one after the other', () => {
    const claim = apartAt(35, 1)
    expect(claim?.kind === 'apart' && Math.abs(claim.meanMs - 35)).toBeLessThan(5)
    let found = 0
    for (let seed = 1; seed <= 100; seed += 1) if (apartAt(0, seed)) found += 1
    expect(found).toBe(0)
  })
})
