import { chromium } from '@playwright/test'
import { createServer } from 'vite'
import { watchKeys } from '../tests/bench/keystrokes.mjs'
import { CHROMIUM, ensureChromium, ensurePackages, run } from './ensure.mjs'
import { QUIET_FLAGS, serveDemo } from './serve.mjs'

/** Measures speed as ratios and growth: machines differ, and this one is noisy. */
const PORT = 4174
const KEYS = 80
/** Between one key and the next, in milliseconds: ten letters a second. */
const PAUSE = 90

ensurePackages()
ensureChromium()
run('node_modules/.bin/react-router', ['build'], { stdio: ['ignore', 'ignore', 'inherit'] })

const browser = await chromium.launch({ executablePath: CHROMIUM, args: QUIET_FLAGS })
try {
  const bare = await benchStaff()
  await benchKeys(bare)
} finally {
  await browser.close()
}

/** One bar engraved on our ruler against the bare library. Returns the bare median in milliseconds. */
async function benchStaff() {
  const vite = await createServer({
    configFile: false,
    root: '.',
    logLevel: 'error',
    resolve: { tsconfigPaths: true },
    optimizeDeps: { include: ['vexflow/core'] },
    server: { port: PORT + 1, host: '127.0.0.1' },
  })
  await vite.listen()
  try {
    const page = await browser.newPage()
    await page.goto(`http://127.0.0.1:${PORT + 1}/tests/bench/staff.html`)
    await page.waitForFunction(() => 'compare' in window)
    await page.evaluate(() => window.compare(30, 0))
    const { ours, bare } = await page.evaluate((pause) => window.compare(100, pause), PAUSE)
    console.log('One bar of staff, drawn in turns:')
    console.log(`  ours  median ${ms(median(ours))}, 95th ${ms(quantile(ours, 0.95))}`)
    console.log(`  bare  median ${ms(median(bare))}, 95th ${ms(quantile(bare, 0.95))}`)
    console.log(`  ratio of medians ${(median(ours) / median(bare)).toFixed(2)} (at most 1.25)`)
    await page.close()
    return median(bare)
  } finally {
    await vite.close()
  }
}

/** From key to paint, and the staff redrawn for it, for lines of growing length. */
async function benchKeys(bare) {
  const { address, stop } = await serveDemo(PORT)
  try {
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } })
    await page.addInitScript(watchKeys)
    await page.goto(address)
    await page.getByRole('link', { name: 'Tightrope', exact: true }).click()
    const field = page.getByRole('textbox', { name: 'Sticking' })
    await page.getByLabel('Start').selectOption('1')
    console.log(`\nOne key in a line (${KEYS} keys each), bars on screen in the rows they need:`)
    for (const bars of [1, 4, 16, 64]) {
      // One slot short: the key fills it, so that nothing else has to move.
      await field.fill(`${'RLLK RLLK RLLK RLRL '.repeat(bars)}`.trim().slice(0, -1))
      await page.waitForTimeout(1500)
      await field.press('End')
      for (let i = 0; i < 8; i += 1) await key(page, i)
      await page.evaluate(() => window.takeKeys())
      for (let i = 0; i < KEYS; i += 1) await key(page, i)
      await page.waitForTimeout(500)
      const taken = await page.evaluate(() => window.takeKeys())
      const painted = taken.map((one) => one.painted)
      const work = taken.map((one) => one.work)
      const staff = taken.map((one) => one.staff)
      const units = taken.map((one) => one.units)
      console.log(
        `  ${String(bars).padStart(2)} bars: work for a key median ${ms(median(work))}, 95th ${ms(quantile(work, 0.95))} (16 at most); ` +
          `key to paint median ${ms(median(painted))}, 95th ${ms(quantile(painted, 0.95))}; ` +
          `staff units redrawn median ${median(units)}, most ${Math.max(...units)}; staff median ${ms(median(staff))}, ` +
          perUnit(median(staff), median(units), bare),
      )
    }
    await page.close()
  } finally {
    stop()
  }
}

/** A letter, then its removal: the line stays as long as it was. */
async function key(page, i) {
  await page.keyboard.press(i % 2 === 0 ? 'k' : 'Backspace')
  await page.waitForTimeout(PAUSE)
}

function quantile(values, share) {
  const sorted = [...values].sort((a, b) => a - b)
  return sorted[Math.min(sorted.length - 1, Math.floor(sorted.length * share))] ?? Number.NaN
}

function perUnit(staff, units, bare) {
  if (units === 0) return 'no unit on screen changed'
  return `${(staff / units / bare).toFixed(2)} of the bare library a unit`
}

function median(values) {
  return quantile(values, 0.5)
}

function ms(value) {
  return `${value.toFixed(1)} ms`
}
