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
    const from = firstKept(swell.from, swell.to, 1, to)
    const last = firstKept(swell.to, swell.from, -1, to)
    return from === null || last === null ? [] : [{ ...swell, from, to: last }]
  })
}

/** Where the first slot went that is not gone, on the way from one to another. */
function firstKept(
  from: number,
  until: number,
  step: 1 | -1,
  to: (slot: number) => number | null,
): number | null {
  for (let slot = from; slot !== until + step; slot += step) {
    const went = to(slot)
    if (went !== null) return went
  }
  return null
}

function withSwells(lick: Lick, swells: readonly Swell[]): Lick {
  return { ...lick, frame: { ...lick.frame, swells } }
}
