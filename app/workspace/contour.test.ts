import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { Contour, contourOf } from './contour'

describe('a contour', () => {
  it('has every slot between two that are drawn on the line between them, either way round', () => {
    fc.assert(
      fc.property(
        fc.nat(40),
        fc.nat(40),
        fc.double({ min: 0, max: 1, noNaN: true }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        (a, b, from, to) => {
          fc.pre(a !== b)
          const contour = new Contour()
          contour.draw(a, from)
          contour.draw(b, to, a)
          const { points } = contour.state()
          for (let slot = 0; slot < points.length; slot += 1) {
            const share = (slot - a) / (b - a)
            const wanted = share >= 0 && share <= 1 ? from + (to - from) * share : null
            if (wanted === null) expect(points[slot]).toBeNull()
            else expect(points[slot]).toBeCloseTo(wanted, 9)
          }
        },
      ),
      { numRuns: 100 },
    )
  })

  it('stays on the kit, wherever the pointer goes, and draws over what was there', () => {
    const contour = new Contour()
    contour.draw(1, -3)
    contour.draw(1, 7)
    expect(contour.state().points).toEqual([null, 1])
    contour.draw(1, 0.25)
    expect(contour.state().points).toEqual([null, 0.25])
  })

  it('is kept while it is put away', () => {
    const contour = new Contour()
    const told: boolean[] = []
    contour.subscribe(() => told.push(contour.state().open))
    contour.open()
    contour.draw(0, 1)
    contour.close()
    expect(told).toEqual([true, true, false])
    expect(contour.state().points).toEqual([1])
  })

  it('is typed with digits that are spread over the line', () => {
    expect(contourOf('191', 5)).toEqual([0, 0.5, 1, 0.5, 0])
    expect(contourOf('5', 3)).toEqual([0.5, 0.5, 0.5])
    expect(contourOf('1 9', 1)).toEqual([0])
    expect(contourOf('19', 0)).toEqual([])
    expect(contourOf('', 4)).toEqual([])
    expect(contourOf('10', 4)).toBeNull()
    expect(contourOf('1x', 4)).toBeNull()
  })
})
