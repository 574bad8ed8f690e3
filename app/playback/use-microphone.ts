import { useCallback, useEffect, useRef, useState } from 'react'
import { Ears, type EarsState } from './ears'

interface Heard {
  /** A stroke on the page's clock, in milliseconds, 1 to 127 loud. */
  readonly onStroke: (at: number, velocity: number) => void
  /** Sound was lost on its way. */
  readonly onLost: () => void
}

/** The microphone while it is wanted; its code is fetched then, and the player is asked then. */
export function useMicrophone(wanted: boolean, heard: Heard) {
  const [state, setState] = useState<EarsState>('off')
  const [level, setLevel] = useState(-120)
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
        setLevel(db)
        if (lost) newest.current.onLost()
      },
    })
    return () => ears.letGo()
  }, [wanted, ears])
  const measure = useCallback(() => ears.measureDelay(), [ears])
  return { state, level, measure }
}
