import { test as bare, expect } from '@playwright/test'

interface Watched {
  /** What this test makes go wrong on purpose. */
  readonly allowed: RegExp | null
  readonly watch: undefined
}

/** A test in whose pages nothing may go wrong unseen: no error that is thrown, and none in the console. */
export const test = bare.extend<Watched>({
  allowed: [null, { option: true }],
  watch: [
    async ({ context, allowed }, use) => {
      const faults: string[] = []
      const hear = (words: string) => {
        if (!USUAL.some((one) => one.test(words)) && !allowed?.test(words)) faults.push(words)
      }
      context.on('weberror', (error) => hear(String(error.error())))
      context.on('console', (message) => {
        if (message.type() === 'error') hear(`${message.text()} ${message.location().url}`)
      })
      await use(undefined)
      expect(faults).toEqual([])
    },
    { auto: true },
  ],
})

/**
 * What is nobody's fault: a request that its page was left in the middle of, the icon that a browser asks for
 * beside a bare picture, and a service worker that these tests block, so that its registration is none.
 */
const USUAL = [
  /^Failed to load resource: net::ERR_ABORTED/,
  /\/favicon\.ico$/,
  /^TypeError: Cannot read properties of undefined \(reading 'waiting'\)/,
]

export { expect }
