/** A step of an outline: move, line, cubic curve, close; coordinates as x and y in turn. */
export interface PathStep {
  readonly op: 'm' | 'l' | 'c' | 'h'
  readonly c: readonly number[]
}

const OPS = { M: 'm', L: 'l', C: 'c', Z: 'h' } as const

/**
 * The steps of an SVG path of absolute M, L, C and Z, as glyphs have them.
 * Example: `M0 0L2 0Z` is three steps.
 * @throws RangeError for another command
 */
export function parsePath(d: string): PathStep[] {
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
