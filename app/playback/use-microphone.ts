import { useCallback, useEffect, useRef, useState } from 'react'
import type { HeardDevice, KitStrike, SoundEars } from '~/audio'
import type { Settings } from '~/storage'
import { Ears, type EarsState, type Opened } from './ears'

interface Heard {
  /** A stroke on the page's clock, in milliseconds, 1 to 127 loud, and how sharply it begins, in decibels. */
  readonly onStroke: (at: number, velocity: number, attackDb: number) => void
  /** Sound was lost on its way. */
  readonly onLost: () => void
}

/** The level of a microphone, ten times a second: only the meter is drawn for it, and not the page. */
export class Level {
  private db = -120
  private readonly listeners = new Set<() => void>()

  readonly get = (): number => this.db

  set(db: number): void {
    this.db = db
    for (const listener of this.listeners) listener()
  }

  readonly subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener)
    return () => this.listeners.delete(listener)
  }
}

/** The delay of a microphone, in milliseconds: 0 where it was measured of another one, or never. */
export function micDelay(
  { tapDelays, micDevice }: Pick<Settings, 'tapDelays' | 'micDevice'>,
  device: HeardDevice | undefined,
): number {
  return device === undefined || device.id === micDevice ? tapDelays.mic : 0
}

/** The settings once the delay of a microphone was measured, in milliseconds. */
export function withMicDelay(
  { tapDelays }: Pick<Settings, 'tapDelays'>,
  device: HeardDevice | undefined,
  mic: number,
): Pick<Settings, 'tapDelays' | 'micDevice'> {
  return { tapDelays: { ...tapDelays, mic }, micDevice: device?.id ?? '' }
}

/** What is listened to: the microphone at the kit, or a simulated kit before one. */
export type HeardThing = 'mic' | 'simulated'

async function open(thing: HeardThing, ears: SoundEars): Promise<Opened> {
  const { findDelay, renderKit } = await import('~/workers')
  if (thing === 'mic') {
    const { Microphone } = await import('~/audio/microphone')
    return Microphone.open(ears, findDelay)
  }
  const { SimulatedKit } = await import('~/audio/simulated-kit')
  return SimulatedKit.open(ears, renderKit)
}

/**
 * The sound of what is wanted, null for nothing: its code is fetched then, and for the microphone the player
 * is asked then.
 */
export function useMicrophone(wanted: HeardThing | null, heard: Heard) {
  const [state, setState] = useState<EarsState>('off')
  const [level] = useState(() => new Level())
  const newest = useRef({ heard, wanted })
  newest.current = { heard, wanted }
  const [ears] = useState(
    () => new Ears((tellings) => open(newest.current.wanted ?? 'mic', tellings), setState),
  )
  useEffect(() => {
    if (!wanted) return
    void ears.want({
      onStroke: (at, velocity, attackDb) => newest.current.heard.onStroke(at, velocity, attackDb),
      onLevel: (db, lost) => {
        level.set(db)
        if (lost) newest.current.heard.onLost()
      },
    })
    return () => ears.letGo()
  }, [wanted, ears, level])
  const measure = useCallback(() => ears.measureDelay(), [ears])
  const strike = useCallback((struck: KitStrike) => ears.strike(struck), [ears])
  // Known once it is heard; what is heard is told by the state.
  const device = state === 'hearing' ? ears.device : undefined
  return { state, level, device, measure, strike }
}
