import type { Lick, Ostinato } from '../line'
import { REST, strokeLimb, strokesInSlot, toStroke } from '../sticking'
import {
  barTicks,
  beatTicks,
  gridTicks,
  groupStarts,
  type Meter,
  type Ticks,
  unitTicks,
} from '../time'

/** Where the hi-hat foot goes under a line: on its beats, on every second one, or between them. */
export const PULSES = ['beats', 'second', 'between'] as const
export type Pulse = (typeof PULSES)[number]

/**
 * The hi-hat foot on the pulse, a bar long. Beats are those of the metre, in metres of eighths and sixteenths the
 * felt groups; between them is the middle of a beat, of a group its last slot.
 *
 * @example `@1/4 H` in 4/4, `@1/8 H-H-H--` in 7/8; on every second `@1/4 -H`; between `@1/8 -H` and `@1/8 -H-H--H`
 */
export function pulseOf(meter: Meter, where: Pulse = 'beats'): Ostinato {
  const beat = beatTicks(meter)
  const bar = barTicks(meter)
  const felt = meter.unit >= 8
  const starts = felt
    ? groupStarts(meter)
    : Array.from({ length: Math.round(bar / beat) }, (_, i) => i * beat)
  const last = (i: number) => (starts[i + 1] ?? bar) - unitTicks(meter)
  const struck = new Set(
    {
      beats: starts,
      second: starts.filter((_, i) => i % 2 === 1),
      between: starts.map((start, i) => (felt ? last(i) : start + beat / 2)),
    }[where],
  )
  return footOn(meter, (tick) => struck.has(tick), where === 'between' && !felt)
}

/** The hi-hat foot on the first beat of every bar alone. Example: `@1/4 H---` in 4/4. */
export function barPulseOf(meter: Meter): Ostinato {
  return footOn(meter, (tick) => tick === 0)
}

/** The grid that a beat's note is written on, and the one of its half; halves of a bar are written in quarters. */
const HALVES = { 2: [4, 4], 4: [4, 8], 8: [8, 16], 16: [16, 32] } as const

/** A bar of the hi-hat foot, struck at some of its beats. */
function footOn(
  meter: Meter,
  isStruck: (tick: Ticks) => boolean,
  /** Whether it needs slots of half a beat. */
  halved = false,
): Ostinato {
  const value = HALVES[meter.unit][halved && meter.unit > 2 ? 1 : 0]
  const grid = { value, tuplet: null } as const
  const slot = gridTicks(grid)
  const slots = Array.from({ length: barTicks(meter) / slot }, (_, i) =>
    isStruck(i * slot) ? ({ kind: 'struck', strokes: [toStroke('H')] } as const) : REST,
  )
  return { scope: 'all', grid, line: { slots, groups: [slots.length], gridChanges: [] } }
}

/**
 * A lick with the pulse under it; undefined where its second foot has a part of its own.
 *
 * @example findPulsed(lickOf('line: RLRL*4')).ostinatos.length // 1
 */
export function findPulsed(lick: Lick, where: Pulse = 'beats'): Lick | undefined {
  const lines = [lick.line, ...lick.ostinatos.map(({ line }) => line)]
  const busy = lines.some(({ slots }) =>
    slots.some((slot) => strokesInSlot(slot).some(({ stroke }) => strokeLimb(stroke) === 'LF')),
  )
  return busy
    ? undefined
    : { ...lick, ostinatos: [...lick.ostinatos, pulseOf(lick.frame.meter, where)] }
}
