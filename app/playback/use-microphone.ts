import { useCallback, useEffect, useRef, useState } from 'react'
import { Ears, type EarsState } from './ears'

interface Heard {
  /** A stroke on the page's clock, in milliseconds, 1 to 127 loud. */
  readonly onStroke: (at: number, velocity: number) => void
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

/** The microphone while it is wanted; its code is fetched then, and the player is asked then. */
export function useMicrophone(wanted: boolean, heard: Heard) {
  const [state, setState] = useState<EarsState>('off')
  const [level] = useState(() => new Level())
  const newest = useRef(heard)
  newest.current = heard
  const [ears] = useState(
    () =>
      new Ears(async (tellings) => {
        const { Microphone } = await import('~/audio/microphone')
        return Microphone.open(tellings)
      }, setState),
  )
  useEffect(() => {
    if (!wanted) return
    void ears.want({
      onStroke: (at, velocity) => newest.current.onStroke(at, velocity),
      onLevel: (db, lost) => {
        level.set(db)
        if (lost) newest.current.onLost()
      },
    })
    return () => ears.letGo()
  }, [wanted, ears, level])
  const measure = useCallback(() => ears.measureDelay(), [ears])
  return { state, level, measure }
}
