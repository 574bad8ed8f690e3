/**
 * Calls back at every stroke on a MIDI pad, with its time in milliseconds on the page's clock.
 * Returns the way to stop. Where there is no MIDI, or it is not allowed, nothing happens: keys and
 * the pad on screen do the same.
 */
export function listenToPads(onStroke: (at: number) => void): () => void {
  let stop = () => {}
  let stopped = false
  openMidi().then((access) => {
    if (!access || stopped) return
    const hear = (event: Event) => {
      if (event instanceof MIDIMessageEvent && event.data && isStroke(event.data)) {
        onStroke(event.timeStamp)
      }
    }
    const inputs = [...access.inputs.values()]
    for (const input of inputs) input.addEventListener('midimessage', hear)
    stop = () => {
      for (const input of inputs) input.removeEventListener('midimessage', hear)
    }
  })
  return () => {
    stopped = true
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

const NOTE_ON = 0x90

/** Note on with a velocity: a velocity of 0 is the end of a note. */
export function isStroke([status = 0, , velocity = 0]: Uint8Array): boolean {
  return (status & 0xf0) === NOTE_ON && velocity > 0
}
