import AxeBuilder from '@axe-core/playwright'
import { expect, type Page, test } from '@playwright/test'
import { openLick, openPhone, staffNotes } from './bench-page'
import { smallTargets } from './targets'

test('nothing stands in the way of anybody, by light and by dark', async ({ page }) => {
  const expectNoFault = async () => {
    for (const colorScheme of ['light', 'dark'] as const) {
      await page.emulateMedia({ colorScheme })
      expect((await new AxeBuilder({ page }).analyze()).violations).toEqual([])
    }
  }
  await page.goto('/')
  await expect(page.getByRole('listitem')).toHaveCount(12)
  await expectNoFault()
  await openLick(page, 'Tightrope')
  await expect(staffNotes(page).first()).toBeVisible()
  await expectNoFault()
  await page.goto('/settings')
  await expect(page.getByRole('heading', { name: 'Settings' })).toBeVisible()
  await expectNoFault()
})

test('no page is wider than 390, 640 or 1280', async ({ page }) => {
  const expectNoWider = async () => {
    for (const width of [390, 640, 1280]) {
      await page.setViewportSize({ width, height: 800 })
      const wide = () => page.evaluate(() => document.documentElement.scrollWidth - innerWidth)
      await expect.poll(wide).toBeLessThanOrEqual(0)
    }
  }
  for (const title of ['Cannon Exit', 'Knife Wheel', 'Fire Ring']) {
    await openLick(page, title)
    await expect(staffNotes(page).first()).toBeVisible()
    await expectNoWider()
  }
  await page.goto('/')
  await expect(page.getByRole('listitem')).toHaveCount(12)
  await expectNoWider()
})

test('the content policy lets nothing foreign in, and nothing of ours trips over it', async ({
  page,
}) => {
  const complaints: string[] = []
  page.on('console', (message) => {
    if (message.type() === 'error') complaints.push(message.text())
  })
  const response = await page.goto('/')
  expect(response?.headers()['content-security-policy']).toContain("script-src 'self' 'nonce-")
  await openLick(page, 'Tightrope')
  await expect(staffNotes(page).first()).toBeVisible()
  await page.getByRole('button', { name: 'Play' }).click()
  await expect(page.locator('[data-row="0"] [data-cursor]')).toBeVisible({ timeout: 30_000 })
  expect(complaints).toEqual([])
})

test('counting goes by the system of the settings', async ({ page }) => {
  await page.goto('/settings')
  await page.getByRole('radio', { name: /Digits only/ }).check()
  await openLick(page, 'Teeterboard')
  await expect(
    page.locator('[data-row="0"] svg text').filter({ hasText: /^6$/ }).first(),
  ).toBeVisible()
})

const PLACES = [
  '/',
  '/kit',
  '/flow',
  '/sets',
  '/sets/demo-doors',
  '/solos',
  '/solos/demo-second-half',
  '/log',
  '/play-in',
  '/sheet?licks=demo-tightrope',
  '/bin',
  '/backup',
  '/settings',
]
const PANELS = ['cells', 'change', 'fit', 'voices', 'feet', 'families', 'versions']

/** Every page, and the bench with panels that have the most to press. */
async function expectLarge(page: Page, least: number) {
  await openLick(page, 'Tightrope')
  const bench = new URL(page.url()).pathname
  const benches = [bench, ...PANELS.map((panel) => `${bench}?panel=${panel}`)]
  for (const path of [...PLACES, bench.replace('bench', 'practice'), ...benches]) {
    await page.goto(path)
    await expect(page.getByRole('heading').first()).toBeVisible()
    await page.waitForLoadState('networkidle')
    expect([path, await smallTargets(page, least)]).toEqual([path, []])
  }
}

test('what a pointer presses is 24 px at the least, on every page', async ({ page }) => {
  test.slow()
  await expectLarge(page, 24)
})

test('what a finger presses is 44 px at the least, on every page', async ({ browser }) => {
  test.slow()
  const page = await openPhone(browser)
  await expectLarge(page, 44)
  await page.context().close()
})
