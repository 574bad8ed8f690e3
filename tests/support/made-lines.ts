import { toRandomStream } from '~/core/foundation'
import type { Surface } from '~/core/sticking'
import type { MadeStroke } from './made-sound'

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

/** How much later than it is played a made click comes to the microphone, in seconds. */
const CLICK_LATE = 0.04

/**
 * A line after a count-in of four clicks, two a second, that go on beside it and come back to the microphone
 * so loud (1 to 127): when they were played, in seconds, and all that sounds.
 */
export function madeBesideClick(
  perSecond: number,
  count: number,
  seed: number,
  loud: number,
): { clicks: number[]; line: MadeStroke[]; sounding: MadeStroke[] } {
  const line = madeLine(perSecond, count, seed).map((one) => ({ ...one, seconds: one.seconds + 2 }))
  const clicks = Array.from(
    { length: 4 + Math.ceil((2 * count) / perSecond) },
    (_, i) => 0.5 + i / 2,
  )
  const bleed = clicks.map((seconds): MadeStroke => {
    return { seconds: seconds + CLICK_LATE, surface: 'sn', velocity: loud, click: true }
  })
  return { clicks, line, sounding: [...line, ...bleed].sort((a, b) => a.seconds - b.seconds) }
}
