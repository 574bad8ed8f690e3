import { chromium } from '@playwright/test'
import { serveDemo, QUIET_FLAGS } from '/work/main/scripts/serve.mjs'
const [,, path, out, opts='{}'] = process.argv
const o = JSON.parse(opts)
const { address, stop } = await serveDemo(4198)
const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: [...QUIET_FLAGS, '--autoplay-policy=no-user-gesture-required'] })
const page = await browser.newPage({ viewport: { width: o.w ?? 1280, height: o.h ?? 800 }, colorScheme: o.dark ? 'dark' : 'light' })
page.on('console', m => { if (m.type() === 'error') console.log('console:', m.text()) })
page.on('pageerror', e => console.log('pageerror', e.message))
await page.goto(address); await page.waitForTimeout(1200)
await page.goto(address + path); await page.waitForTimeout(o.wait ?? 1500)
for (const step of o.steps ?? []) { const [k, v, w] = step; if (k==='key') await page.keyboard.press(v); if (k==='click') await page.getByRole(v, { name: w }).first().click(); if (k==='wait') await page.waitForTimeout(v); if (k==='eval') console.log(JSON.stringify(await page.evaluate(v))) }
await page.screenshot({ path: out, fullPage: !!o.full })
console.log(await page.evaluate(() => [document.documentElement.scrollHeight, document.documentElement.scrollWidth]))
await browser.close(); stop()
