import { describe, expect, it } from 'vitest'
import { micDelay, withMicDelay } from './use-microphone'

const device = (id: string) => ({ id, forSpeech: false })
const NONE = { tapDelays: { keys: 3, pads: 4, mic: 0 }, micDevice: '' }

describe('the delay of a microphone', () => {
  it('is kept for the one that was measured, and asked for anew of another', () => {
    const kept = withMicDelay(NONE, device('at the kit'), 42)
    expect(kept).toEqual({ tapDelays: { keys: 3, pads: 4, mic: 42 }, micDevice: 'at the kit' })
    expect(micDelay(kept, device('at the kit'))).toBe(42)
    expect(micDelay(kept, device('in the lid'))).toBe(0)
    // Before it is open it is not known which one it will be.
    expect(micDelay(kept, undefined)).toBe(42)
    expect(micDelay(NONE, device('at the kit'))).toBe(0)
  })
})
