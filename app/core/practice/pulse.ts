import type { Lick, Ostinato } from '../line'
import { REST, strokeLimb, strokesInSlot, toStroke } from '../sticking'
import { barTicks, beatTicks, gridTicks, groupStarts, type Meter, type Ticks } from '../time'

/**
 * The hi-hat foot on the pulse: on every beat, in metres of eighths and sixteenths where the felt
 * groups begin. Example: `@1/4 H` a bar long in 4/4, `@1/8 H-H-H--` in 7/8.
 */
export function pulseOf(meter: Meter): Ostinato {
  const beat = beatTicks(meter)
  const felt = new Set(meter.unit >= 8 ? groupStarts(meter) : [])
  return footOn(meter, (tick) => (meter.unit >= 8 ? felt.has(tick) : tick % beat === 0))
}

/** The hi-hat foot on the first beat of every bar alone. Example: `@1/4 H---` in 4/4. */
export function barPulseOf(meter: Meter): Ostinato {
  return footOn(meter, (tick) => tick === 0)
}

/** A bar of the hi-hat foot, struck at some of its beats. */
function footOn(meter: Meter, isStruck: (tick: Ticks) => boolean): Ostinato {
  const value = meter.unit === 2 ? 4 : meter.unit
  const grid = { value, tuplet: null } as const
  const slot = gridTicks(grid)
  const slots = Array.from({ length: barTicks(meter) / slot }, (_, i) =>
    isStruck(i * slot) ? ({ kind: 'struck', strokes: [toStroke('H')] } as const) : REST,
  )
  return { scope: 'all', grid, line: { slots, groups: [slots.length], gridChanges: [] } }
}

/** A lick with the pulse under it; undefined where its second foot has a part of its own. */
export function findPulsed(lick: Lick): Lick | undefined {
  const lines = [lick.line, ...lick.ostinatos.map(({ line }) => line)]
  const busy = lines.some(({ slots }) =>
    slots.some((slot) => strokesInSlot(slot).some(({ stroke }) => strokeLimb(stroke) === 'LF')),
  )
  return busy ? undefined : { ...lick, ostinatos: [...lick.ostinatos, pulseOf(lick.frame.meter)] }
}
