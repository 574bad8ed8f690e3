/** A stroke on a pad. */
export interface PadStroke {
  /** When, in milliseconds on the page's clock: the device's own stamp where it gives one. */
  readonly at: number
  /** The MIDI note, 0 to 127. */
  readonly note: number
  /** How hard, 1 to 127. */
  readonly velocity: number
}
export type OnStroke = (stroke: PadStroke) => void

const NOTE_ON = 0x90
const LOUD = 100

/** The notes of the pads on screen. */
export const STAND_IN_PADS = [36, 38, 48, 49] as const

/** The stand-in device: whoever listens to pads hears it too. */
const standIn = new EventTarget()

/** Strikes a pad of the stand-in: the same message as from a MIDI device goes the same way. */
export function strikeStandIn(note: number, velocity = LOUD): void {
  const message = new CustomEvent('midimessage', { detail: Uint8Array.of(NOTE_ON, note, velocity) })
  standIn.dispatchEvent(message)
}

/**
 * Calls back at every stroke on the stand-in and, where `devices` are wanted too, on a MIDI pad: the
 * browser may ask the player first. Devices plugged in later are heard too. Returns the way to stop. Where there is no MIDI, or it is not
 * allowed, keys and the pads on screen do the same.
 */
export function listenToPads(onStroke: OnStroke, devices = true): () => void {
  const hear = (message: Uint8Array | null | undefined, at: number) => {
    const struck = message && struckPad(message)
    if (struck) onStroke({ at, ...struck })
  }
  const fromStandIn = (event: Event) => {
    if (event instanceof CustomEvent) hear(event.detail, event.timeStamp)
  }
  standIn.addEventListener('midimessage', fromStandIn)
  let stop = () => {}
  let stopped = false
  const opened = devices ? openMidi() : Promise.resolve(undefined)
  opened.then((access) => {
    if (!access || stopped) return
    const fromDevice = (event: Event) => {
      if (event instanceof MIDIMessageEvent) hear(event.data, event.timeStamp)
    }
    const heard = new Set<EventTarget>()
    // Devices come and go while the page is open.
    const follow = () => {
      for (const input of access.inputs.values()) {
        if (heard.has(input)) continue
        heard.add(input)
        input.addEventListener('midimessage', fromDevice)
      }
    }
    follow()
    access.addEventListener('statechange', follow)
    stop = () => {
      access.removeEventListener('statechange', follow)
      for (const input of heard) input.removeEventListener('midimessage', fromDevice)
    }
  })
  return () => {
    stopped = true
    standIn.removeEventListener('midimessage', fromStandIn)
    stop()
  }
}

async function openMidi(): Promise<MIDIAccess | undefined> {
  try {
    return await navigator.requestMIDIAccess?.()
  } catch {
    return undefined
  }
}

/** Note and velocity of a stroke; null for all else (a velocity of 0 ends a note). */
export function struckPad([status = 0, note = 0, velocity = 0]: Uint8Array): Omit<
  PadStroke,
  'at'
> | null {
  return (status & 0xf0) === NOTE_ON && velocity > 0 ? { note, velocity } : null
}
