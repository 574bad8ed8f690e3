import type { Lick, Swell } from '../line'
import { type Level, strokesInSlot } from '../sticking'
import type { SlotRange } from './phrase'

/**
 * A lick whose plain strokes in a range change evenly from one level to another. Swells that lie
 * wholly in the range would no longer be heard, and go; others are heard where they reach beyond it.
 * Example: `RLRLR` with slots 0 to 5 from ghost to accent plays 36 55 74 93 112.
 * @throws RangeError for a range without a slot
 */
export function addSwell(lick: Lick, { from, to }: SlotRange, start: Level, end: Level): Lick {
  if (to <= from) throw new RangeError(`swell over slots ${from} to ${to}: none`)
  const beyond = lick.frame.swells.filter((swell) => swell.from < from || swell.to >= to)
  return withSwells(lick, [...beyond, { from, to: to - 1, start, end }])
}

/** A lick without one of its swells. */
export function removeSwell(lick: Lick, swell: Swell): Lick {
  return withSwells(
    lick,
    lick.frame.swells.filter((kept) => kept !== swell),
  )
}

/** How many strokes of a range a swell would change: those without a level of their own. */
export function plainStrokes({ line }: Lick, { from, to }: SlotRange): number {
  return line.slots
    .slice(from, to)
    .flatMap((slot) => strokesInSlot(slot))
    .filter(({ stroke }) => stroke.level === 'tap').length
}

/** Swells moved with their slots, as a function says where each went; one without slots left goes. */
export function moveSwells(
  swells: readonly Swell[],
  to: (slot: number) => number | null,
): readonly Swell[] {
  return swells.flatMap((swell) => {
    const slots: number[] = []
    for (let slot = swell.from; slot <= swell.to; slot += 1) {
      const went = to(slot)
      if (went !== null) slots.push(went)
    }
    const [from, last] = [slots[0], slots.at(-1)]
    return from === undefined || last === undefined ? [] : [{ ...swell, from, to: last }]
  })
}

function withSwells(lick: Lick, swells: readonly Swell[]): Lick {
  return { ...lick, frame: { ...lick.frame, swells } }
}
