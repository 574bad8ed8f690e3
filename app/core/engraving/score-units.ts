import type { StaffKey } from '../kit'
import type { Ticks } from '../time'
import type { ScoreBar, ScoreVoice } from './score'
import { type StaffNote, type StaffUnit, toNote } from './staff'

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
    unit(struckOnly(bar.over), SILENT),
    ...bar.layers.map((layer) => unit(SILENT, struckOnly(layer))),
  ]
  return [
    unit(bar.line, SILENT),
    ...others.filter(({ notes, feet }) => notes.length + feet.length > 0),
  ]
}

const SILENT: ScoreVoice = { atoms: [], beams: [], tuplets: [] }

/** A voice without its rests; what reaches from one note to another goes on doing so. */
function struckOnly({ atoms, ...over }: ScoreVoice): ScoreVoice {
  const { kept, ...rest } = thinned(atoms, over, ({ kind }) => kind === 'strokes')
  return { atoms: kept, ...rest }
}

/** The strokes of a unit between two ticks, without its rests, slashes and feet. */
export function strokesOf({ notes, ...unit }: StaffUnit, from: Ticks, to: Ticks): StaffUnit {
  const inside = ({ kind, tick }: StaffNote) => kind === 'note' && tick >= from && tick < to
  const { kept, beams, tuplets } = thinned(notes, unit, inside)
  return { from, to, notes: kept, beams, tuplets, feet: [], feetBeams: [], feetTuplets: [] }
}

/** Some of what stands in a row, with the beams and brackets that are left of them. */
function thinned<T>(
  all: readonly T[],
  { beams, tuplets }: Pick<ScoreVoice, 'beams' | 'tuplets'>,
  keep: (one: T) => boolean,
) {
  const places = new Map<number, number>()
  for (const [i, one] of all.entries()) if (keep(one)) places.set(i, places.size)
  const within = (from: number, to: number) =>
    [...places].filter(([i]) => i >= from && i <= to).map(([, place]) => place)
  return {
    kept: all.filter(keep),
    beams: beams.map((beam) => beam.flatMap((i) => places.get(i) ?? [])),
    tuplets: tuplets.flatMap((tuplet) => {
      const inside = within(tuplet.from, tuplet.to)
      const [from, to] = [inside[0], inside.at(-1)]
      return from === undefined || to === undefined ? [] : [{ ...tuplet, from, to }]
    }),
  }
}
