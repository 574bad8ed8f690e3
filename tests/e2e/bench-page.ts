import { readFileSync } from 'node:fs'
import { type Browser, expect, type Locator, type Page, test } from '@playwright/test'
import { expectNoFault } from './faults'

/** The address of a lick of the demo, by its title. */
const lickId = (title: string) => `demo-${title.toLowerCase().replaceAll(' ', '-')}`

/** Opens a lick of the demo on the bench, of this server where none is named. */
export async function openLick(page: Page, title: string, server = ''): Promise<void> {
  await page.goto(`${server}/bench/${lickId(title)}`)
  await expect(page.getByLabel('Title')).toHaveValue(title)
}

/** Opens a lick of the demo in the practice room. */
export async function practise(page: Page, title: string): Promise<void> {
  await page.goto(`/practice/${lickId(title)}`)
  // The bench has a heading and a play button of these names too.
  await expect(page.getByRole('button', { name: 'Full screen' })).toBeVisible()
}

/** A new lick of four strokes in the practice room, played over and over, with the panel of the ear open. */
export async function practiseFour(page: Page): Promise<void> {
  await page.goto('/')
  await page.getByRole('button', { name: 'New lick' }).click()
  await page.getByLabel('Sticking', { exact: true }).fill('RLRL')
  await page.getByRole('link', { name: 'Practise', exact: true }).click()
  await openPanel(page, 'Steps')
  const steps = page.getByRole('list', { name: 'Steps' })
  await steps.getByRole('listitem').last().getByRole('button').first().click()
  await openPanel(page, 'Playing')
  await page.getByLabel('Form').selectOption('over and over')
  await openPanel(page, 'Ear')
}

/** A page of a phone: a finger is the pointer. Closing its context closes it. */
export async function openPhone(browser: Browser): Promise<Page> {
  const context = await browser.newContext({
    viewport: { width: 390, height: 844 },
    hasTouch: true,
    isMobile: true,
    baseURL: test.info().project.use.baseURL ?? '',
  })
  const page = await context.newPage()
  await page.goto('/')
  return page
}

/** The keys that stand in for the on-screen keyboard. */
export const pad = (page: Page) => page.getByRole('toolbar', { name: 'Stroke keys' })

/** Taps the first voice of the ruler on a phone, so that the pad is the kit; one of its keys is there then. */
export async function tapVoice(page: Page, key: string): Promise<void> {
  const voice = page.locator('[data-row="0"] svg text', { hasText: /^sn$/ }).first()
  // What is drawn last may move the row under the finger.
  await expect(async () => {
    const box = await voice.boundingBox()
    if (!box) throw new Error('no voice on the ruler')
    await page.touchscreen.tap(box.x + box.width / 2, box.y + box.height / 2)
    const strike = pad(page).getByRole('button', { name: key, exact: true })
    await expect(strike).toBeVisible({ timeout: 1000 })
  }).toPass()
}

export const sticking = (page: Page) => page.getByRole('textbox', { name: 'Sticking' })
export const verdict = (page: Page) => page.getByRole('region', { name: 'Verdict' })
export const fits = (page: Page) => verdict(page).getByRole('status')
export const ruler = (page: Page) => page.locator('[data-ruler]')
export const kept = (page: Page) => expect(page.getByText('Saved', { exact: true })).toBeVisible()

/** Makes two tabs change the same lick at once; returns the one that is told, and the other. */
export async function conflict(page: Page, other: Page): Promise<readonly [Page, Page]> {
  const told = (tab: Page) => tab.getByRole('alert').count()
  let length = 5
  await expect(async () => {
    // Where the first was stored before the second was typed, there was none: once more.
    length += 1
    await Promise.all([
      sticking(page).fill('R'.repeat(length)),
      sticking(other).fill('L'.repeat(length)),
    ])
    await expect
      .poll(async () => (await told(page)) + (await told(other)), { timeout: 3000 })
      .toBeGreaterThan(0)
  }).toPass({ timeout: 30_000 })
  return (await told(page)) > 0 ? [page, other] : [other, page]
}

/** A panel of the dock, opened where it is not. */
export async function openPanel(page: Page, name: string): Promise<Locator> {
  const tab = page
    .getByRole('navigation', { name: 'Panels' })
    .getByRole('button', { name, exact: true })
  if ((await tab.getAttribute('aria-expanded')) !== 'true') await tab.click()
  const panel = page.getByRole('region', { name, exact: true })
  await expect(panel.getByText('Opening …')).toHaveCount(0)
  return panel
}

const PART_OF: Readonly<Record<string, string>> = {
  'Pick-up': 'Start',
  'Pick-up grid': 'Start',
  'Bars of groove': 'Groove',
  'Groove stops at': 'Groove',
  'Swing, percent': 'Grid',
  'Bars to fill': 'Landing',
  'Lands on': 'Landing',
  'Learning tempo': 'Tempo',
  Goal: 'Tempo',
}

/** A part of the bar's sentence: `Start`, `Groove` … */
export const part = (page: Page, name: string) =>
  page.getByRole('button', { name: new RegExp(`^${name}: `) })

/** A field of the bar, its part of the sentence opened where it is not. */
export async function frame(page: Page, label: string): Promise<Locator> {
  const button = part(page, PART_OF[label] ?? label)
  if ((await button.getAttribute('aria-expanded')) !== 'true') await button.click()
  return page.locator('[data-fields]').getByLabel(label, { exact: true })
}

/** How many notes and rests the staff shows, once it is drawn. */
export const staffNotes = (page: Page) => page.locator('.staff-unit .note, .staff-unit .rest')

/** Whether axe finds nothing in either theme, and nothing is wider than a phone. */
export async function expectAccessible(page: Page): Promise<void> {
  await expectNoFault(page)
  await page.setViewportSize({ width: 390, height: 800 })
  const wide = () => page.evaluate(() => document.documentElement.scrollWidth - innerWidth)
  await expect.poll(wide).toBe(0)
}

/** What a button saves: what the file is called, and what is in it. */
export async function saved(page: Page, name: string) {
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name, exact: true }).click(),
  ])
  return { name: download.suggestedFilename(), bytes: readFileSync(await download.path()) }
}
