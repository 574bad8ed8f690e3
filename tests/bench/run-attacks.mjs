import { chromium } from '@playwright/test'
import { CHROMIUM } from '../../scripts/ensure.mjs'
import { QUIET_FLAGS, serveDemo } from '../../scripts/serve.mjs'
import { killWhileTyping, leaveAfterKey, nextPageShows, TYPED, WAYS_OUT } from './attacks.mjs'

/** Attacks on what is typed: how much of it is lost. Usage: [kills of each kind] [leavings of each way]. */
const kills = Number(process.argv[2] ?? 40)
const leavings = Number(process.argv[3] ?? 60)

const server = await serveDemo()
const browser = await chromium.launch({ executablePath: CHROMIUM, args: QUIET_FLAGS })
try {
  for (const [way, leave] of Object.entries(WAYS_OUT)) {
    const lost = await leaveAfterKey(browser, server.address, leavings, leave)
    const times = lost.filter((count) => count > 0).length
    console.log(`${way} at once after the last key: ${times} of ${leavings} lost anything`)
  }
  const shown = await nextPageShows(browser, server.address, 12)
  console.log(`the next page shows what was typed: ${shown} of 12`)
  const worst = (ages, of) => Math.max(0, ...ages.map((age) => age[of]))
  for (const [name, what] of Object.entries(TYPED)) {
    const ages = await killWhileTyping(server.address, kills, what)
    const late = ages.filter(({ lost, plain }) => lost - plain > 250).length
    console.log(
      `the browser killed while the ${name} is typed: ${kills} times; the oldest key that was lost was ${worst(ages, 'lost')} ms old (${worst(ages, 'plain')} where each was written at once); older than 250 ms: ${late}`,
    )
  }
} finally {
  await browser.close()
  server.stop()
}
