import { useCallback, useEffect, useRef } from 'react'
import type { Position } from '~/core/performance'
import type { Limb } from '~/core/sticking'
import { listenToPads } from '~/devices/pads'

/** Keys by the place of the hands on them, and what is struck on the screen. */
export const STRIKE_KEYS: readonly {
  readonly limb: Limb
  readonly name: string
  readonly code: string
  readonly key: string
}[] = [
  { limb: 'LH', name: 'Left', code: 'KeyF', key: 'F' },
  { limb: 'RH', name: 'Right', code: 'KeyJ', key: 'J' },
  { limb: 'RF', name: 'Kick', code: 'KeyB', key: 'B' },
  { limb: 'LF', name: 'Hi-hat', code: 'KeyN', key: 'N' },
]
/** Notes of pads that are played by a foot; all others by a hand that cannot be told. */
const FOOT_NOTES: Readonly<Record<number, Limb>> = { 35: 'RF', 36: 'RF', 44: 'LF' }

/** Where a stroke comes from; each has a delay of its own. */
export type StrikeSource = 'keys' | 'pads' | 'mic'

/** A stroke of the player, and where the music was when it was struck. */
export interface Struck {
  readonly at: Position
  /** Undefined for a hand that cannot be told. */
  readonly limb: Limb | undefined
  readonly from: StrikeSource
  /** How hard, 1 to 127, where the source knows. */
  readonly velocity?: number
  /** The MIDI note of a pad. */
  readonly note?: number
}

/** Gives a stroke with its time on the page's clock: of a limb on screen, or of none by the microphone. */
export type Strike = (limb: Limb | undefined, stamp: number, velocity?: number) => void

/**
 * Hears strokes of the player by computer keys and MIDI pads while it is active, and those that are given to
 * what it returns, with their time stamps on the page's clock. Each is told with where the music was when it
 * was struck, and not when the page came to it.
 */
export function useStrikes(
  active: boolean,
  position: (ahead?: number) => Position | undefined,
  onStruck: (struck: Struck) => void,
): Strike {
  const newest = useRef({ position, onStruck })
  newest.current = { position, onStruck }
  const strike = useCallback((stamp: number, struck: Omit<Struck, 'at'>) => {
    const ago = Math.max(0, performance.now() - stamp) / 1000
    const at = newest.current.position(-ago)
    if (at && at.phase !== 'over') newest.current.onStruck({ ...struck, at })
  }, [])
  useEffect(() => {
    if (!active) return
    const press = (event: KeyboardEvent) => {
      const pad = STRIKE_KEYS.find(({ code }) => code === event.code)
      if (!pad || event.ctrlKey || event.altKey || event.metaKey || isTyped(event.target)) return
      event.preventDefault()
      event.stopPropagation()
      if (!event.repeat) strike(event.timeStamp, { limb: pad.limb, from: 'keys' })
    }
    // Before anything else on the page takes these letters for its own.
    window.addEventListener('keydown', press, { capture: true })
    const end = listenToPads(({ at, note, velocity }) =>
      strike(at, { limb: FOOT_NOTES[note], from: 'pads', velocity, note }),
    )
    return () => {
      window.removeEventListener('keydown', press, { capture: true })
      end()
    }
  }, [active, strike])
  return useCallback(
    (limb, stamp, velocity) =>
      strike(stamp, {
        limb,
        from: limb === undefined ? 'mic' : 'keys',
        ...(velocity !== undefined && { velocity }),
      }),
    [strike],
  )
}

/** Whether letters go into what has the focus, as words. */
function isTyped(target: EventTarget | null): boolean {
  if (target instanceof HTMLTextAreaElement) return true
  return target instanceof HTMLInputElement && ['text', 'search'].includes(target.type)
}
