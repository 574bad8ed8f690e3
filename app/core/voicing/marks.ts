import type { Voicing } from './rule'

/** Whether anything of a voicing hangs on single slots: pins or notes. */
export function hasMarks({ pins, notes = [] }: Voicing): boolean {
  return pins.length + notes.length > 0
}

/**
 * Pins and notes moved with their strokes, as a function says where each slot went; those of slots
 * that are gone go too, and where two would meet the first stays.
 */
export function moveMarks(voicing: Voicing, to: (slot: number) => number | null): Voicing {
  const moved = <T extends { readonly slot: number }>(marks: readonly T[]): T[] => {
    const bySlot = new Map<number, T>()
    for (const mark of marks) {
      const slot = to(mark.slot)
      if (slot !== null && !bySlot.has(slot)) bySlot.set(slot, { ...mark, slot })
    }
    return [...bySlot.values()].sort((a, b) => a.slot - b.slot)
  }
  const { pins, notes } = voicing
  return { ...voicing, pins: moved(pins), ...(notes && { notes: moved(notes) }) }
}
