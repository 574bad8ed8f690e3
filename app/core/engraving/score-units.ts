import type { StaffKey } from '../kit'
import type { ScoreBar, ScoreVoice } from './score'
import { type StaffUnit, toNote } from './staff'

/**
 * A bar of a score as units of staff, drawn over each other: its own voice with its rests, and the
 * strokes of a pick-up and of each layer under it. Ticks as in the bar.
 */
export function scoreUnits(bar: ScoreBar, key?: StaffKey): StaffUnit[] {
  const { from, to } = bar
  const unit = (upper: ScoreVoice, lower: ScoreVoice): StaffUnit => ({
    from,
    to,
    notes: upper.atoms.map((atom) => toNote(atom, key)),
    beams: upper.beams,
    tuplets: upper.tuplets,
    feet: lower.atoms.map((atom) => toNote(atom, key)),
    feetBeams: lower.beams,
    feetTuplets: lower.tuplets,
  })
  const others = [
    unit(struckOnly(bar.pickup), SILENT),
    ...bar.layers.map((layer) => unit(SILENT, struckOnly(layer))),
  ]
  return [
    unit(bar.line, SILENT),
    ...others.filter(({ notes, feet }) => notes.length + feet.length > 0),
  ]
}

const SILENT: ScoreVoice = { atoms: [], beams: [], tuplets: [] }

/** A voice without its rests; what reaches from one note to another goes on doing so. */
function struckOnly({ atoms, beams, tuplets }: ScoreVoice): ScoreVoice {
  const places = new Map<number, number>()
  for (const [i, { kind }] of atoms.entries()) if (kind === 'strokes') places.set(i, places.size)
  const within = (from: number, to: number) =>
    [...places].filter(([i]) => i >= from && i <= to).map(([, place]) => place)
  return {
    atoms: atoms.filter(({ kind }) => kind === 'strokes'),
    beams: beams.map((beam) => beam.flatMap((i) => places.get(i) ?? [])),
    tuplets: tuplets.flatMap((tuplet) => {
      const inside = within(tuplet.from, tuplet.to)
      const [from, to] = [inside[0], inside.at(-1)]
      return from === undefined || to === undefined ? [] : [{ ...tuplet, from, to }]
    }),
  }
}
