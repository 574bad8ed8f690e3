import type { StaffTuplet } from '../engraving'
import { digitGlyphs, glyphOf, glyphWidth } from './glyphs'
import { BRACKET } from './measures'
import type { Shape } from './shape'

const SIZE = 0.8
const GAP = 0.3
const HOOK = 0.6
/** From one bracket to the next one outside of it. */
const HEIGHT = 1.35

/** A note, or a rest, as a bracket sees it: where it stands, and how far it reaches. */
export interface Spanned {
  readonly left: number
  readonly right: number
  readonly reach: number
}

/**
 * Numbers over notes, or under them (`side` 1), each beyond all that its notes reach to; inner brackets
 * before outer ones. A number stands bare where one beam has just its notes, else in a bracket.
 */
export function tupletShapes(
  tuplets: readonly StaffTuplet[],
  notes: readonly Spanned[],
  beams: readonly (readonly number[])[],
  side: -1 | 1,
  limit: number,
): Shape[] {
  const reach = notes.map((note) => note.reach)
  const outermost = side < 0 ? Math.min : Math.max
  const inner = [...tuplets].sort((a, b) => a.to - a.from - (b.to - b.from))
  return inner.flatMap(({ from, to, notes: number }) => {
    const [first, last] = [notes[from], notes[to]]
    if (!first || !last) return []
    const beyond = outermost(...reach.slice(from, to + 1))
    const y = limited(beyond + side * (GAP + HEIGHT / 2), side, limit)
    reach.fill(y + (side * HEIGHT) / 2, from, to + 1)
    const bare = beams.some((beam) => beam[0] === from && beam.at(-1) === to)
    const middle = (first.left + last.right) / 2
    return [
      ...numberShapes(number, middle, y),
      ...(bare ? [] : bracketShapes(first.left, last.right, y, side, numberWidth(number))),
    ]
  })
}

function limited(y: number, side: -1 | 1, limit: number): number {
  return side < 0 ? Math.max(limit, y) : Math.min(limit, y)
}

function numberWidth(number: number): number {
  return digitGlyphs('tuplet', number).reduce((sum, name) => sum + glyphWidth(name) * SIZE, 0)
}

/** A number in the digits of the music font, its middle at a point. */
function numberShapes(number: number, middle: number, y: number): Shape[] {
  let x = middle - numberWidth(number) / 2
  return digitGlyphs('tuplet', number).map((name): Shape => {
    const { box } = glyphOf(name)
    const at = [x - box[0] * SIZE, y - ((box[1] + box[3]) / 2) * SIZE] as const
    x += glyphWidth(name) * SIZE
    return { kind: 'glyph', name, at, size: SIZE }
  })
}

/** Two lines with hooks towards the notes, and room for the number between them. */
function bracketShapes(left: number, right: number, y: number, side: -1 | 1, gap: number): Shape[] {
  const middle = (left + right) / 2
  const room = gap / 2 + 0.25
  const line = (from: readonly [number, number], to: readonly [number, number]): Shape => ({
    kind: 'line',
    from,
    to,
    width: BRACKET,
  })
  const hook = (x: number) => line([x, y], [x, y - side * HOOK])
  const arms =
    right - left > 2 * room
      ? [line([left, y], [middle - room, y]), line([middle + room, y], [right, y])]
      : []
  return [hook(left), hook(right), ...arms]
}
