import type { Page } from '@playwright/test'
import { parseSolo } from '~/codecs/solo'
import { soloLength } from '~/core/solo'
import { expectAccessible, openPanel, saved } from './bench-page'
import { expect, test } from './watched'

const joins = (page: Page) => page.getByRole('list', { name: 'Joins' }).getByRole('listitem')
const bad = (page: Page) => joins(page).filter({ hasText: 'two notes at once' })

/** The circus's solo, opened from its list. */
async function openSolo(page: Page) {
  await page.goto('/solos')
  await page.getByRole('link', { name: 'Before the Second Half' }).click()
  await expect(page.getByLabel('Title of the solo')).toHaveValue('Before the Second Half')
}

test('a solo of 32 bars is made from one cell, changed, found again, and put in the bin', async ({
  page,
}) => {
  await page.goto('/solos')
  await page.getByLabel('Cell of the solo').fill('RLRKK')
  await expect(
    page.getByText(/^32 bars, 1 min \d+ s, \d+ parts, at \d+ bpm: its limit$/),
  ).toBeVisible()
  await page.getByRole('button', { name: 'Make the solo' }).click()
  await expect(page.getByLabel('Title of the solo')).toHaveValue('Solo on RLRKK')
  await expect(page.getByText(/^32 bars, 1 min \d+ s$/)).toBeVisible()
  await page.getByRole('button', { name: 'Over the barline', exact: true }).click()
  await page.getByLabel('Bars of the part').fill('9')
  await expect(page.getByText('33 bars', { exact: false }).first()).toBeVisible()
  await page.getByLabel('Sticking of the part').fill('RLRKQ')
  await expect(page.getByText(/^Expected R, L/)).toBeVisible()
  await page.getByLabel('Sticking of the part').fill('RLRKL')
  await page.getByRole('button', { name: 'Move later' }).click()
  await page.getByRole('button', { name: 'Undo' }).click()
  await page.getByLabel('Add a part').selectOption({ label: 'Tightrope' })
  await expect(page.getByText('34 bars', { exact: false }).first()).toBeVisible()
  await page.reload()
  await expect(page.getByText('34 bars', { exact: false }).first()).toBeVisible()
  await page.getByRole('button', { name: 'Over the barline', exact: true }).click()
  await expect(page.getByLabel('Sticking of the part')).toHaveValue('RLRKL')
  await page.getByRole('link', { name: 'Solos', exact: true }).click()
  await page.getByRole('button', { name: 'Delete Solo on RLRKK' }).click()
  await expect(page.getByText('Solo on RLRKK is in the bin.')).toBeVisible()
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(page.getByRole('link', { name: 'Solo on RLRKK' })).toBeVisible()
})

test('a join is mended where it is, printed, and taken along in files and links', async ({
  page,
  context,
}) => {
  await context.grantPermissions(['clipboard-read', 'clipboard-write'])
  await openSolo(page)
  await expect(bad(page)).toHaveCount(1)
  await page.getByRole('button', { name: /^Trouble at the join before bar/ }).click()
  const remedies = bad(page).getByRole('button')
  await expect(remedies.filter({ hasText: 'Go straight on' })).toBeVisible()
  await remedies.filter({ hasText: 'Go straight on' }).click()
  await expect(bad(page)).toHaveCount(0)
  await expect(page.getByText('32 bars', { exact: false }).first()).toBeVisible()

  const file = await saved(page, 'Save the solo')
  const read = parseSolo(file.bytes.toString())
  expect(read.ok && soloLength(read.value).bars).toBe(32)
  const midi = await saved(page, 'Save as MIDI')
  expect(midi.bytes.subarray(0, 4).toString()).toBe('MThd')
  const score = (await saved(page, 'Save as MusicXML')).bytes.toString()
  // The last landing has a bar of its own.
  expect(score.match(/<measure /g)).toHaveLength(33)
  await page.getByRole('button', { name: 'Copy a link' }).click()
  await expect(page.getByText(/^The link is copied/)).toBeVisible()
  const link = await page.evaluate(() => navigator.clipboard.readText())

  await page.getByRole('link', { name: 'Make a sheet' }).click()
  await expect(page.getByRole('img', { name: /^Page 1 of/ })).toBeVisible()
  await expect(page.getByRole('link', { name: 'Back to the solo' })).toBeVisible()

  await page.goto(link)
  await expect(page.getByText(/^A solo: 32 bars/)).toBeVisible()
  await page.getByRole('button', { name: 'Save to my solos' }).click()
  await expect(page.getByLabel('Title of the solo')).toHaveValue('Before the Second Half')
})

