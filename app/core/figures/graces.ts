import type { StaffNote } from '../engraving'
import { glyphOf, glyphWidth, headGlyph } from './glyphs'
import { BEAM, BEAM_STEP, GRACE_SIZE, STEM, stepY } from './measures'
import type { Point, Shape } from './shape'

const GAP = 0.3
const STEP = 0.95
const LENGTH = 3.2

/**
 * Small notes before a main one whose left edge is at `left`: one with a slash through its flag for a
 * flam, two or three under two beams for a drag and a ruff.
 */
export function graceShapes({ graces }: StaffNote, left: number): Shape[] {
  if (!graces) return []
  const { count, head } = graces
  const name = headGlyph(head.shape, 8)
  const width = glyphWidth(name) * GRACE_SIZE
  const y = stepY(head.step)
  const lefts = Array.from({ length: count }, (_, i) => left - GAP - width - (count - 1 - i) * STEP)
  const anchor = glyphOf(name).up ?? [glyphWidth(name), 0]
  const stemX = (x: number) => x + anchor[0] * GRACE_SIZE - (STEM * GRACE_SIZE) / 2
  const tip = y - LENGTH * GRACE_SIZE
  const heads = lefts.flatMap((x): Shape[] => [
    { kind: 'glyph', name, at: [x, y], size: GRACE_SIZE },
    {
      kind: 'line',
      from: [stemX(x), y + anchor[1] * GRACE_SIZE],
      to: [stemX(x), tip],
      width: STEM * GRACE_SIZE,
    },
  ])
  const [first, last] = [stemX(lefts[0] as number), stemX(lefts.at(-1) as number)]
  return [...heads, ...(count === 1 ? slashedFlag(first, tip) : smallBeams(first, last, tip))]
}

function slashedFlag(stemX: number, tip: number): Shape[] {
  return [
    {
      kind: 'glyph',
      name: 'flag8thUp',
      at: [stemX - (STEM * GRACE_SIZE) / 2, tip],
      size: GRACE_SIZE,
    },
    { kind: 'line', from: [stemX - 0.42, tip + 1.05], to: [stemX + 0.7, tip + 0.25], width: 0.1 },
  ]
}

function smallBeams(first: number, last: number, tip: number): Shape[] {
  const reach = (STEM * GRACE_SIZE) / 2
  return [0, 1].map((level): Shape => {
    const top = tip + level * BEAM_STEP * GRACE_SIZE
    const bottom = top + BEAM * GRACE_SIZE
    const points: Point[] = [
      [first - reach, top],
      [last + reach, top],
      [last + reach, bottom],
      [first - reach, bottom],
    ]
    return { kind: 'area', points }
  })
}
