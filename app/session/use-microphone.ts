import { useEffect, useRef, useState } from 'react'
import type { HeardDevice, KitStrike, OnsetListener } from '~/audio'
import type { Settings } from '~/storage'
import { MicrophoneSession, type MicrophoneState, type Opened } from './microphone-session'

interface Heard {
  /** A stroke on the page's clock, in milliseconds, 1 to 127 loud, and how sharply it begins, in decibels. */
  readonly onStroke: (at: number, velocity: number, attackDb: number) => void
  /** Sound was lost on its way. */
  readonly onLost: () => void
  /** Sound as it came in, where it is wanted. */
  readonly onSound?: OnsetListener['onSound']
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

async function open(thing: HeardThing, ears: OnsetListener): Promise<Opened> {
  const { findDelay, kitMaker } = await import('~/workers')
  if (thing === 'mic') {
    const { Microphone } = await import('~/audio/microphone')
    return Microphone.open(ears, findDelay)
  }
  const { SimulatedKit } = await import('~/audio/simulated-kit')
  return SimulatedKit.open(ears, kitMaker)
}

/** What a microphone tells. */
interface MicrophoneTold extends Heard {
  readonly onState: (state: MicrophoneState) => void
}

/**
 * A microphone, or a simulated kit before one, for as long as it is wanted: its code is fetched then, and for
 * the microphone the player is asked then. What is open is always what was wanted last.
 */
export class Microphone {
  readonly level = new Level()
  private wanted: HeardThing | null = null
  private readonly session: MicrophoneSession

  constructor(private readonly told: MicrophoneTold) {
    this.session = new MicrophoneSession(
      (listener) => open(this.wanted ?? 'mic', listener),
      told.onState,
    )
  }

  get state(): MicrophoneState {
    return this.session.state
  }

  /** What is heard, once it is. */
  get device(): HeardDevice | undefined {
    return this.session.state === 'hearing' ? this.session.device : undefined
  }

  /** Listens to something; null for nothing. */
  want(thing: HeardThing | null): void {
    this.wanted = thing
    if (thing === null) {
      this.session.letGo()
      return
    }
    void this.session.want({
      onStroke: (at, velocity, attackDb) => this.told.onStroke(at, velocity, attackDb),
      ...(this.told.onSound && { onSound: this.told.onSound }),
      onLevel: (db, lost) => {
        this.level.set(db)
        if (lost) this.told.onLost()
      },
    })
  }

  /** How late sound comes back, in milliseconds; null where it is not heard. */
  readonly measure = (): Promise<number | null> => this.session.measureDelay()

  /** Strikes a simulated kit. */
  readonly strike = (struck: KitStrike): void => this.session.strike(struck)
}

/** The microphone of a page, opened while something is wanted. */
export function useMicrophone(wanted: HeardThing | null, heard: Heard): Microphone {
  const [, setState] = useState<MicrophoneState>('off')
  const newest = useRef(heard)
  newest.current = heard
  const [microphone] = useState(
    () =>
      new Microphone({
        onStroke: (at, velocity, attackDb) => newest.current.onStroke(at, velocity, attackDb),
        onLost: () => newest.current.onLost(),
        onState: setState,
      }),
  )
  useEffect(() => {
    if (!wanted) return
    microphone.want(wanted)
    return () => microphone.want(null)
  }, [wanted, microphone])
  return microphone
}
