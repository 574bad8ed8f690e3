import { Slices } from './slices'

/** A contour over a line: for each slot how low on the kit it is wished, from 0 to 1; null where nothing is. */
export type ContourPoints = readonly (number | null)[]

export interface ContourState {
  /** Whether the ruler is drawn on. */
  readonly open: boolean
  readonly points: ContourPoints
}

/**
 * The contour that is drawn over the ruler, without the ruler: 0 is the snare, 1 the lowest drum.
 *
 * @example
 * contour.open()
 * contour.draw(0, 0)
 * contour.draw(4, 1, 0) // slots 1 to 3 lie on the straight line between
 */
export class Contour extends Slices<ContourState> {
  constructor() {
    super({ open: false, points: [] })
  }

  readonly open = (): void => this.patch({ open: true })

  /** Nothing is drawn any more; what was drawn stays for when it is opened again. */
  readonly close = (): void => this.patch({ open: false })

  /** Draws a slot at a height, and the straight line to it from the slot that was drawn before it. */
  readonly draw = (slot: number, share: number, before: number = slot): void => {
    const to = Math.min(1, Math.max(0, share))
    const points = [...this.current.points]
    while (points.length <= Math.max(slot, before)) points.push(null)
    const from = points[before] ?? to
    const way = Math.abs(slot - before)
    for (let i = way > 0 ? 1 : 0; i <= way; i += 1)
      points[before + Math.sign(slot - before) * i] = way > 0 ? from + ((to - from) * i) / way : to
    this.patch({ points })
  }

  /** Takes a whole contour, or none. */
  readonly take = (points: ContourPoints): void => this.patch({ points })
}

/** What a contour can be typed with. */
const DIGITS = /^[1-9]{0,64}$/

/**
 * A contour from digits that are spread over all slots of a line: 1 is the snare, 9 the lowest drum, and between
 * two digits it is straight. Null for what is not digits.
 *
 * @example contourOf('191', 5) // [0, 0.5, 1, 0.5, 0]
 */
export function contourOf(typed: string, slots: number): ContourPoints | null {
  const text = typed.replaceAll(/\s/g, '')
  if (!DIGITS.test(text)) return null
  const heights = [...text].map((digit) => (Number(digit) - 1) / 8)
  if (heights.length === 0) return []
  return Array.from({ length: slots }, (_, i) => {
    const at = slots > 1 ? (i * (heights.length - 1)) / (slots - 1) : 0
    const left = heights[Math.floor(at)] as number
    const right = heights[Math.ceil(at)] as number
    return left + (right - left) * (at - Math.floor(at))
  })
}
