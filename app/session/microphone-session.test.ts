import { describe, expect, it } from 'vitest'
import { MicrophoneSession, type MicrophoneState } from './microphone-session'

/** A microphone that opens when the test says so. */
function stand() {
  const states: MicrophoneState[] = []
  const waiting: { resolve: () => void; reject: (fault: unknown) => void }[] = []
  let open = 0
  const ears = new MicrophoneSession(
    () =>
      new Promise((resolve, reject) => {
        waiting.push({
          resolve: () => {
            open += 1
            resolve({
              close: () => {
                open -= 1
              },
              measureDelay: async () => 42,
            })
          },
          reject,
        })
      }),
    (state) => states.push(state),
  )
  return { ears, states, waiting, open: () => open }
}
const HANDS = { onStroke: () => {}, onLevel: () => {} }
const settled = () => new Promise((resolve) => setTimeout(resolve))

describe('a microphone that is wanted', () => {
  it('is asked for, heard, measured and let go', async () => {
    const { ears, states, waiting, open } = stand()
    const wanted = ears.want(HANDS)
    waiting[0]?.resolve()
    await wanted
    expect([states, open(), await ears.measureDelay()]).toEqual([['asking', 'hearing'], 1, 42])
    ears.letGo()
    expect([states.at(-1), open(), await ears.measureDelay()]).toEqual(['off', 0, null])
  })

  it('is let go where the page is left while the player is still asked', async () => {
    const { ears, states, waiting, open } = stand()
    const wanted = ears.want(HANDS)
    ears.letGo()
    waiting[0]?.resolve()
    await wanted
    expect([states, open()]).toEqual([['asking', 'off'], 0])
  })

  it('is open once, whatever is wanted while it opens', async () => {
    const { ears, states, waiting, open } = stand()
    const all = [ears.want(HANDS), ears.want(HANDS), ears.want(HANDS)]
    for (const one of waiting.toReversed()) one.resolve()
    await Promise.all(all)
    await settled()
    expect([open(), states.at(-1)]).toEqual([1, 'hearing'])
  })

  it('tells why it is not heard, and can be wanted again', async () => {
    const { ears, states, waiting } = stand()
    for (const [i, [fault, told]] of (
      [
        ['refused', 'refused'],
        [new Error('odd'), 'failed'],
      ] as const
    ).entries()) {
      const wanted = ears.want(HANDS)
      waiting[i]?.reject(fault)
      await wanted
      expect(states.at(-1)).toBe(told)
    }
  })
})
