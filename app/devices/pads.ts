/** Called at every stroke on a pad: its time in milliseconds on the page's clock, and its note. */
export type OnStroke = (at: number, note: number) => void

const NOTE_ON = 0x90
const LOUD = 100

/** The notes of the pads on screen. */
export const STAND_IN_PADS = [36, 38, 48, 49] as const

/** The stand-in device: whoever listens to pads hears it too. */
const standIn = new EventTarget()

/** Strikes a pad of the stand-in: the same message as from a MIDI device goes the same way. */
export function strikeStandIn(note: number): void {
  const message = new CustomEvent('midimessage', { detail: Uint8Array.of(NOTE_ON, note, LOUD) })
  standIn.dispatchEvent(message)
}

/**
 * Calls back at every stroke on the stand-in and, where `devices` are wanted too, on a MIDI pad: the
 * browser may ask the player first. Returns the way to stop. Where there is no MIDI, or it is not
 * allowed, keys and the pads on screen do the same.
 */
export function listenToPads(onStroke: OnStroke, devices = true): () => void {
  const hear = (message: Uint8Array | null | undefined, at: number) => {
    const note = message && struckNote(message)
    if (note !== null && note !== undefined) onStroke(at, note)
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
    const inputs = [...access.inputs.values()]
    for (const input of inputs) input.addEventListener('midimessage', fromDevice)
    stop = () => {
      for (const input of inputs) input.removeEventListener('midimessage', fromDevice)
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

/** The note of a stroke: note on with a velocity; null for all else (a velocity of 0 ends a note). */
export function struckNote([status = 0, note = 0, velocity = 0]: Uint8Array): number | null {
  return (status & 0xf0) === NOTE_ON && velocity > 0 ? note : null
}
