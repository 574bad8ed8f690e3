import type { StaffNote } from '../engraving'
import type { HeadPlace } from '../kit'
import { flagGlyph, flagsOf, type GlyphName, glyphOf, glyphWidth, headGlyph } from './glyphs'
import {
  BEAM_STEP,
  HIGH_STEM_LENGTH,
  LEDGER,
  LEDGER_REACH,
  SHORTEST_STEM,
  STAFF_HEIGHT,
  STEM,
  STEM_LENGTH,
  stepY,
} from './measures'
import type { Figure, Shape } from './shape'

/** A head in its place: the glyph's origin in staff spaces. */
interface PlacedHead {
  readonly name: GlyphName
  readonly x: number
  readonly y: number
  readonly ghost: boolean
  readonly step: number
}

/** A note with its heads on its column, and where its stem would end by itself. */
export interface PlacedNote {
  readonly note: StaffNote
  readonly x: number
  readonly stem: 'up' | 'down'
  readonly heads: readonly PlacedHead[]
  /** The middle of the stem. */
  readonly stemX: number
  /** Where the stem meets the head that is farthest from its end. */
  readonly stemFrom: number
  readonly tip: number
  readonly left: number
  readonly right: number
}

/** The room a staff has: how high above its top line and how low under it anything may be drawn. */
export interface Room {
  readonly ceiling: number
  readonly floor: number
}

/**
 * Puts the heads of a note on its column: all on one side of the stem, but for the upper one of two
 * neighbours, or the second of two on one line or in one space, which stands on the other. Law: no head covers
 * another.
 */
export function placeNote(note: StaffNote, x: number, stem: 'up' | 'down', room: Room): PlacedNote {
  // From the head at the stem's beginning to the one at its end.
  const sorted = [...note.heads].sort((a, b) => (stem === 'up' ? a.step - b.step : b.step - a.step))
  const names = sorted.map(({ shape }) => headGlyph(shape, note.value))
  const first = names[0] as GlyphName
  const joint = (name: GlyphName) => {
    const anchor = glyphOf(name)[stem]
    return anchor ? anchor[0] : stem === 'up' ? glyphWidth(name) : 0
  }
  const side = stem === 'up' ? 1 : -1
  const stemX = x - glyphWidth(first) / 2 + joint(first) - (side * STEM) / 2
  // A head stands on the stem's own side, else across it, else beyond whatever is in its way.
  const heads: PlacedHead[] = []
  for (const [i, head] of sorted.entries()) {
    const name = names[i] as GlyphName
    const width = glyphWidth(name)
    const near = heads.filter((other) => Math.abs(other.step - head.step) <= 1)
    const covers = (left: number) =>
      near.some((other) => {
        const right = other.x + glyphWidth(other.name)
        return Math.min(left + width, right) - Math.max(left, other.x) > 2 * STEM
      })
    const own = stemX + (side * STEM) / 2 - joint(name)
    const across = stem === 'up' ? stemX - STEM / 2 : stemX + STEM / 2 - width
    const beyond =
      stem === 'up'
        ? Math.max(...near.map((other) => other.x + glyphWidth(other.name)))
        : Math.min(...near.map((other) => other.x)) - width
    const left = [own, across].find((x) => !covers(x)) ?? beyond
    heads.push({ name, x: left, y: stepY(head.step), ghost: head.ghost, step: head.step })
  }
  const near = heads[0] as PlacedHead
  const far = heads.at(-1) as PlacedHead
  return {
    note,
    x,
    stem,
    heads,
    stemX,
    stemFrom: near.y + (glyphOf(near.name)[stem]?.[1] ?? 0),
    tip: stemTip(far.y, flagsOf(note.value), stem, room),
    left: Math.min(...heads.map((head) => head.x)) - (heads.some(({ ghost }) => ghost) ? GHOST : 0),
    right: Math.max(...heads.map((head) => head.x + glyphWidth(head.name))),
  }
}

/** How wide a bracket around a ghost is, with its gap. */
const GHOST = glyphWidth('noteheadParenthesisLeft') + 0.12

/**
 * Where a stem ends: so far from the last head that its flags have room, at the middle line at least,
 * and within the room there is.
 */
function stemTip(y: number, flags: number, stem: 'up' | 'down', { ceiling, floor }: Room): number {
  const more = Math.max(0, flags - 2) * BEAM_STEP
  const middle = STAFF_HEIGHT / 2
  if (stem === 'up') {
    const length = y < -0.25 ? HIGH_STEM_LENGTH : STEM_LENGTH
    const wanted = Math.max(ceiling, Math.min(middle, y - length - more))
    return Math.min(wanted, y - SHORTEST_STEM)
  }
  const length = y > STAFF_HEIGHT + 0.25 ? HIGH_STEM_LENGTH : STEM_LENGTH
  const wanted = Math.min(floor, Math.max(middle, y + length + more))
  return Math.max(wanted, y + SHORTEST_STEM)
}

