import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { lickOf } from '../../../tests/support/licks'
import {
  EVEN,
  expectedStrokes,
  findDelay,
  type HeardStroke,
  matchStrokes,
  pairStrokes,
  playedWith,
  toldOf,
  toldOfRound,
} from '.'

const fours = expectedStrokes(lickOf('tempo: 100\nline: RKRK'), 100)
const at = (...ms: number[]): HeardStroke[] => ms.map((one) => ({ ms: one }))

/** All ways to match two short lists in order, by trying them. */
function bestByHand(
  expected: readonly number[],
  heard: readonly number[],
  reachOf: (e: number) => number,
) {
  let best = { pairs: 0, squares: 0 }
  const go = (i: number, j: number, pairs: number, squares: number): void => {
    if (pairs > best.pairs || (pairs === best.pairs && squares < best.squares))
      best = { pairs, squares }
    for (let e = i; e < expected.length; e += 1) {
      for (let h = j; h < heard.length; h += 1) {
        const off = (heard[h] as number) - (expected[e] as number)
        if (Math.abs(off) <= reachOf(e)) go(e + 1, h + 1, pairs + 1, squares + off * off)
      }
    }
  }
  go(0, 0, 0, 0)
  return best
}

describe('what was heard, held against a line', () => {
  it('is told as offsets, gaps and unevenness (C49)', () => {
    const told = toldOf(fours, at(0, 158, 299, 462))
    expect(told.strokes.map(({ offsetMs }) => Math.round(offsetMs))).toEqual([0, 8, -1, 12])
    expect(told.gaps.map(({ from, to, count, meanMs }) => [from, to, count, meanMs])).toEqual([
      ['RH', 'RF', 2, 160.5],
      ['RF', 'RH', 1, 141],
    ])
    expect(told.uneven?.limbs).toEqual(['RH', 'RF'])
    expect(told.uneven?.ratio).toBeCloseTo(1.138, 3)
    expect(
      told.limbs.map(({ limb, meanMs, sdMs }) => [limb, meanMs, Math.round(sdMs * 10) / 10]),
    ).toEqual([
      ['RH', -0.5, 0.7],
      ['RF', 10, 2.8],
    ])
  })

  it('tells missed and extra strokes, and changes nothing in the others', () => {
    const whole = toldOf(fours, at(2, 149, 305, 452))
    const holed = toldOf(fours, at(2, 230, 305, 452))
    expect(holed.missed.map(({ slot }) => slot)).toEqual([1])
    expect(holed.extra.map(({ ms }) => ms)).toEqual([230])
    const others = whole.strokes.filter(({ slot }) => slot !== 1)
    expect(holed.strokes).toEqual(others)
  })

  it('finds a constant delay, whatever is missed (law)', () => {
    const line = expectedStrokes(lickOf('tempo: 100\nline: RLLRK RLK RRLK RLRL'), 100)
    fc.assert(
      fc.property(
        fc.integer({ min: -60, max: 60 }),
        fc.array(fc.integer({ min: -4, max: 4 }), { minLength: 16, maxLength: 16 }),
        fc.nat(15),
        (delay, jitter, lost) => {
          const heard = line.map(({ ms, limb }, i) => ({ ms: ms + delay + (jitter[i] ?? 0), limb }))
          const found = findDelay(line, heard.toSpliced(lost, 1))
          expect(Math.abs(found - delay)).toBeLessThanOrEqual(5)
        },
      ),
      { numRuns: 200 },
    )
  })

  it('has as many pairs as can be, and of those the nearest: the same as by trying all (law)', () => {
    const times = fc
      .uniqueArray(fc.integer({ min: 0, max: 30 }), { maxLength: 5 })
      .map((all) => all.map((one) => one * 20).sort((a, b) => a - b))
    fc.assert(
      fc.property(times, times, (expected, heard) => {
        // Far apart neighbours would allow more than near ones: here all reach alike.
        const even = expected.map((_, i) => i * 200)
        const meant = even.map((ms, slot) => ({ ms, limb: 'RH' as const, slot }))
        const { pairs } = matchStrokes(meant, at(...heard))
        const squares = pairs.reduce((sum, pair) => {
          const off = (heard[pair.heard] as number) - (even[pair.expected] as number)
          return sum + off * off
        }, 0)
        const reach = even.length > 1 ? 100 : 120
        expect({ pairs: pairs.length, squares }).toEqual(bestByHand(even, heard, () => reach))
      }),
      { numRuns: 300 },
    )
  })

  it('is the same as by trying all where strokes are unevenly apart (law)', () => {
    const times = (most: number) =>
      fc
        .uniqueArray(fc.integer({ min: 0, max: 60 }), { maxLength: 6 })
        .map((all) => all.map((one) => one * most).sort((a, b) => a - b))
    fc.assert(
      fc.property(times(9), times(10), (expected, heard) => {
        const meant = expected.map((ms, slot) => ({ ms, limb: 'RH' as const, slot }))
        const reachOf = (e: number) => {
          const near = [expected[e - 1], expected[e + 1]].flatMap((ms) =>
            ms === undefined ? [] : [Math.abs(ms - (expected[e] as number)) / 2],
          )
          return Math.min(120, ...near)
        }
        const { pairs } = matchStrokes(meant, at(...heard))
        const squares = pairs.reduce((sum, pair) => {
          const off = (heard[pair.heard] as number) - (expected[pair.expected] as number)
          return sum + off * off
        }, 0)
        expect({ pairs: pairs.length, squares }).toEqual(bestByHand(expected, heard, reachOf))
      }),
      { numRuns: 300 },
    )
  })

  it('pairs what is late as a whole as it was meant, and tells the lateness all the same', () => {
    // Twelve a second: 50 ms late is nearer to the next slot than to its own.
    const meant = Array.from({ length: 16 }, (_, slot) => ({
      ms: slot * 83,
      limb: 'XH' as const,
      slot,
      velocity: slot % 4 === 0 ? 112 : 80,
    }))
    const late = playedWith(meant, { ...EVEN, spreadMs: 5 }, 3).map(({ ms, velocity }) => ({
      ms: ms + 50,
      velocity,
    }))
    const told = toldOfRound(meant, late, 0)
    expect([told.strokes.length, told.missed.length, told.extra.length]).toEqual([16, 0, 0])
    expect(told.limbs[0]?.meanMs).toBeCloseTo(50, -1)
    // Without its first stroke too: the accents say where it is.
    const { missed, lag } = pairStrokes(meant, late.slice(1), 0)
    expect(missed).toEqual([0])
    expect(Math.abs(lag.delayMs - 50)).toBeLessThan(6)
  })

  it('pairs what falls behind as it was meant, as far as that goes (law)', () => {
    const meant = expectedStrokes(lickOf('tempo: 180\nline: RLLRK RLK RRLK RLRL'), 180)
    fc.assert(
      fc.property(
        fc.double({ min: -4, max: 4, noNaN: true }),
        fc.integer({ min: -30, max: 30 }),
        // Not an end: without one an even line fits as well a slot away.
        fc.integer({ min: 1, max: 14 }),
        (slower, delay, lost) => {
          const heard = meant.map(({ ms, slot }) => ({ ms: ms * (1 + slower / 100) + delay, slot }))
          const { pairs } = pairStrokes(meant, heard.toSpliced(lost, 1), 0)
          expect(pairs).toHaveLength(15)
          for (const pair of pairs)
            expect(meant[pair.expected]?.slot).toBe(heard.toSpliced(lost, 1)[pair.heard]?.slot)
        },
      ),
      { numRuns: 200 },
    )
  })

  it('takes what limbs strike together in any order, each for its own', () => {
    const together = expectedStrokes(lickOf('tempo: 100\nline: (RK)L'), 100)
    const told = toldOf(together, [
      { ms: -3, limb: 'RF' },
      { ms: 4, limb: 'RH' },
      { ms: 151, limb: 'LH' },
    ])
    expect(told.strokes.map(({ limb, offsetMs }) => [limb, Math.round(offsetMs)])).toEqual([
      ['RH', 4],
      ['RF', -3],
      ['LH', 1],
    ])
    expect(told.missed).toEqual([])
  })

  it('says nothing of unevenness below two limbs, and nothing at all of silence', () => {
    expect(toldOf(expectedStrokes(lickOf('line: RRRR'), 100), at(0, 150, 300)).uneven).toBeNull()
    const silent = toldOf(fours, [])
    expect([silent.strokes, silent.limbs, silent.gaps, silent.uneven]).toEqual([[], [], [], null])
    expect(silent.missed).toHaveLength(4)
    expect(toldOf([], at(3)).extra).toHaveLength(1)
    expect(findDelay(fours, [])).toBe(0)
  })
})
