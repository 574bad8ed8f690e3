import { expect, type Page, test } from '@playwright/test'
import { expectAccessible, openLick } from './bench-page'

const practise = async (page: Page, title: string) => {
  await openLick(page, title)
  await page.getByRole('link', { name: 'Practise' }).click()
  await expect(page.getByRole('heading', { name: title })).toBeVisible()
}
const rung = (page: Page) => page.getByRole('list', { name: 'Ladder' }).locator('[aria-current]')

test('a lick is taken apart, played up its ladder by keys, and logged as it goes', async ({
  page,
}) => {
  await practise(page, 'Clown Walk')
  const steps = page.getByRole('list', { name: 'Steps' })
  await expect(steps.getByRole('listitem').first()).toContainText('hands alone')
  await expect(steps.getByRole('listitem').last()).toContainText('in the bar, after groove: 1 + 1')
  await expect(rung(page)).toContainText('160')
  await page.keyboard.press('Space')
  await expect(page.locator('[data-beat][data-now]')).toHaveCount(1)
  await expect(page.locator('[data-phase="fill"]')).toBeVisible({ timeout: 20_000 })
  await expect(page.getByText('repeat 2 of 8')).toBeVisible({ timeout: 20_000 })
  await page.keyboard.press('ArrowRight')
  await expect(rung(page)).toContainText('182')
  await expect(page.getByText('160 a minute, next 182')).toBeVisible()
  await expect(page.getByText('182 a minute', { exact: true })).toBeVisible({ timeout: 20_000 })
  await page.getByRole('list', { name: 'Ladder' }).getByRole('button', { name: '160' }).click()
  await expect(rung(page)).toContainText('160')
  await page.keyboard.press('Space')
  await page.reload()
  await expect(page.getByText(/sittings?, .*best clean 160/)).toBeVisible()
})

test('what was played before the page is killed is in the log', async ({ page, context }) => {
  await practise(page, 'Fire Ring')
  await page.getByRole('button', { name: 'Play', exact: true }).click()
  await expect(page.locator('[data-phase="fill"]')).toBeVisible({ timeout: 20_000 })
  await page.waitForTimeout(2500)
  const address = page.url()
  await page.close({ runBeforeUnload: false })
  const next = await context.newPage()
  await next.goto(address)
  await expect(next.getByText(/1 sitting, \d+ seconds; nothing clean yet/)).toBeVisible()
})

test('the practice page is read from afar, has no fault that axe finds, and fits a phone', async ({
  page,
}) => {
  await practise(page, 'Teeterboard')
  const size = await page
    .locator('[data-beat="0"]')
    .evaluate((box) => Number.parseFloat(getComputedStyle(box).fontSize))
  expect(size).toBeGreaterThanOrEqual(90)
  await expectAccessible(page)
})

test('the log tells what is due, draws what was played, and is mended and exported', async ({
  page,
}) => {
  await page.goto('/')
  await page.getByRole('link', { name: 'Log', exact: true }).click()
  await expect(page.getByRole('button', { name: 'Cannon Exit', exact: true })).toBeVisible()
  await expect(page.getByText(/neglected/)).toBeVisible()
  await page.getByRole('button', { name: 'Tightrope', exact: true }).click()
  await expect(page.getByRole('heading', { name: 'Tempo of Tightrope' })).toBeVisible()
  await page.getByText('As a table').last().click()
  await expect(page.getByRole('table', { name: 'Tempo of Tightrope' })).toBeVisible()
  const newest = page.getByRole('combobox', { name: /^How it went/ }).first()
  await newest.selectOption('lost')
  const sittings = page.getByRole('region', { name: 'Sittings' })
  const all = await sittings.getByRole('button', { name: /^All / }).textContent()
  await sittings
    .getByRole('button', { name: /^Delete/ })
    .nth(1)
    .click()
  await expect(sittings.getByRole('button', { name: /^All / })).not.toHaveText(all ?? '')
  await page.reload()
  await expect(newest).toHaveValue('lost')
  const download = page.waitForEvent('download')
  await page.getByRole('button', { name: 'Export as CSV' }).click()
  expect((await download).suggestedFilename()).toBe('practice-log.csv')
  await expectAccessible(page)
})
