import { chromium } from '@playwright/test'
import { CHROMIUM } from '../../scripts/ensure.mjs'
import { QUIET_FLAGS, serveDemo } from '../../scripts/serve.mjs'
import { pressAnything } from './hands.mjs'

const MINUTES = Number(process.argv[2] ?? 4)
const SEED = Number(process.argv[3] ?? Math.floor(Math.random() * 1e6))
const HANDS = [
  { name: 'mouse and keys, 1280 x 800', viewport: { width: 1280, height: 800 }, touch: false },
  { name: 'a finger, 390 x 844', viewport: { width: 390, height: 844 }, touch: true },
]

/** Prints what goes wrong while random hands press anything: minutes of each kind of hand, and a seed. */
const { address, stop } = await serveDemo()
const browser = await chromium.launch({ executablePath: CHROMIUM, args: QUIET_FLAGS })
try {
  for (const { name, viewport, touch } of HANDS) {
    const context = await browser.newContext({ viewport, hasTouch: touch, isMobile: touch })
    const wish = { seed: SEED, forMs: MINUTES * 60_000, touch }
    const { acts, faults } = await pressAnything(await context.newPage(), address, wish)
    console.log(`${name}, seed ${SEED}: ${acts} acts, ${faults.length} faults`)
    for (const { words, trail } of faults) console.log(`  ${words}\n    after ${trail.join(' | ')}`)
    await context.close()
  }
} finally {
  await browser.close()
  stop()
}
