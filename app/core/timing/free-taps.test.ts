import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { lineOfTaps, type Tap, tempoOfTaps } from '.'

const at = (...ms: number[]) => ms.map((one) => ({ ms: one }))

describe('the tempo of free taps', () => {
  it('is that of the pulse on which they lie', () => {
    expect(tempoOfTaps(at(0, 150, 300, 450, 750))?.quarters).toBeCloseTo(100, 6)
    expect(tempoOfTaps(at(1000, 1200, 1400, 1800, 2000))?.quarters).toBeCloseTo(75, 6)
    // Quarters at 90, tapped as such.
    expect(tempoOfTaps(at(0, 667, 1333, 2000))?.quarters).toBeCloseTo(90, 0)
  })

  it('is none of a few taps, or where there is no pulse', () => {
    expect(tempoOfTaps(at(0, 150, 300))).toBeNull()
    expect(tempoOfTaps(at(0, 3, 6, 9, 12))).toBeNull()
    expect(tempoOfTaps(at(0, 101, 307, 388, 633, 751, 1103, 1210, 1297))?.quarters ?? 0).not.toBe(
      100,
    )
  })

  it('gives back the line that was tapped, at any usual tempo, a little unevenly (law)', () => {
    const tapped = fc.record({
      tempo: fc.integer({ min: 62, max: 145 }),
      places: fc.array(fc.integer({ min: 1, max: 3 }), { minLength: 5, maxLength: 20 }),
      off: fc.array(fc.integer({ min: -4, max: 4 }), { minLength: 21, maxLength: 21 }),
    })
    fc.assert(
      fc.property(
        // Without a single sixteenth the pulse may as well be longer.
        tapped.filter(({ places }) => places.includes(1)),
        ({ tempo, places, off }) => {
          const slot = 15_000 / tempo
          let at = 0
          const slots = [0, ...places.map((gap) => (at += gap))]
          const taps = slots.map(
            (place, i): Tap => ({
              ms: 5000 + place * slot + (off[i] as number),
              limb: 'RH',
            }),
          )
          const found = tempoOfTaps(taps)
          expect(found).not.toBeNull()
          expect(found?.quarters).toBeGreaterThan(tempo * 0.97)
          expect(found?.quarters).toBeLessThan(tempo * 1.03)
          const { quarters, firstMs } = found as NonNullable<typeof found>
          const line = lineOfTaps(
            taps.map((tap) => ({ ...tap, ms: tap.ms - firstMs })),
            quarters,
            { value: 16, tuplet: null },
          )
          const struck = line?.line.slots.flatMap(({ kind }, i) => (kind === 'rest' ? [] : [i]))
          expect(struck).toEqual(slots)
        },
      ),
    )
  })
})
