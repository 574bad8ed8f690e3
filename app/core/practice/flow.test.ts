import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { toRandomStream } from '../foundation'
import { type FlowRules, toDraw } from '.'

const drawPhrase = (rules: FlowRules, ...rest: Parameters<ReturnType<typeof toDraw>>) =>
  toDraw(rules)(...rest)

describe('flows (C51, hard case 31)', () => {
  const cells = (...slots: number[]) => slots.map((one) => ({ length: one, weight: 1 }))
  const count = (length: number, rules: ReturnType<typeof cells>, mostInRow = 99) => {
    const stream = toRandomStream(7)
    const seen = new Map<string, number>()
    for (let i = 0; i < 3000; i += 1) {
      const { order } = drawPhrase({ cells: rules, length, mostInRow }, stream)
      const key = order.map((cell) => rules[cell]?.length).join(' ')
      seen.set(key, (seen.get(key) ?? 0) + 1)
    }
    return seen
  }

  it('draw evenly from all chains', () => {
    const seen = count(14, cells(4, 5))
    expect([...seen.keys()].sort()).toEqual(['4 5 5', '5 4 5', '5 5 4'])
    for (const often of seen.values()) expect(Math.abs(often - 1000)).toBeLessThan(120)
    expect(count(24, cells(4, 6)).size).toBe(12)
  })

  it('make up a remainder where nothing is exact', () =>
    expect(drawPhrase({ cells: cells(6, 8), length: 15, mostInRow: 9 }, () => 0)).toMatchObject({
      order: [0, 1],
      rest: 1,
    }))

  it('end on the barline, for any cells, weights, and seed, and are the same for the same (law)', () => {
    const some = fc.array(
      fc.record({
        length: fc.integer({ min: 1, max: 12 }),
        weight: fc.integer({ min: 0, max: 9 }),
      }),
      { maxLength: 5 },
    )
    const numbers = fc.tuple(
      fc.integer({ min: 0, max: 96 }),
      fc.integer({ min: 1, max: 4 }),
      fc.nat(),
    )
    fc.assert(
      fc.property(some, numbers, (list, [length, mostInRow, seed]) => {
        const rules = { cells: list, length, mostInRow }
        const { order, rest } = drawPhrase(rules, toRandomStream(seed))
        const used = order.reduce((sum, cell) => sum + (list[cell]?.length ?? Number.NaN), 0)
        expect(used + rest).toBe(length)
        for (const cell of order) expect(list[cell]?.weight).toBeGreaterThan(0)
        for (let i = mostInRow; i < order.length; i += 1) {
          expect(new Set(order.slice(i - mostInRow, i + 1)).size).toBeGreaterThan(1)
        }
        expect(drawPhrase(rules, toRandomStream(seed))).toMatchObject({ order, rest })
      }),
    )
  })

  it('take up the run of the phrase before, and leave only what can be made up', () => {
    const rules = { cells: cells(4), length: 12, mostInRow: 4 }
    const once = drawPhrase(rules, () => 0)
    expect(once).toMatchObject({ order: [0, 0, 0], rest: 0, run: { cell: 0, times: 3 } })
    expect(drawPhrase(rules, () => 0, once.run)).toMatchObject({ order: [0], rest: 8 })
    const uneven = { cells: cells(5), length: 12, mostInRow: 4, restUnit: 4 }
    expect(drawPhrase(uneven, () => 0)).toMatchObject({ order: [], rest: 12 })
  })

  it('draw by weight', () => {
    const stream = toRandomStream(3)
    const some = [
      { length: 4, weight: 3 },
      { length: 4, weight: 1 },
      { length: 4, weight: 0 },
    ]
    const first = Array.from({ length: 2000 }, () =>
      drawPhrase({ cells: some, length: 4, mostInRow: 1 }, stream).order.join(),
    )
    expect(Math.abs(first.filter((one) => one === '0').length - 1500)).toBeLessThan(90)
    expect(first).not.toContain('2')
  })

  it('refuse what is no flow', () =>
    expect(() => drawPhrase({ cells: cells(0), length: 4, mostInRow: 1 }, () => 0)).toThrow(
      RangeError,
    ))
})
