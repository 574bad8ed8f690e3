import { describe, expect, it } from 'vitest'
import { KIT_PRESETS } from '~/core/kit'
import { labelShift } from './label-places'

describe('the label of a piece', () => {
  it('stands in the middle of what hands play, and of a pedal that nothing covers', () => {
    const pedal = { surface: 'bd', kind: 'pedal', x: 0, y: 0, height: 0, diameter: 10 } as const
    const far = { ...pedal, surface: 't1', kind: 'drum', y: 90, height: 80 } as const
    expect([labelShift(pedal, [pedal, far]), labelShift(far, [pedal, far])]).toEqual([0, 0])
  })

  it('leaves the drum that stands over a pedal', () => {
    const pedal = { surface: 'bd', kind: 'pedal', x: 14, y: 60, height: 0, diameter: 10 } as const
    const tom = { surface: 't2', kind: 'drum', x: 14, y: 70, height: 83, diameter: 30 } as const
    expect(labelShift(pedal, [pedal, tom])).toBe(7)
    expect(labelShift(pedal, [pedal, { ...tom, y: 50 }])).toBeLessThan(0)
  })

  it('is nowhere nearer to what covers it than the middle of its plate, on every kit that ships', () => {
    let moved = 0
    for (const { pieces } of KIT_PRESETS) {
      for (const piece of pieces.filter(({ kind }) => kind === 'pedal')) {
        const over = pieces.filter(({ height }) => height > piece.height)
        const room = (y: number) =>
          Math.min(...over.map((one) => Math.hypot(one.x - piece.x, one.y - y) - one.diameter / 2))
        const shift = labelShift(piece, pieces)
        if (shift === 0) continue
        moved += 1
        expect(room(piece.y - shift)).toBeGreaterThan(room(piece.y))
      }
    }
    expect(moved).toBeGreaterThan(0)
  })
})
