import { chromium } from '@playwright/test'
import { CHROMIUM } from '../../scripts/ensure.mjs'
import { QUIET_FLAGS, serveDemo } from '../../scripts/serve.mjs'
import { SIZES, visibleRows } from './rows.mjs'

const { address, stop } = await serveDemo()
const browser = await chromium.launch({ executablePath: CHROMIUM, args: QUIET_FLAGS })
try {
  await benchRows()
} finally {
  await browser.close()
  stop()
}

/** Prints, panel by panel and size by size, how many pixels of each row of a bar can be seen. */
async function benchRows() {
  for (const viewport of SIZES) {
    const page = await browser.newPage({ viewport })
    await page.goto(address)
    await page.getByRole('link', { name: 'Tightrope', exact: true }).click()
    await page.locator('.staff-unit .note').first().waitFor()
    const rail = page.getByRole('navigation', { name: 'Panels' }).getByRole('button')
    console.log(`\n${viewport.width} x ${viewport.height}, pixels seen of pixels there are:`)
    for (const name of ['none', ...(await rail.allInnerTexts())]) {
      if (name !== 'none') await rail.filter({ hasText: name }).first().click()
      await page.waitForTimeout(300)
      const rows = Object.entries(await visibleRows(page))
      const words = rows.map(([row, [seen, all]]) => `${row} ${seen} of ${all}`)
      console.log(`  ${name.padEnd(9)} ${words.join(', ')}`)
    }
    await page.close()
  }
}
