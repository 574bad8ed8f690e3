import type { StrokeNote, Voicing } from '~/core/voicing'

/** A voicing with a note at a slot, in place of the one there; an empty text takes it away. */
export function withNote(voicing: Voicing, slot: number, text: string): Voicing {
  const others = (voicing.notes ?? []).filter((note) => note.slot !== slot)
  const trimmed = text.trim()
  const notes = trimmed === '' ? others : [...others, { slot, text: trimmed }]
  return { ...voicing, notes: notes.sort((a, b) => a.slot - b.slot) }
}

/** The notes of a range of slots, in order. */
export function notesIn(
  { notes = [] }: Voicing,
  { from, to }: { readonly from: number; readonly to: number },
): StrokeNote[] {
  return notes.filter(({ slot }) => slot >= from && slot < to)
}

/** A voicing with a note for the whole lick; an empty text takes it away. */
export function withAbout({ about: _old, ...voicing }: Voicing, text: string): Voicing {
  return text.trim() === '' ? voicing : { ...voicing, about: text }
}
