import { toRandomStream } from '~/core/foundation'
import type { Surface } from '~/core/sticking'
import type { MadeStroke } from './recordings'

/** The surfaces of a small kit, the snare twice as often. */
export const SMALL_KIT: readonly Surface[] = ['sn', 'sn', 't1', 't2', 'f1', 'hh', 'bd']

/** So many strokes a second on some surfaces, a human 8 ms about their places: the same for the same seed. */
export function madeLine(
  perSecond: number,
  count: number,
  seed: number,
  surfaces: readonly Surface[] = SMALL_KIT,
): MadeStroke[] {
  const random = toRandomStream(seed)
  return Array.from({ length: count }, (_, i) => ({
    seconds: 0.5 + i / perSecond + (random() - 0.5) * 0.016,
    surface: surfaces[Math.floor(random() * surfaces.length)] ?? 'sn',
    velocity: 72 + Math.round(random() * 16),
  }))
}
