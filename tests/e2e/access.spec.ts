import type { Page } from '@playwright/test'
import { PANELS } from '../../app/features/bench/dock/panel-list'
import { openLick, openPanel, openPhone, staffNotes } from './bench-page'
import { expectNoFault } from './faults'
import { smallTargets } from './targets'
import { expect, test } from './watched'

test('no panel leaves anything to the checker of accessibility, is too wide, or too small to press', async ({
  page,
}) => {
  await openLick(page, 'Knife Wheel')
  test.slow()
  for (const { name } of PANELS) {
    await openPanel(page, name)
    for (const width of [390, 1280]) {
      await page.setViewportSize({ width, height: 800 })
      const wide = await page.evaluate(() => document.documentElement.scrollWidth - innerWidth)
      expect(wide, name).toBeLessThanOrEqual(0)
      const inside = await page
        .locator('#dock-panel')
        .evaluate((one) => one.scrollWidth - one.clientWidth)
      expect(inside, `${name} at ${width}`).toBeLessThanOrEqual(0)
    }
    expect([name, await smallTargets(page, 24)]).toEqual([name, []])
    // Their colours by dark are those of the two that have the most of them.
    await expectNoFault(
      page,
      '#dock-panel',
      COLOURED.includes(name) ? ['light', 'dark'] : ['light'],
    )
  }
})

test('no page is wider than 390, 640 or 1280', async ({ page }) => {
  const expectNoWider = async () => {
    for (const width of [390, 640, 1280]) {
      await page.setViewportSize({ width, height: 800 })
      const wide = () => page.evaluate(() => document.documentElement.scrollWidth - innerWidth)
      await expect.poll(wide).toBeLessThanOrEqual(0)
    }
  }
  for (const title of ['Cannon Exit', 'Knife Wheel']) {
    await openLick(page, title)
    await expect(staffNotes(page).first()).toBeVisible()
    await expectNoWider()
  }
  await page.goto('/')
  await expect(page.getByRole('listitem')).toHaveCount(12)
  await expectNoWider()
})

test('the content policy lets nothing foreign in', async ({ page }) => {
  const response = await page.goto('/')
  expect(response?.headers()['content-security-policy']).toContain("script-src 'self' 'nonce-")
  expect(response?.headers()['content-security-policy']).toContain("style-src 'self' 'nonce-")
})

const PLACES = [
  '/',
  '/find',
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
/** Those that are made of different parts. */
const UNLIKE = ['/', '/find', '/kit', '/flow', '/sets/demo-doors', '/log', '/settings']
/** Panels that have the most colours. */
const COLOURED = ['Cells', 'Voices']
/** Panels that have the most to press. */
const CROWDED = ['Cells', 'Change', 'Fit', 'Voices', 'Feet', 'Find', 'Notes']

/** Every page, and the bench with these of its panels. */
async function expectLarge(
  page: Page,
  least: number,
  panels: readonly string[],
  places: readonly string[],
  also: (path: string) => Promise<void> = async () => {},
) {
  await openLick(page, 'Tightrope')
  const bench = new URL(page.url()).pathname
  expect(await smallTargets(page, least)).toEqual([])
  for (const name of panels) {
    await openPanel(page, name)
    expect([name, await smallTargets(page, least)]).toEqual([name, []])
    // On a phone an open panel stands where the others are chosen.
    await page.keyboard.press('Escape')
  }
  for (const path of [...places, bench.replace('bench', 'practice')]) {
    await page.goto(path)
    await expect(page.getByRole('heading', { level: 1 })).toBeVisible()
    await expect(page.getByText(/^Opening/)).toHaveCount(0)
    expect([path, await smallTargets(page, least)]).toEqual([path, []])
    await also(path)
  }
}

/** Looked at by axe as well; the others are looked at where they are used, in either theme. */
const LOOKED_AT = ['/', '/settings', '/bin', '/backup', '/play-in']

test('what a pointer presses is 24 px at the least, and nothing stands in anybody’s way', async ({
  page,
}) => {
  test.slow()
  await openLick(page, 'Tightrope')
  await expect(staffNotes(page).first()).toBeVisible()
  await expectNoFault(page)
  await expectLarge(page, 24, [], PLACES, async (path) => {
    if (LOOKED_AT.includes(path)) await expectNoFault(page, undefined, ['light'])
  })
})

test('what a finger presses is 44 px at the least, on every page', async ({ browser }) => {
  test.slow()
  const page = await openPhone(browser)
  await expectLarge(page, 44, CROWDED, UNLIKE)
  await page.context().close()
})
