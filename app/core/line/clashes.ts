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

/** Every instant at which one limb is asked for twice between line and ostinatos. */
export function limbClashes(lick: Lick): Clash[] {
  if (lick.ostinatos.length === 0) return []
  const clashes: Clash[] = []
  let onset: StrokeEvent[] = []
  const close = () => {
    for (const limb of onset.length > 1 ? new Set(onset.map((event) => event.limb)) : []) {
      const ostinatos = onset.filter((event) => event.limb === limb).map(({ layer }) => layer)
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
