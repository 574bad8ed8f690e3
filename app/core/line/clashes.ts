import type { Limb } from '../sticking'
import type { Ticks } from '../time'
import { type StrokeEvent, strokeEvents } from './events'
import type { Lick } from './lick'

/** A limb that the line and a layer, or two ostinatos, want at the same tick. */
export interface Clash {
  readonly tick: Ticks
  readonly limb: Limb
  readonly ostinatos: readonly number[]
}

/**
 * Every instant at which one limb is asked for twice between line and ostinatos, graces counted: a hand that is
 * about to strike has no time for the grace of the other.
 *
 * @example `line: fL` over `under: R:rd` asks the right hand for a grace and for the ride
 */
export function limbClashes(lick: Lick): Clash[] {
  if (lick.ostinatos.length === 0) return []
  const clashes: Clash[] = []
  let onset: StrokeEvent[] = []
  const close = () => {
    for (const limb of onset.length > 1 ? new Set(onset.flatMap(limbsOf)) : []) {
      const wanting = onset.filter((event) => limbsOf(event).includes(limb))
      const ostinatos = [...new Set(wanting.map(({ layer }) => layer))]
      const [first] = onset
      if (ostinatos.length > 1 && first) clashes.push({ tick: first.tick, limb, ostinatos })
    }
  }
  for (const event of strokeEvents(lick)) {
    if (event.tick !== onset[0]?.tick) {
      close()
      onset = []
    }
    onset.push(event)
  }
  close()
  return clashes
}

/** The limbs that a stroke needs: its own, and the one that plays its graces. */
function limbsOf({ limb, graceLimb }: StrokeEvent): Limb[] {
  return graceLimb ? [limb, graceLimb] : [limb]
}
