import type { Limb } from '../sticking'
import type { Ticks } from '../time'
import { strokeEvents } from './events'
import type { Lick } from './lick'

/** A limb that the line and a layer, or two layers, want at the same tick. */
export interface Clash {
  readonly tick: Ticks
  readonly limb: Limb
  readonly layers: readonly number[]
}

/** Every instant at which one limb is asked for twice between line and layers. */
export function limbClashes(lick: Lick): Clash[] {
  if (lick.layers.length === 0) return []
  const wanted = new Map<string, { tick: Ticks; limb: Limb; layers: number[] }>()
  for (const { tick, limb, layer } of strokeEvents(lick)) {
    const key = `${tick} ${limb}`
    const entry = wanted.get(key)
    if (entry) entry.layers.push(layer)
    else wanted.set(key, { tick, limb, layers: [layer] })
  }
  return [...wanted.values()].filter(({ layers }) => layers.length > 1)
}
