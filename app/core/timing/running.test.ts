import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { lickOf } from '../../../tests/support/licks'
import { toRandomStream } from '../foundation'
import {
  claimsOf,
  cleannessOf,
  EVEN,
  expectedStrokes,
  type HeardStroke,
  type MeantStroke,
  playedWith,
  toldOfRound,
} from '.'
import { isTripled, runsOf } from './running'

const lineAt = (tempo: number, line: string) =>
  expectedStrokes(lickOf(`tempo: ${tempo}\nline: ${line}`), tempo) as MeantStroke[]

/** A line of sixteenths as someone plays it who takes its groups of three for triplets: as many as there is time for. */
function asTriplets(line: readonly MeantStroke[], spreadMs: number, seed: number): HeardStroke[] {
  const random = toRandomStream(seed)
  const stray = () => (random() + random() + random() - 1.5) * 2 * spreadMs
  const [first, second] = [line[0]?.ms ?? 0, line[1]?.ms ?? 0]
  const unit = ((second - first) * 4) / 3
  return line
    .map(({ limb, velocity }, i) => ({ limb, velocity, ms: first + i * unit + stray() }))
    .filter(({ ms }) => ms < (line.at(-1)?.ms ?? 0) + unit / 4)
}

describe('running sixteenths', () => {
  it('are six onsets or more, each a sixteenth after the one before as it sounds', () => {
    const slots = (text: string) => [...runsOf(lickOf(text)).keys()]
    expect(slots('line: RLKRL')).toEqual([])
    expect(slots('line: RLKRLK')).toEqual([0, 1, 2, 3, 4, 5])
    // A rest ends a run, and what is together is one onset.
    expect(slots('line: RLKR-LKRLKR')).toEqual([5, 6, 7, 8, 9, 10])
    expect(slots('line: (RK)LKRL(RK)')).toHaveLength(6)
    expect(slots('grid: 1/8t\nline: RLKRLKRLK')).toEqual([])
    expect(slots('swing: 60\nline: RLKRLKRL')).toEqual([])
    expect([...runsOf(lickOf('line: RLKRLK-RLKRLK')).values()]).toEqual([
      0, 0, 0, 0, 0, 0, 1, 1, 1, 1, 1, 1,
    ])
  })

  it('that come out as triplets are told so at every tempo, and even ones never (law)', () => {
    const cells = fc.constantFrom('RLK*5 R', 'RLL*5 R', 'RLRLRLRL*2', 'RLKK*4')
    let [told, asked] = [0, 0]
    fc.assert(
      fc.property(
        fc.integer({ min: 50, max: 150 }),
        cells,
        fc.integer({ min: 3, max: 12 }),
        fc.integer({ min: 1, max: 1e6 }),
        fc.constantFrom(0, 0, 40, -30),
        (tempo, cell, spreadMs, seed, delayMs) => {
          const line = lineAt(tempo, cell)
          const late = (heard: readonly HeardStroke[]) =>
            heard.map((one) => ({ ...one, ms: one.ms + delayMs }))
          asked += 1
          if (isTripled(line, late(asTriplets(line, spreadMs, seed)), delayMs)) told += 1
          for (const slower of [0, 3, -3]) {
            const even = playedWith(line, { ...EVEN, spreadMs, driftPercent: slower }, seed)
            expect(isTripled(line, late(even), delayMs)).toBe(false)
          }
        },
      ),
      { numRuns: 300 },
    )
    expect(told / asked).toBeGreaterThan(0.97)
  })

  it('are not told of where nothing runs, or too little of it was heard', () => {
    const line = lineAt(100, 'RLK*5 R')
    expect(isTripled(lineAt(100, 'R--L--R-'), [], 0)).toBeNull()
    expect(isTripled(line, line.slice(0, 4), 0)).toBeNull()
    // Who leaves out every fourth stroke plays no triplets.
    expect(
      isTripled(
        line,
        line.filter((_, i) => i % 4 < 3),
        0,
      ),
    ).toBe(false)
  })

  it('are one claim that stands for all others, from three rounds on, and not clean', () => {
    const line = lineAt(100, 'RLK*5 R')
    const round = (seed: number) => toldOfRound(line, asTriplets(line, 8, seed))
    const rounds = [1, 2, 3].map(round)
    expect(rounds.map(({ tripled }) => tripled)).toEqual([true, true, true])
    expect(claimsOf(rounds.slice(0, 2)).claims.some(({ kind }) => kind === 'tripled')).toBe(false)
    expect(claimsOf(rounds)).toEqual({
      claims: [{ kind: 'tripled', rounds: 3, of: 3 }],
      tooFew: [],
    })
    expect(cleannessOf(rounds)).toMatchObject({ is: false, even: false })
  })
})
