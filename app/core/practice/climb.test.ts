import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { lickOf } from '../../../tests/support/licks'
import {
  addRung,
  barsOfRung,
  type Climb,
  chooseRung,
  ladderSpan,
  moveRung,
  removeRung,
  repeatsOn,
  roundOf,
  standAt,
} from '.'

const BAR = 40320
const climb = (part: Partial<Climb> = {}): Climb => ({
  rungs: 4,
  barTicks: BAR,
  repeatTicks: 2 * BAR,
  roundBars: 2,
  every: null,
  ...part,
})

describe('climbing', () => {
  it('stays on a rung until another is chosen, which holds from the next round on', () => {
    const chosen = chooseRung([], 1, 5, climb())
    expect(chosen).toEqual([{ bar: 6, rung: 1 }])
    expect([0, 5, 6, 99].map((bar) => standAt(chosen, bar, climb()).rung)).toEqual([0, 0, 1, 1])
    expect(chooseRung(chosen, 2, 5, climb())).toEqual([{ bar: 6, rung: 2 }])
    expect(chooseRung(chosen, 3, null, climb())).toEqual([{ bar: 0, rung: 3 }])
  })

  it('climbs by itself after so many repeats, whole bars each, up to the top', () => {
    const self = climb({ every: 3 })
    const rungs = [0, 5, 6, 11, 12, 18, 99].map((bar) => standAt([], bar, self))
    expect(rungs.map(({ rung }) => rung)).toEqual([0, 0, 1, 1, 2, 3, 3])
    expect(rungs.at(-1)?.bar).toBe(18)
  })

  it('keeps a cell that ends inside a bar until the barline after its repeats', () => {
    const once = roundOf(lickOf('RLLRK'), { kind: 'over' }).ticks
    const five = climb({ repeatTicks: once, roundBars: 1, every: 8 })
    expect(once).toBe(12600)
    expect(barsOfRung(five, 8)).toBe(3)
    expect(repeatsOn({ bar: 3, rung: 1 }, 3 * BAR + once - 1, five)).toBe(0)
    expect(repeatsOn({ bar: 3, rung: 1 }, 3 * BAR + 2 * once, five)).toBe(2)
    expect(repeatsOn({ bar: 3, rung: 1 }, BAR, five)).toBe(0)
  })

  it('never leaves the ladder, never falls by itself, and is the same however often asked (law)', () => {
    const setting = fc.record({
      rungs: fc.integer({ min: 1, max: 9 }),
      repeat: fc.integer({ min: 1, max: 9 * BAR }),
      every: fc.integer({ min: 1, max: 9 }),
      roundBars: fc.integer({ min: 1, max: 5 }),
    })
    const choices = fc.array(fc.tuple(fc.nat(60), fc.nat(8)), { maxLength: 5 })
    fc.assert(
      fc.property(setting, choices, ({ rungs, repeat, every, roundBars }, picks) => {
        const self = climb({ rungs, repeatTicks: repeat, every, roundBars })
        const chosen = picks
          .sort(([a], [b]) => a - b)
          .reduce(
            (all, [bar, rung]) => chooseRung(all, Math.min(rung, rungs - 1), bar, self),
            chooseRung([], 0, null, self),
          )
        const edges = new Set(chosen.map(({ bar }) => bar))
        let before = 0
        for (let bar = 0; bar < 90; bar += 1) {
          const { rung, bar: since } = standAt(chosen, bar, self)
          expect(rung).toBeGreaterThanOrEqual(0)
          expect(rung).toBeLessThan(rungs)
          expect(since).toBeLessThanOrEqual(bar)
          if (!edges.has(bar)) expect(rung - before).toBeGreaterThanOrEqual(0)
          if (!edges.has(bar)) expect(rung - before).toBeLessThanOrEqual(1)
          before = rung
        }
      }),
    )
  })
})

describe('a proposed ladder', () => {
  const wish = { tempo: 72, goal: 126, limit: 180, bestClean: null, tense: null }
  it.each([
    ['from the learning tempo to the goal', {}, 72, 126],
    ['from the learning tempo also once more is clean', { bestClean: 101, tense: 113 }, 72, 126],
    [
      'on between clean and tense where the goal is reached',
      { bestClean: 130, tense: 142 },
      72,
      136,
    ],
    ['half as fast again without a goal', { goal: null }, 72, 108],
    ['within the limit without a goal', { goal: null, limit: 90.7 }, 72, 90],
    [
      'from slow enough to learn where the learning tempo is past the limit',
      { limit: 60.5 },
      36,
      126,
    ],
    ['from slower where less than the limit was clean', { limit: 60.5, bestClean: 50 }, 30, 126],
    ['of one rung where the limit is reached', { goal: null, limit: 72.4 }, 72, 72],
  ])('goes %s', (_, part, from, to) => {
    expect(ladderSpan({ ...wish, ...part })).toEqual({ from, to })
  })
})

describe('a ladder edited', () => {
  it('keeps its order and its range', () => {
    expect(moveRung([72, 95, 126], 1, 200)).toEqual([72, 125, 126])
    expect(moveRung([72, 95, 126], 0, 3)).toEqual([20, 95, 126])
    expect(moveRung([72, 95, 126], 2, 999)).toEqual([72, 95, 400])
    expect(addRung([72, 95, 126])).toEqual([72, 95, 111, 126])
    expect(addRung([72, 73])).toEqual([72, 73, 81])
    expect(addRung([400])).toEqual([400])
    expect(removeRung([72, 95], 0)).toEqual([95])
    expect(removeRung([72], 0)).toEqual([72])
  })

  it('stays a ladder whatever is done to it (law)', () => {
    const edits = fc.array(fc.tuple(fc.nat(2), fc.nat(9), fc.integer({ min: 0, max: 500 })))
    fc.assert(
      fc.property(edits, (list) => {
        let rungs = [72, 95, 126]
        for (const [what, at, tempo] of list) {
          const index = at % rungs.length
          if (what === 0) rungs = moveRung(rungs, index, tempo)
          if (what === 1) rungs = addRung(rungs)
          if (what === 2) rungs = removeRung(rungs, index)
        }
        expect(rungs.length).toBeGreaterThan(0)
        expect([...new Set(rungs)].sort((a, b) => a - b)).toEqual(rungs)
        expect(rungs.every((rung) => rung >= 20 && rung <= 400)).toBe(true)
      }),
    )
  })
})
