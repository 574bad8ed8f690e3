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

/** Where slots go when those of a range are replaced by so many: each new one stands for an old one. */
export function slotShift(
  { from, to }: { readonly from: number; readonly to: number },
  size: number,
): (slot: number) => number | null {
  return (slot) => {
    if (slot < from) return slot
    if (slot >= to) return slot + size - (to - from)
    return slot < from + size ? slot : null
  }
}