/** Heads, ledger lines, brackets of ghosts and dots of a note. */
export function headShapes({ heads, note }: PlacedNote): Shape[] {
  return heads.flatMap((head): Shape[] => {
    const width = glyphWidth(head.name)
    const glyph = (name: GlyphName, x: number, y = head.y): Shape => ({
      kind: 'glyph',
      name,
      at: [x, y],
      size: 1,
    })
    const brackets: Shape[] = head.ghost
      ? [
          glyph('noteheadParenthesisLeft', head.x - GHOST),
          glyph('noteheadParenthesisRight', head.x + width + 0.12),
        ]
      : []
    // A dot on a line would be lost in it: it stands in the space above.
    const dotY = head.step % 2 === 0 ? head.y - 0.5 : head.y
    const dotX = head.x + width + (head.ghost ? GHOST + 0.1 : 0) + 0.35
    // Heads side by side have one dot, behind the last of them.
    const isLast = heads.every((other) => other.step !== head.step || other.x <= head.x)
    const dots = note.dots === 1 && isLast ? [glyph('augmentationDot', dotX, dotY)] : []
    return [...ledgerLines(head, width), glyph(head.name, head.x), ...brackets, ...dots]
  })
}

/** A head by itself on its column, for a key to the staff. */
export function headFigure(place: HeadPlace, x: number): Figure {
  const name = headGlyph(place.shape, 4)
  const left = x - glyphWidth(name) / 2
  const lines = ledgerLines({ step: place.step, x: left }, glyphWidth(name))
  return {
    part: 'note',
    shapes: [...lines, { kind: 'glyph', name, at: [left, stepY(place.step)], size: 1 }],
  }
}

/** The lines that a head outside of the staff stands on. */
function ledgerLines({ step, x }: { step: number; x: number }, width: number): Shape[] {
  const steps: number[] = []
  for (let at = 10; at <= step; at += 2) steps.push(at)
  for (let at = -2; at >= step; at -= 2) steps.push(at)
  return steps.map((at) => ({
    kind: 'line',
    from: [x - LEDGER_REACH, stepY(at)],
    to: [x + width + LEDGER_REACH, stepY(at)],
    width: LEDGER,
  }))
}

/** The stem from the first head to `tip`; a whole note has none. */
export function stemShapes({ note, stemX, stemFrom }: PlacedNote, tip: number): Shape[] {
  if (note.value < 2) return []
  return [{ kind: 'line', from: [stemX, stemFrom], to: [stemX, tip], width: STEM }]
}

/** The flags of a note that hangs on no beam. */
export function flagShapes({ note, stem, stemX, tip }: PlacedNote): Shape[] {
  const name = flagGlyph(note.value, stem)
  return name ? [{ kind: 'glyph', name, at: [stemX - STEM / 2, tip], size: 1 }] : []
}

/** An accent beyond the end of the stem. */
export function markShapes({ note, x, stem }: PlacedNote, tip: number): Shape[] {
  if (!note.mark) return []
  const name = note.mark === 'strong' ? 'articMarcatoAbove' : 'articAccentAbove'
  const { box } = glyphOf(name)
  const y = stem === 'up' ? tip - MARK_GAP : tip + MARK_GAP - box[1]
  return [{ kind: 'glyph', name, at: [x - (box[0] + box[2]) / 2, y], size: 1 }]
}

const MARK_GAP = 0.35

/** How far an accent reaches beyond the end of its stem; 0 without one. */
export function markReach({ note }: PlacedNote): number {
  if (!note.mark) return 0
  const { box } = glyphOf(note.mark === 'strong' ? 'articMarcatoAbove' : 'articAccentAbove')
  return MARK_GAP + box[3] - box[1]
}

/** How far a note reaches to the left and right of its column, with all that hangs on it. */
export function noteReach(note: StaffNote): { left: number; right: number } {
  if (note.kind !== 'note') return { left: 0.7, right: note.dots === 1 ? 1.3 : 0.7 }
  const at = placeNote(note, 0, 'up', { ceiling: -100, floor: 100 })
  const graces = note.graces ? 1.1 + (note.graces.count - 1) * 0.95 : 0
  const ghost = note.heads.some((head) => head.ghost) ? GHOST : 0
  const flag = note.value >= 8 ? 0.4 : 0
  return {
    left: graces - at.left,
    right: at.right + Math.max(ghost, flag) + (note.dots ? 0.75 : 0),
  }
}
