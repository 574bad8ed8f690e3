import { afterEach, describe, expect, it, vi } from 'vitest'
import { listenToPads, type PadStroke, strikeStandIn, struckPad } from './pads'

class Message extends Event {
  constructor(readonly data: Uint8Array) {
    super('midimessage')
  }
}

/** A MIDI device with one input, as a browser gives it. */
const device = () => {
  const input = new EventTarget()
  const inputs = new Map([['a', input]])
  const access = Object.assign(new EventTarget(), { inputs })
  const requestMIDIAccess = vi.fn(async () => access)
  vi.stubGlobal('navigator', { requestMIDIAccess })
  vi.stubGlobal('MIDIMessageEvent', Message)
  const plugIn = () => {
    const later = new EventTarget()
    inputs.set('b', later)
    access.dispatchEvent(new Event('statechange'))
    return later
  }
  return { input, plugIn, requestMIDIAccess }
}
const settled = () => new Promise((resolve) => setTimeout(resolve, 0))

afterEach(() => vi.unstubAllGlobals())

describe('pads', () => {
  it('of the stand-in are heard until nobody listens any more', () => {
    const heard: number[] = []
    const stop = listenToPads(({ note }) => heard.push(note), false)
    strikeStandIn(38)
    strikeStandIn(49)
    stop()
    strikeStandIn(36)
    expect(heard).toEqual([38, 49])
  })

  it('of a device are heard with their notes, and let go', async () => {
    const { input } = device()
    const heard: number[] = []
    const stop = listenToPads(({ note }) => heard.push(note))
    await settled()
    input.dispatchEvent(new Message(Uint8Array.of(0x99, 40, 90)))
    input.dispatchEvent(new Message(Uint8Array.of(0x99, 40, 0)))
    input.dispatchEvent(new Message(Uint8Array.of(0x89, 40, 64)))
    stop()
    input.dispatchEvent(new Message(Uint8Array.of(0x99, 41, 90)))
    expect(heard).toEqual([40])
  })

  it('of a device that is plugged in later are heard once each, with time and velocity', async () => {
    const { input, plugIn } = device()
    const heard: PadStroke[] = []
    const stop = listenToPads((stroke) => heard.push(stroke))
    await settled()
    const later = plugIn()
    plugIn()
    const message = new Message(Uint8Array.of(0x99, 38, 77))
    later.dispatchEvent(message)
    input.dispatchEvent(new Message(Uint8Array.of(0x99, 40, 90)))
    expect(heard).toEqual([
      { at: message.timeStamp, note: 38, velocity: 77 },
      expect.objectContaining({ note: 40, velocity: 90 }),
    ])
    stop()
    later.dispatchEvent(new Message(Uint8Array.of(0x99, 38, 77)))
    plugIn().dispatchEvent(new Message(Uint8Array.of(0x99, 38, 77)))
    expect(heard).toHaveLength(2)
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
    const stop = listenToPads(({ note }) => heard.push(note))
    await settled()
    strikeStandIn(36)
    stop()
    expect(heard).toEqual([36])
    expect(struckPad(Uint8Array.of())).toBeNull()
  })
})
