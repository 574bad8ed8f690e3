import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { renderStroke, SOUNDING, samplesOf } from '~/core/sound'
import { KIT_VERSION, packStrokes, unpackStrokes } from './kept-strokes'

describe('strokes that are kept', () => {
  it('come back as they were, to within what two bytes say (law)', () => {
    const sample = fc.double({ min: -1, max: 1, noNaN: true })
    fc.assert(
      fc.property(fc.array(fc.array(sample, { maxLength: 20 }), { maxLength: 8 }), (all) => {
        const strokes = all.map((one) => Float32Array.from(one))
        const back = unpackStrokes(packStrokes(strokes))
        expect(back?.map(({ length }) => length)).toEqual(strokes.map(({ length }) => length))
        for (const [i, stroke] of strokes.entries())
          for (const [k, one] of stroke.entries())
            expect(Math.abs((back?.[i]?.[k] ?? 9) - one)).toBeLessThan(1 / 32_000)
      }),
    )
  })

  it('are none where the bytes are others (law)', () => {
    fc.assert(
      fc.property(fc.uint8Array({ maxLength: 40 }), fc.nat({ max: 60 }), (bytes, cut) => {
        const whole = new Uint8Array(packStrokes([Float32Array.of(0.1, 0.2), Float32Array.of(0.3)]))
        expect(unpackStrokes(whole.slice(0, Math.min(cut, whole.length - 1)).buffer)).toBeNull()
        const back = unpackStrokes(new Uint8Array(bytes).buffer)
        if (back) expect(packStrokes(back).byteLength).toBe(bytes.length)
      }),
    )
  })

  it('have a version that goes up when the kit sounds otherwise', () => {
    // Where this fails the kit was changed: raise `KIT_VERSION`, and write down the new sum.
    let sum = 0
    for (const surface of SOUNDING)
      for (const sample of samplesOf(surface).filter(({ velocity }) => velocity === 112))
        for (const one of renderStroke({ ...sample, tool: 'sticks' }, 8000)) sum += Math.abs(one)
    expect([KIT_VERSION, Math.round(sum)]).toEqual([1, 9559])
  })
})