test('a solo plays from any part, tells what comes next, and is in the log', async ({ page }) => {
  test.slow()
  await openSolo(page)
  await page.getByRole('link', { name: 'Practise' }).click()
  const playing = await openPanel(page, 'Playing')
  await playing.getByLabel('Playing tempo').fill('200')
  await playing.getByLabel('Playing tempo').press('Enter')
  const parts = await openPanel(page, 'Parts')
  const landing = parts.getByRole('listitem').filter({ hasText: 'Landing' })
  await landing.getByRole('button', { name: 'From here' }).click()
  await expect(page.getByText('counting in')).toBeVisible({ timeout: 20_000 })
  const said = page.getByRole('region', { name: 'What to do now' })
  await expect(said).toContainText('Next: Groove, then Fire Ring. 3 bars left.')
  await expect(page.getByText('bar 30 of 32')).toBeVisible({ timeout: 20_000 })
  await expect(page.locator('[data-slot][data-now]').first()).toBeAttached({ timeout: 20_000 })
  await page.keyboard.press('ArrowRight')
  await expect(said).toContainText('Rated clean')
  await expect(said).toContainText('1 bar left', { timeout: 20_000 })
  // Played once, it ends by itself.
  await expect(page.getByRole('button', { name: 'Start: tap the count' })).toBeVisible({
    timeout: 30_000,
  })
  // What sounded last can still be rated.
  await page.keyboard.press('ArrowDown')
  await expect(said).toContainText('Rated rough at 200')
  await expectAccessible(page)
  await page.setViewportSize({ width: 1280, height: 800 })
  await page.keyboard.press('Escape')
  const stop = page.getByRole('button', { name: 'Stop', exact: true }).first()
  const join = joins(page).filter({ hasText: 'bar 4 to 5' })
  await join.getByRole('button').first().click()
  await join.getByRole('button', { name: /^Loop the join/ }).click()
  await expect(stop).toBeVisible({ timeout: 20_000 })
  // What sounded for a second is in the log.
  await page.waitForTimeout(4000)
  await page.keyboard.press('Escape')
  await stop.click()
  await page.getByRole('link', { name: 'Log', exact: true }).click()
  const sessions = page.getByRole('region', { name: 'Practice sessions' }).getByRole('listitem')
  // What was rated while it played, and what sounded after that.
  const ofLanding = sessions.filter({ hasText: 'from Landing' })
  await expect(ofLanding).toHaveCount(2)
  await expect(ofLanding.first()).toContainText('Before the Second Half')
  await expect(sessions.filter({ hasText: 'join at bar 4 to 5' })).toHaveCount(1)
})

test('a solo that loses its last part while it plays is silent, and says what to do', async ({
  page,
}) => {
  await page.goto('/solos')
  await page.getByRole('button', { name: 'New solo' }).click()
  await expect(page.getByLabel('Title of the solo')).toHaveValue('New solo')
  await page.keyboard.press('Space')
  const playing = page.getByRole('button', { name: 'Stop', exact: true }).first()
  await expect(playing).toBeVisible({ timeout: 20_000 })
  await page
    .getByRole('button', { name: /^Groove/ })
    .first()
    .click()
  await page.getByRole('button', { name: /^Remove / }).click()
  await expect(playing).toHaveCount(0)
  await expect(page.getByText('There is nothing to print or to save yet.')).toBeVisible()
  await page.keyboard.press('Space')
  await expect(playing).toHaveCount(0)
  await page.keyboard.press('Control+z')
  await expect(page.getByRole('button', { name: 'Save as MIDI' })).toBeVisible()
})

test('what is wanted is drawn over the bars, and the pages have no fault that axe finds', async ({
  page,
}) => {
  await openSolo(page)
  await page.getByText('The shape in figures').click()
  const wanted = page.getByLabel('Wanted of bar 2, percent')
  await wanted.fill('80')
  await wanted.press('Enter')
  await page.reload()
  await page.getByText('The shape in figures').click()
  await expect(page.getByLabel('Wanted of bar 2, percent')).toHaveValue('80')
  await expectAccessible(page)
})
