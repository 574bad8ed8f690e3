import { useCallback, useLayoutEffect, useRef } from 'react'
import type { Position } from '~/core/performance'
import type { Limb } from '~/core/sticking'
import { listenToPads } from '~/devices/pads'
import { useSettings } from '~/live/use-live'
import type { Settings } from '~/storage'

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
/** Where a stroke comes from; each has a delay of its own. */
export type StrikeSource = 'keys' | 'pads' | 'mic'

/** A stroke of the player, as it comes in. */
export interface Stroke {
  /** When, in milliseconds on the page's clock. */
  readonly stamp: number
  /** Undefined for a hand that cannot be told. */
  readonly limb: Limb | undefined
  readonly from: StrikeSource
  /** How hard, 1 to 127, where the source knows. */
  readonly velocity?: number
  /** The MIDI note of a pad. */
  readonly note?: number
  /** How sharply it began at the microphone, in decibels. */
  readonly attackDb?: number
}

/** A stroke of the player, and where the music was when it was struck. */
export interface Struck extends Omit<Stroke, 'stamp'> {
  readonly at: Position
}

/** Gives a stroke of a source that is heard elsewhere: a pad on screen, the microphone. */
export type Strike = (stroke: Stroke) => void

/** Hears strokes by computer keys and MIDI pads until it is stopped by what is returned. */
export function listenToStrokes(
  onStroke: (stroke: Stroke) => void,
  padLimbs: () => Settings['padLimbs'],
): () => void {
  const press = (event: KeyboardEvent) => {
    const pad = STRIKE_KEYS.find(({ code }) => code === event.code)
    if (!pad || event.ctrlKey || event.altKey || event.metaKey || isTyped(event.target)) return
    event.preventDefault()
    event.stopPropagation()
    if (!event.repeat) onStroke({ stamp: event.timeStamp, limb: pad.limb, from: 'keys' })
  }
  // Before anything else on the page takes these letters for its own.
  window.addEventListener('keydown', press, { capture: true })
  const end = listenToPads(({ at: stamp, note, velocity }) => {
    const limb = padLimbs().find((pad) => pad.note === note)?.limb
    onStroke({ stamp, limb, from: 'pads', velocity, note })
  })
  return () => {
    window.removeEventListener('keydown', press, { capture: true })
    end()
  }
}

/** Hears strokes by computer keys and MIDI pads while it is active, and those that are given to what it returns. */
export function useStrokes(active: boolean, onStroke: (stroke: Stroke) => void): Strike {
  const { padLimbs } = useSettings().settings
  const newest = useRef({ onStroke, padLimbs })
  newest.current = { onStroke, padLimbs }
  // From the moment that it shows, not a moment later: the first stroke is heard however busy the page is.
  useLayoutEffect(() => {
    if (!active) return
    return listenToStrokes(
      (stroke) => newest.current.onStroke(stroke),
      () => newest.current.padLimbs,
    )
  }, [active])
  return useCallback((stroke) => newest.current.onStroke(stroke), [])
}

/**
 * As `useStrokes`, beside music: each stroke is told with where that was when it was struck, and not when the
 * page came to it.
 */
export function useStrikes(
  active: boolean,
  position: (ahead?: number) => Position | undefined,
  onStruck: (struck: Struck) => void,
): Strike {
  return useStrokes(active, ({ stamp, ...struck }) => {
    // What a device makes itself is heard a little before it is put out: its stamp is still to come.
    const ago = (performance.now() - stamp) / 1000
    const at = position(-ago)
    if (at && at.phase !== 'over') onStruck({ ...struck, at })
  })
}

/** Whether letters go into what has the focus, as words. */
function isTyped(target: EventTarget | null): boolean {
  if (target instanceof HTMLTextAreaElement) return true
  return target instanceof HTMLInputElement && ['text', 'search'].includes(target.type)
}
