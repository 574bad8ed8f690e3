import type { KitSound } from '../kit'
import type { Voice } from '../sticking'
import type { SoundEvent } from './events'
import type { Performance } from './performance'

/**
 * A performance as a kit sounds: every voice as the surface that stands in for it, or whose sound it
 * was given, and from where the piece stands; voices that are not named sound as themselves. Times, limbs and
 * levels stay.
 */
export function onKit(performance: Performance, { instead, pans }: KitSound): Performance {
  if (Object.keys(instead).length === 0) return { ...performance, pans }
  const sound = (voice: Voice): Voice => (voice === '??' ? voice : (instead[voice] ?? voice))
  const sounding = (event: SoundEvent): SoundEvent => {
    if (event.kind === 'click') return event
    if (event.kind === 'choke') return { ...event, surface: sound(event.surface) }
    const { graceSurface } = event
    const struck = { ...event, surface: sound(event.surface) }
    return graceSurface ? { ...struck, graceSurface: sound(graceSurface) } : struck
  }
  const mapped = new WeakMap<readonly SoundEvent[], readonly SoundEvent[]>()
  const known = (events: readonly SoundEvent[]) => {
    const before = mapped.get(events) ?? events.map(sounding)
    mapped.set(events, before)
    return before
  }
  return {
    ...performance,
    pans,
    round: (index) => known(performance.round(index)),
    ending: performance.ending.map(sounding),
  }
}
