import { CHROMIUM, ensureChromium, ensurePackages, run } from './ensure.mjs'
import { QUIET_FLAGS, serveDemo } from './serve.mjs'

/** One current picture of each main view, from the demo data, into docs/screenshots. */
const DESK = { width: 1280, height: 800 }
const PHONE = { width: 390, height: 844 }
const VIEWS = [
  { name: 'library', open: library },
  { name: 'bench', open: (page) => bench(page, 'Tightrope') },
  { name: 'bench-dark', dark: true, open: (page) => bench(page, 'Teeterboard') },
  { name: 'bench-playing', open: playing },
  { name: 'bench-fault', open: fault },
  { name: 'bench-phone', size: PHONE, open: (page) => bench(page, 'Cannon Exit') },
  { name: 'workbench-cells', open: (page) => panel(page, 'Teeterboard', 'Cells') },
  { name: 'workbench-change', open: changing },
  { name: 'workbench-fit-dark', dark: true, open: (page) => panel(page, 'Knife Wheel', 'Fit') },
  { name: 'workbench-cycle', open: cycling },
  { name: 'workbench-families', open: (page) => panel(page, 'Parade', 'Families') },
  { name: 'workbench-voices', open: (page) => panel(page, 'Knife Wheel', 'Voices') },
  { name: 'workbench-paths-dark', dark: true, open: crossing },
  { name: 'workbench-limits', open: (page) => panel(page, 'Teeterboard', 'Limits') },
  { name: 'kit', open: kit },
  { name: 'kit-phone-dark', size: PHONE, dark: true, open: kit },
  { name: 'practice-dark', dark: true, open: practising },
  { name: 'log', open: log },
  { name: 'flow', open: flow },
]

ensurePackages()
ensureChromium()
// Only now: on a fresh machine it has just been installed.
const { chromium } = await import('@playwright/test')
run(process.execPath, ['scripts/build.mjs'], { stdio: ['ignore', 'ignore', 'inherit'] })
const { address, stop } = await serveDemo(4175)
const browser = await chromium.launch({ executablePath: CHROMIUM, args: QUIET_FLAGS })
try {
  for (const { name, size = DESK, dark = false, open } of VIEWS) {
    const context = await browser.newContext({
      viewport: size,
      colorScheme: dark ? 'dark' : 'light',
      baseURL: address,
    })
    const page = await context.newPage()
    await open(page)
    await page.screenshot({ path: `docs/screenshots/${name}.png` })
    await context.close()
    console.log(name)
  }
} finally {
  await browser.close()
  stop()
}

/** The cycle stands below the rest of the Fit panel. */
async function cycling(page) {
  await panel(page, 'Tightrope', 'Fit')
  await page.getByRole('heading', { name: 'Cycle' }).evaluate((part) => part.scrollIntoView())
}

async function library(page) {
  await page.goto('/')
  await page.getByRole('link', { name: 'Tightrope', exact: true }).waitFor()
}

async function bench(page, title) {
  await library(page)
  await page.getByRole('link', { name: title, exact: true }).click()
  await page.locator('.staff-unit .vf-stavenote').first().waitFor()
  await page.waitForTimeout(800)
}

async function playing(page) {
  await bench(page, 'Fire Ring')
  await page.getByLabel('Bars of groove').selectOption('0')
  await page.getByRole('button', { name: 'Count-in' }).click()
  await page.getByRole('button', { name: 'Play' }).click()
  await page.locator('[data-row="0"] [data-cursor]').waitFor({ state: 'visible' })
  await page.waitForTimeout(1900)
}

async function fault(page) {
  await bench(page, 'Tightrope')
  await page.getByRole('textbox', { name: 'Sticking' }).fill('>R:t1llRl >R:f1lK (>LK RQ')
  await page.getByText(/Unexpected/).waitFor()
}

async function panel(page, title, name) {
  await bench(page, title)
  await page.getByRole('button', { name, exact: true }).click()
  await page.locator('#workbench-panel > div').waitFor()
  await page.waitForTimeout(700)
}

/** A group selected on the ruler, and what could become of it. */
async function changing(page) {
  await panel(page, 'Knife Wheel', 'Change')
  await page.getByRole('textbox', { name: 'Sticking' }).press('Home')
  for (let i = 0; i < 4; i += 1) await page.keyboard.press('ArrowRight')
  await page.waitForTimeout(500)
}

/** Hands that cross, on the kit from above. */
async function crossing(page) {
  await panel(page, 'Clown Walk', 'Paths')
}

async function kit(page) {
  await library(page)
  await page.getByRole('link', { name: 'Kit', exact: true }).click()
  await page.getByRole('button', { name: 'f1 floor tom' }).click()
  await page.waitForTimeout(300)
}

/** Practised in the bar, a while after it began. */
async function practising(page) {
  await bench(page, 'Tightrope')
  await page.getByRole('link', { name: 'Practise' }).click()
  await page.getByRole('button', { name: /in the bar/ }).click()
  await page.getByRole('button', { name: 'Play', exact: true }).click()
  await page.locator('[data-phase="fill"]').waitFor({ timeout: 30_000 })
  await page.waitForTimeout(1500)
}

async function log(page) {
  await library(page)
  await page.getByRole('link', { name: 'Log', exact: true }).click()
  await page.getByRole('button', { name: 'Tightrope', exact: true }).click()
  await page.waitForTimeout(500)
}

async function flow(page) {
  await page.goto('/')
  await page.getByRole('link', { name: 'Flow', exact: true }).click()
  await page.getByLabel('Add to the flow').selectOption({ label: 'Tightrope' })
  await page.getByLabel('Seed').fill('5')
  await page.getByRole('button', { name: 'Start: tap the count' }).click()
  await page.locator('[data-slot][data-now]').waitFor()
  await page.waitForTimeout(2200)
}
