import type { Hairpin, Lick } from '../line'
import { type Level, strokesInSlot } from '../sticking'
import type { SlotRange } from './phrase'
import { mapSlot, type SlotMap } from './slot-map'

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
export function removeSwell(lick: Lick, swell: Hairpin): Lick {
  return withSwells(
    lick,
    lick.frame.swells.filter((kept) => kept !== swell),
  )
}

/**
 * How many strokes of a range a swell would change: those without a level of their own.
 *
 * @example plainStrokes(lickOf('line: R>Lr'), { from: 0, to: 3 }) // 1
 */
export function plainStrokes({ line }: Lick, { from, to }: SlotRange): number {
  return line.slots
    .slice(from, to)
    .flatMap((slot) => strokesInSlot(slot))
    .filter(({ stroke }) => stroke.level === 'tap').length
}

/**
 * Swells, or named parts, moved with their slots (both ends included): each over the stretch that its slots stand in now, without the copies
 * of a repeat; one whose slots are gone goes.
 */
export function moveSpans<Span extends { readonly from: number; readonly to: number }>(
  spans: readonly Span[],
  map: SlotMap,
): readonly Span[] {
  return spans.flatMap((span) => {
    const went: number[] = []
    for (let slot = span.from; slot <= span.to; slot += 1) {
      const to = mapSlot(map, slot)
      if (to !== null) went.push(to)
    }
    if (went.length === 0) return []
    return [{ ...span, from: Math.min(...went), to: Math.max(...went) }]
  })
}

function withSwells(lick: Lick, swells: readonly Hairpin[]): Lick {
  return { ...lick, frame: { ...lick.frame, swells } }
}
