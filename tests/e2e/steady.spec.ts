import type { Locator, Page } from '@playwright/test'
import { openLick, openPanel, openPhone } from './bench-page'
import { expect, test } from './watched'

/** What is pressed stays where it is: nothing that appears moves it. */
const place = async (one: Locator) => {
  const box = await one.boundingBox()
  if (!box) throw new Error('not there')
  return `${Math.round(box.x)} ${Math.round(box.y)} ${Math.round(box.width)} ${Math.round(box.height)}`
}

async function ratingMovesNothing(page: Page, press: (one: Locator) => Promise<void>) {
  const pressed = ['Play', /^clean/i, /^rough/i, /^lost/i].map((name) =>
    page.getByRole('button', { name, ...(typeof name === 'string' && { exact: true }) }).first(),
  )
  await expect(pressed[1] as Locator).toBeVisible()
  await page.waitForTimeout(500)
  const before = await Promise.all(pressed.map(place))
  for (const at of [1, 2, 3, 3]) {
    await press(pressed[at] as Locator)
    await page.waitForTimeout(300)
    expect(await Promise.all(pressed.map(place))).toEqual(before)
  }
}

test('a rating moves neither Play nor the ratings', async ({ page }) => {
  await openLick(page, 'Tightrope')
  await page.getByRole('link', { name: 'Practise' }).click()
  await ratingMovesNothing(page, (one) => one.click())
})

test('nor on a phone', async ({ browser }) => {
  const page = await openPhone(browser)
  await page.goto('/practice/demo-tightrope')
  await ratingMovesNothing(page, (one) => one.tap())
  await page.context().close()
})

test('the usual voicings stay where they are while they are pointed at, and one click is one voicing', async ({
  page,
}) => {
  await openLick(page, 'Tightrope')
  const panel = await openPanel(page, 'Voices')
  const names = [/^Oblique/, /^Doubles on the toms/, /^Flams split/]
  const rows = names.map((name) => panel.getByRole('button', { name }))
  // The panel may scroll to what is pointed at: the rows stay where they are beside each other, and in height.
  await (rows[1] as Locator).scrollIntoViewIfNeeded()
  const before = await Promise.all(rows.map(place))
  for (const row of rows) {
    await row.hover()
    await page.waitForTimeout(200)
    expect(await Promise.all(rows.map(place))).toEqual(before)
  }
  await (rows[0] as Locator).click()
  await expect(panel.getByText('Left hand: on the snare')).toBeVisible()
  await page.getByRole('button', { name: 'Undo', exact: true }).click()
  await expect(panel.getByText('Left hand: on the snare')).toHaveCount(0)
})

test('a rule form keeps what was chosen in it', async ({ page }) => {
  await openLick(page, 'Tightrope')
  const panel = await openPanel(page, 'Voices')
  await panel.getByLabel('Whose strokes', { exact: true }).selectOption('LH')
  await panel.getByLabel('What they do', { exact: true }).selectOption('put')
  await panel.getByLabel('Surface', { exact: true }).selectOption('t1')
  await panel.getByRole('button', { name: 'Add rule' }).click()
  await expect(panel.getByLabel('Whose strokes', { exact: true })).toHaveValue('LH')
  await expect(panel.getByLabel('Surface', { exact: true })).toHaveValue('t1')
})
