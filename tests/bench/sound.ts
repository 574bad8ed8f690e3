import { mkdirSync } from 'node:fs'
import { chromium } from '@playwright/test'
import { renderStroke, SOUNDING, samplesOf } from '~/core/sound'
import { CHROMIUM } from '../../scripts/ensure.mjs'
import { QUIET_FLAGS, serveDemo } from '../../scripts/serve.mjs'
import { centreOf, decayOf, likeness } from '../support/sound-figures'

/** What the kit sounds like and what it costs: each surface by itself, and on a page from the first press. */
const RATE = 48_000

const stroke = (surface: (typeof SOUNDING)[number], velocity: number, take = 0) =>
  renderStroke({ surface, velocity, take, tool: 'sticks' }, RATE)

console.log(
  'Surface: centre ghost to strong; neighbours alike; rings at a tap; render against real time',
)
let [seconds, took, bytes] = [0, 0, 0]
for (const surface of SOUNDING) {
  const begun = performance.now()
  const made = samplesOf(surface).map(({ velocity, take }) => stroke(surface, velocity, take))
  const ms = performance.now() - begun
  const length = made.reduce((sum, one) => sum + one.length, 0)
  seconds += length / RATE
  took += ms / 1000
  bytes += 4 * length
  const [ghost, strong] = [36, 124].map((velocity) => centreOf(stroke(surface, velocity), RATE))
  const alike = likeness(stroke(surface, 80, 0), stroke(surface, 80, 1))
  console.log(
    `  ${surface.padEnd(5)} ${Math.round(ghost as number)} to ${Math.round(strong as number)} Hz, ` +
      `${((strong as number) / (ghost as number)).toFixed(2)} times; ${alike.toFixed(2)}; ` +
      `${decayOf(stroke(surface, 80), RATE).toFixed(2)} s; ${(length / RATE / (ms / 1000)).toFixed(0)} times`,
  )
}
console.log(
  `The whole kit: ${seconds.toFixed(0)} s of sound, ${(bytes / 1e6).toFixed(1)} MB, made ${(seconds / took).toFixed(0)} times as fast as it sounds`,
)

/** Notes when the first stroke or click is to sound after a press, by the page's clock. */
const watchFirst = () => {
  const seen = window as unknown as { heard: number | null; pressed: number }
  seen.heard = null
  addEventListener(
    'keydown',
    () => {
      seen.pressed = performance.now()
      seen.heard = null
    },
    true,
  )
  const start = AudioBufferSourceNode.prototype.start
  AudioBufferSourceNode.prototype.start = function (when = 0) {
    const ahead = Math.max(0, when - this.context.currentTime)
    seen.heard ??= performance.now() + ahead * 1000 - seen.pressed
    start.call(this, when)
  }
}
mkdirSync('test-results', { recursive: true })
const { address, stop } = await serveDemo()
const browser = await chromium.launch({ executablePath: CHROMIUM, args: QUIET_FLAGS })
try {
  const context = await browser.newContext({ baseURL: address })
  await context.addInitScript(watchFirst)
  for (const visit of ['first visit', 'second visit']) {
    const page = await context.newPage()
    await page.goto('/')
    await page.getByRole('link', { name: 'Tightrope', exact: true }).click()
    await page.getByRole('button', { name: 'Play', exact: true }).waitFor()
    await page.getByRole('button', { name: 'Count-in' }).click()
    // A hand needs a moment from the page to the key.
    await page.waitForTimeout(1500)
    for (const press of ['first press', 'second press']) {
      await page.locator('body').press('Space')
      await page.waitForFunction(
        () => (window as unknown as { heard: number | null }).heard !== null,
      )
      const ms = await page.evaluate(() => (window as unknown as { heard: number }).heard)
      console.log(`  ${visit}, ${press}: first sound after ${ms.toFixed(0)} ms (300 at most)`)
      await page.waitForTimeout(press === 'first press' ? 12_000 : 500)
      await page.locator('body').press('Space')
    }
    await page.close()
  }
} finally {
  await browser.close()
  stop()
}
process.exit(0)
