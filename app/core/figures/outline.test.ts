import { describe, expect, it } from 'vitest'
import { GLYPH_UNIT } from '.'
import { GLYPH_DATA } from './glyph-data'
import { parseOutline, relativePath } from './outline'

/** Where the pen goes on a path of `m`, `l`, `c` and `z` that begins at a point: the way back, by hand. */
function walked(path: string, x: number, y: number) {
  let [pen, begun] = [
    [x, y],
    [x, y],
  ]
  return [...path.matchAll(/([mlcz])([^mlcz]*)/g)].map(([, op = '', numbers = '']) => {
    if (op === 'z') {
      pen = begun
      return { op: 'h', c: [] }
    }
    const c = numbers.split(' ').map((offset, i) => (pen[i % 2] as number) + Number(offset))
    pen = c.slice(-2)
    if (op === 'm') begun = pen
    return { op, c }
  })
}

describe('an outline', () => {
  it('is read step by step', () => {
    expect(parseOutline('M1 2L3 -4C1 2 3 4 5 6Z')).toEqual([
      { op: 'm', c: [1, 2] },
      { op: 'l', c: [3, -4] },
      { op: 'c', c: [1, 2, 3, 4, 5, 6] },
      { op: 'h', c: [] },
    ])
    expect(() => parseOutline('M0 0A1 1')).toThrow('path command A')
  })

  it('goes on from where the pen stands, and from the beginning of what was closed', () => {
    expect(relativePath(parseOutline('M1 1L3 1L3 5Z'), 0.5)).toBe('m0.5 0.5l1 0l0 2z')
    expect(relativePath(parseOutline('M1 1L3 1ZM2 2L2 4Z'), 1)).toBe('m1 1l2 0zm1 1l0 2z')
  })

  it.each(Object.keys(GLYPH_DATA) as (keyof typeof GLYPH_DATA)[])(
    '%s is drawn where it is to be, at any size, to a thousandth of a space',
    (name) => {
      const steps = parseOutline(GLYPH_DATA[name].d)
      for (const size of [1, 0.62, 1 / 3]) {
        const unit = GLYPH_UNIT * size
        const drawn = walked(relativePath(steps, unit), 12.345, -6.789)
        expect(drawn.map(({ op }) => op)).toEqual(steps.map(({ op }) => op))
        for (const [i, { c }] of steps.entries())
          for (const [j, value] of c.entries())
            expect(drawn[i]?.c[j]).toBeCloseTo((j % 2 === 0 ? 12.345 : -6.789) + value * unit, 4)
      }
    },
  )

  it('turns the same way round in all glyphs: where two overlap in one path, nothing is cut out', () => {
    const ways = Object.values(GLYPH_DATA).map(({ d }) => {
      const contours = d.split('Z').filter(Boolean).map(turning)
      const outer = contours.reduce((a, b) => (Math.abs(b) > Math.abs(a) ? b : a))
      return Math.sign(outer)
    })
    expect(new Set(ways).size).toBe(1)
  })
})

/** Twice the area that a contour's points enclose: positive one way round, negative the other. */
function turning(contour: string): number {
  const points = parseOutline(contour).map(({ c }) => c.slice(-2) as [number, number])
  return points.reduce((sum, [x, y], i) => {
    const [nextX, nextY] = points[(i + 1) % points.length] as [number, number]
    return sum + x * nextY - nextX * y
  }, 0)
}
