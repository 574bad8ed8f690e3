/** A step of an outline: move, line, cubic curve, close; absolute coordinates, x and y in turn. */
export interface OutlineStep {
  readonly op: 'm' | 'l' | 'c' | 'h'
  readonly c: readonly number[]
}

const OPS = { M: 'm', L: 'l', C: 'c', Z: 'h' } as const

/**
 * The steps of an SVG path of absolute M, L, C and Z, as glyphs have them, in the path's own units.
 * Example: `M0 0L2 0Z` is three steps.
 * @throws RangeError for another command
 */
export function parseOutline(d: string): OutlineStep[] {
  return [...d.matchAll(/([A-Za-z])([^A-Za-z]*)/g)].map(([, letter = '', numbers = '']) => {
    const op = OPS[letter as keyof typeof OPS]
    if (!op) throw new RangeError(`path command ${letter}: M, L, C or Z`)
    return {
      op,
      c:
        numbers.trim() === ''
          ? []
          : numbers
              .trim()
              .split(/[\s,]+/)
              .map(Number),
    }
  })
}

/**
 * Steps as SVG path commands that are relative to where the pen stands: behind a move to any place they
 * draw the outline there, and nothing has to be turned or scaled (each transform in a drawing costs the
 * browser a layer to sort, at every frame).
 *
 * @param unit what a unit of the steps is in units of the path
 * @param decimals of a path's unit; what is rounded in one step is made good in the next
 * @example relativePath(parseOutline('M1 1L3 1L3 5Z'), 0.5) // 'm0.5 0.5l1 0l0 2z'
 */
export function relativePath(steps: readonly OutlineStep[], unit: number, decimals = 5): string {
  const factor = 10 ** decimals
  // In whole parts, so that no rounding adds up.
  const parts = (value: number) => Math.round(value * unit * factor)
  let pen: readonly number[] = [0, 0]
  let begun = pen
  let path = ''
  for (const { op, c } of steps) {
    const to = c.map(parts)
    const [x = 0, y = 0] = pen
    const offsets = to.map((value, i) => (value - (i % 2 === 0 ? x : y)) / factor)
    path += op === 'h' ? 'z' : `${op}${offsets.join(' ')}`
    pen = op === 'h' ? begun : to.slice(-2)
    if (op === 'm') begun = pen
  }
  return path
}
