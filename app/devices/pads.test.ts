import { afterEach, describe, expect, it, vi } from 'vitest'
import { listenToPads, strikeStandIn, struckNote } from './pads'

class Message extends Event {
  constructor(readonly data: Uint8Array) {
    super('midimessage')
  }
}

/** A MIDI device with one input, as a browser gives it. */
const device = () => {
  const input = new EventTarget()
  const requestMIDIAccess = vi.fn(async () => ({ inputs: new Map([['a', input]]) }))
  vi.stubGlobal('navigator', { requestMIDIAccess })
  vi.stubGlobal('MIDIMessageEvent', Message)
  return { input, requestMIDIAccess }
}
const settled = () => new Promise((resolve) => setTimeout(resolve, 0))

afterEach(() => vi.unstubAllGlobals())

describe('pads', () => {
  it('of the stand-in are heard until nobody listens any more', () => {
    const heard: number[] = []
    const stop = listenToPads((_, note) => heard.push(note), false)
    strikeStandIn(38)
    strikeStandIn(49)
    stop()
    strikeStandIn(36)
    expect(heard).toEqual([38, 49])
  })

  it('of a device are heard with their notes, and let go', async () => {
    const { input } = device()
    const heard: number[] = []
    const stop = listenToPads((_, note) => heard.push(note))
    await settled()
    input.dispatchEvent(new Message(Uint8Array.of(0x99, 40, 90)))
    input.dispatchEvent(new Message(Uint8Array.of(0x99, 40, 0)))
    input.dispatchEvent(new Message(Uint8Array.of(0x89, 40, 64)))
    stop()
    input.dispatchEvent(new Message(Uint8Array.of(0x99, 41, 90)))
    expect(heard).toEqual([40])
  })

  it('ask for devices only where they are wanted', async () => {
    const { requestMIDIAccess } = device()
    listenToPads(() => {}, false)()
    await settled()
    expect(requestMIDIAccess).not.toHaveBeenCalled()
    listenToPads(() => {})()
    await settled()
    expect(requestMIDIAccess).toHaveBeenCalledOnce()
  })

  it('do without a device that is not allowed', async () => {
    vi.stubGlobal('navigator', { requestMIDIAccess: () => Promise.reject(new Error('no')) })
    const heard: number[] = []
    const stop = listenToPads((_, note) => heard.push(note))
    await settled()
    strikeStandIn(36)
    stop()
    expect(heard).toEqual([36])
    expect(struckNote(Uint8Array.of())).toBeNull()
  })
})
