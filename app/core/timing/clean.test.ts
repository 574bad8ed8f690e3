import { describe, expect, it } from 'vitest'
import { lickOf } from '../../../tests/support/licks'
import {
  CLEAN_LIMITS,
  claimsOf,
  cleannessOf,
  EVEN,
  expectedStrokes,
  type Habits,
  type MeantStroke,
  playedWith,
  proposedRating,
  SIMULATED_PLAYERS,
  type TimingReport,
  toldOfRound,
} from '.'

/** Lines of every distribution: hand to hand, doubles, with kicks at the end, threes, few strokes of a limb. */
const LINES = [
  'grid: 1/16\nline: >RlRl >RlRl >RlRl >RlRl',
  'grid: 1/16\nline: RLRR LRLL RLRR LRLL',
  'grid: 1/16\nline: RLRL RLRL RLKK RLKK',
  'grid: 1/16\nline: >RLKRLK>RLKRLK>RLKK',
  'grid: 1/8t\nline: >RLK >RLK >RLK >RLK',
  'grid: 1/16\nline: >RLK- >RLK- >RLK- >RLK-',
].map((text) => expectedStrokes(lickOf(text), 100))

const roundsOf = (
  line: readonly MeantStroke[],
  habits: Habits,
  count: number,
  seed: number,
): TimingReport[] =>
  Array.from({ length: count }, (_, i) =>
    toldOfRound(line, playedWith(line, habits, seed * 100 + i), 0),
  )

/** A habit so many times as strong. */
const stronger = (habits: Habits, times: number): Habits => ({
  ...habits,
  delayMs: Object.fromEntries(
    Object.entries(habits.delayMs).map(([limb, ms]) => [limb, (ms as number) * times]),
  ),
  gallop: 1 + (habits.gallop - 1) * times,
  levelled: Math.min(1, habits.levelled * times),
  leaning: Math.min(1, habits.leaning * times),
  driftPercent: habits.driftPercent * times,
  missed: habits.missed * times,
  added: habits.added * times,
})

/** The rounds after which the ear climbs, and after which it is looked at again. */
const LOOKS = [3, 4, 8, 12]

describe('clean', () => {
  it('is a player without habits in 95 of 100 series, on lines of every kind', () => {
    for (const line of LINES) {
      const clean = Array.from({ length: 100 }, (_, seed) =>
        proposedRating(roundsOf(line, { ...EVEN, spreadMs: 6 }, 4, seed)),
      ).filter((rating) => rating === 'clean')
      expect(clean.length).toBeGreaterThanOrEqual(95)
    }
  })

  it.each(SIMULATED_PLAYERS.filter(({ name }) => name !== 'even'))(
    'is not who has a habit that is told, and nothing climbs on it: $name',
    ({ habits }) => {
      let [told, climbed, series] = [0, 0, 0]
      for (const times of [1, 1.5, 2]) {
        for (const line of LINES) {
          for (let seed = 0; seed < 6; seed += 1) {
            const rounds = roundsOf(line, stronger(habits, times), 12, seed)
            const isTold = claimsOf(rounds).claims.length > 0 || missedIn(rounds)
            for (const count of LOOKS) {
              const some = rounds.slice(0, count)
              // What is told of these very rounds cannot be clean.
              if (claimsOf(some).claims.length > 0) expect(cleannessOf(some).is).toBe(false)
              if (isTold && count === 4 && proposedRating(some) === 'clean') climbed += 1
            }
            series += 1
            if (isTold) told += 1
          }
        }
      }
      expect(told).toBeGreaterThan(series / 8)
      expect(climbed / told).toBeLessThan(0.03)
    },
  )

  it('names the part that fails', () => {
    const line = LINES[0] as readonly MeantStroke[]
    const parts = (habits: Partial<Habits>) =>
      cleannessOf(roundsOf(line, { ...EVEN, ...habits }, 6, 1))
    expect(parts({})).toEqual({ is: true, onTime: 1, even: true, balance: true, together: null })
    expect(parts({ delayMs: { LH: 20 } })).toMatchObject({ is: false, even: false, balance: true })
    expect(parts({ levelled: 0.9 })).toMatchObject({ is: false, even: true, balance: false })
    expect(parts({ spreadMs: 40 })).toMatchObject({ is: false })
    expect(parts({ missed: 0.3 })).toMatchObject({ is: false, even: true })
  })

  it('is together where what is struck at once is heard as one', () => {
    const both = [0, 0, 300].map((ms, i) => ({
      ms,
      slot: i,
      velocity: 80,
      limb: (['RH', 'RF', 'RH'] as const)[i] as 'RH',
    }))
    const apart = (ms: number) => {
      const rounds = Array.from({ length: 4 }, () =>
        toldOfRound(both, [
          { ms: -ms / 2, limb: 'RH' },
          { ms: ms / 2, limb: 'RF' },
          { ms: 300, limb: 'RH' },
        ]),
      )
      return cleannessOf(rounds).together
    }
    expect([apart(0), apart(19), apart(21)]).toEqual([true, true, false])
  })

  it('is as strict as the player wishes', () => {
    const line = LINES[0] as readonly MeantStroke[]
    const rounds = roundsOf(line, { ...EVEN, spreadMs: 9 }, 6, 3)
    expect(cleannessOf(rounds).is).toBe(true)
    expect(cleannessOf(rounds, { ...CLEAN_LIMITS, withinMs: 8 }).is).toBe(false)
    expect(cleannessOf(rounds, { withinMs: 8, share: 0.3 }).is).toBe(true)
  })

  it('cannot be told where nothing was meant', () => {
    expect(cleannessOf([])).toEqual({
      is: null,
      onTime: null,
      even: null,
      balance: null,
      together: null,
    })
    expect(cleannessOf([toldOfRound(LINES[0] ?? [], [])]).is).toBe(false)
  })
})

/** Whether strokes were told as missed, or as too many, in more than a few of a hundred. */
function missedIn(rounds: readonly TimingReport[]): boolean {
  const wrong = rounds.reduce((sum, { missed, extra }) => sum + missed.length + extra.length, 0)
  const meant = rounds.reduce((sum, { missed, strokes }) => sum + missed.length + strokes.length, 0)
  return wrong / meant > 0.08
}
