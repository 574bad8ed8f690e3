import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { CHANGES } from '../change-list'
import { inPlace, mapSlot, originsOf, type SlotMap, sameSlots, spliceMap, thenMap } from '.'

const map = fc
  .record({ before: fc.integer({ min: 1, max: 12 }), size: fc.integer({ min: 0, max: 12 }) })
  .chain(({ before, size }) =>
    fc
      .array(fc.option(fc.integer({ min: 0, max: before - 1 })), {
        minLength: size,
        maxLength: size,
      })
      .map((origins): SlotMap => ({ before, origins })),
  )

describe('what an edit did to slots', () => {
  it('is nothing for the map that leaves them', () => {
    fc.assert(
      fc.property(map, (one) => {
        expect(thenMap(sameSlots(one.before), one)).toEqual(one)
        expect(thenMap(one, sameSlots(one.origins.length))).toEqual(one)
      }),
    )
  })

  it('adds up: one map after another is the map of both', () => {
    fc.assert(
      fc.property(map, map, (a, b) => {
        const second = {
          ...b,
          origins: b.origins.map((o) => (o === null ? null : o % Math.max(1, a.origins.length))),
        }
        const both = thenMap(a, second)
        for (const [slot, origin] of both.origins.entries()) {
          const middle = second.origins[slot]
          expect(origin).toBe(middle == null ? null : (a.origins[middle] ?? null))
        }
      }),
    )
  })

  it('keeps what lies around a splice, and counts what is in it from its start', () => {
    expect(spliceMap(4, { from: 1, to: 3 }, [1, 0])).toEqual({ before: 4, origins: [0, 2, 1, 3] })
    expect(spliceMap(3, { from: 1, to: 1 }, [null, null]).origins).toEqual([0, null, null, 1, 2])
    expect(() => spliceMap(3, { from: 2, to: 4 }, [])).toThrow(/must lie in 0 to 3/)
    expect(spliceMap(2, { from: 2, to: 2 }, [-2]).origins).toEqual([0, 1, 0])
    expect(() => spliceMap(3, { from: 0, to: 1 }, [3])).toThrow(/not in the line/)
  })

  it('says where a slot went first, that it is gone, or that it waits beyond the line', () => {
    const doubled = { before: 2, origins: [0, 1, 0, 1] }
    expect([
      mapSlot(doubled, 1),
      mapSlot({ before: 2, origins: [1] }, 0),
      mapSlot(doubled, 7),
    ]).toEqual([1, null, 7])
  })

  it('finds slots again between those that were put in', () => {
    const [r, l, k] = [{}, {}, {}]
    expect(originsOf([r, l], [r, k, l])).toEqual([0, null, 1])
    expect(originsOf([r, l], [k, k])).toEqual(inPlace(2, 2))
    expect(inPlace(3, 2)).toEqual([0, 1])
  })

  it('is told by every change that moves slots, slot for slot', () => {
    for (const { id, apply, origins } of CHANGES) {
      if (!origins) continue
      const slots = Array.from({ length: 5 }, () => ({
        kind: 'struck' as const,
        strokes: [{ letter: 'K' as const, level: 'tap' as const, graces: 0 as const }],
      }))
      const after = apply({ slots, groups: [3, 2] }, { onBeat: () => false })
      const told = origins(5)
      expect(told, id).toHaveLength(after.slots.length)
      // Kicks are not mirrored, so that each is the same object wherever it is put.
      expect(
        after.slots.map((one, i) => one === slots[told[i] as number] || i >= 5),
        id,
      ).not.toContain(false)
    }
  })
})
