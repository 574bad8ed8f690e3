import { mapSlot, type SlotMap } from '../changes'
import type { Voicing } from './rule'

/** Whether anything of a voicing hangs on single slots: pins or notes. */
export function hasMarks({ pins, notes = [] }: Voicing): boolean {
  return pins.length + notes.length > 0
}

/**
 * Pins and notes moved with their strokes. A pin, being how a stroke is played, goes to every copy of a
 * stroke that is repeated; a note stays with the first. Those of slots that are gone go too. A mark
 * beyond the end of the line waits there for strokes to come.
 */
export function moveMarks(voicing: Voicing, map: SlotMap): Voicing {
  const { pins, notes } = voicing
  const bySlot = <T extends { readonly slot: number }>(marks: readonly T[]) =>
    new Map(marks.map((mark) => [mark.slot, mark]))
  const beyond = <T extends { readonly slot: number }>(
    marks: readonly T[],
    taken: ReadonlySet<number>,
  ) => marks.filter(({ slot }) => slot >= map.before && !taken.has(slot))
  const known = bySlot(pins)
  const moved = map.origins.flatMap((origin, slot) => {
    const pin = origin === null ? undefined : known.get(origin)
    return pin ? [{ ...pin, slot }] : []
  })
  const pinned = new Set(moved.map(({ slot }) => slot))
  const told = new Set<number>()
  const noted = notes?.flatMap((note) => {
    const slot = note.slot < map.before ? mapSlot(map, note.slot) : null
    if (slot === null || told.has(slot)) return []
    told.add(slot)
    return [{ ...note, slot }]
  })
  const inOrder = <T extends { readonly slot: number }>(marks: readonly T[]) =>
    [...marks].sort((a, b) => a.slot - b.slot)
  return {
    ...voicing,
    pins: inOrder([...moved, ...beyond(pins, pinned)]),
    ...(notes && noted && { notes: inOrder([...noted, ...beyond(notes, told)]) }),
  }
}
