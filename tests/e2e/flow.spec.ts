import type { Page } from '@playwright/test'
import { lickOf } from '../support/licks'
import { expectAccessible, openPanel, sticking } from './bench-page'
import { expect, test } from './watched'

const bar = (page: Page, which: 'now' | 'next' | 'then') =>
  page.getByRole('region', { name: which }).getByRole('img').first()
const words = async (page: Page, which: 'now' | 'next' | 'then') =>
  (await bar(page, which).getAttribute('aria-label')) ?? ''

test('a flow goes on without a break, two bars ahead, and every bar is as it was shown', async ({
  page,
}) => {
  await page.goto('/flow')
  await expect(bar(page, 'now')).toBeVisible()
  await openPanel(page, 'Music')
  await page.getByLabel('Tempo').fill('100')
  await page.getByLabel('Seed').fill('3')
  await expect(page).toHaveURL(/seed=3/)
  const [first, second, third] = [
    await words(page, 'now'),
    await words(page, 'next'),
    await words(page, 'then'),
  ]
  await page.keyboard.press('Enter')
  await page.getByRole('button', { name: 'Start: tap the count' }).click()
  await expect(page.locator('[data-slot][data-now]')).toHaveCount(1, { timeout: 20_000 })
  // All of it at one moment: a slow machine may look a bar later.
  const seen = () =>
    page.evaluate(() => {
      const words = (name: string) =>
        document.querySelector(`section[aria-label="${name}"] svg`)?.getAttribute('aria-label')
      const phrase = [...document.querySelectorAll('p')].find((one) =>
        one.textContent?.startsWith('phrase '),
      )
      return [phrase?.textContent, words('now'), words('next')]
    })
  await expect
    .poll(seen, { timeout: 20_000, intervals: [150] })
    .toEqual(['phrase 2', second, third])
  await page.getByRole('button', { name: 'Kit and click' }).click()
  await expect(page.getByRole('button', { name: 'Click only' })).toBeVisible()
  await page.getByRole('button', { name: 'Stop', exact: true }).click()
  await expect(page.getByText('phrase 1', { exact: true })).toBeVisible()
  await page.reload()
  await expect(bar(page, 'now')).toHaveAttribute('aria-label', first)
  await page.getByRole('button', { name: 'Draw again' }).click()
  await expect(page).toHaveURL(/seed=4/)
  await page.getByRole('link', { name: 'Log', exact: true }).click()
  const newest = page
    .getByRole('region', { name: 'Practice sessions' })
    .getByRole('listitem')
    .first()
  await expect(newest).toContainText('Flow')
  await expect(newest).toContainText('mix of RLLRK, RLK')
})

test('a phrase grows by small cells, and what is drawn is saved as a lick', async ({ page }) => {
  await page.goto('/flow?bars=2')
  await page.getByLabel('Add to the flow').selectOption({ label: 'Tightrope' })
  await page.getByRole('button', { name: 'Remove RLLRK' }).click()
  await page.getByRole('spinbutton', { name: 'Weight of RLK' }).fill('3')
  await expect(page.getByRole('list', { name: 'Sources' }).getByRole('listitem')).toHaveCount(2)
  await openPanel(page, 'Music')
  await page.getByLabel('Kind').selectOption('stretch a phrase')
  await openPanel(page, 'Mixture')
  await expect(page.getByText('grows', { exact: true })).toBeVisible()
  await openPanel(page, 'Music')
  await expect(page.getByRole('region', { name: 'now' })).toContainText('groove')
  await page.getByLabel('Kind').selectOption('mix without a break')
  const shown = [await words(page, 'now'), await words(page, 'next')]
  await page.getByRole('button', { name: 'Save this phrase as a lick' }).click()
  // The music would go on; what was saved is one click away.
  await page
    .getByRole('status')
    .getByRole('link', { name: /^Flow \d+, phrase 1$/ })
    .click()
  await expect(page.getByLabel('Title')).toHaveValue(/^Flow \d+, phrase 1$/)
  const slotsOf = (line: string) => lickOf(`line: ${line}`).line.slots
  const kept = slotsOf(await sticking(page).inputValue())
  expect(kept).toEqual(shown.flatMap(slotsOf))
})

test('what cannot be mixed is said, nothing stands in the way, and it fits a phone', async ({
  page,
}) => {
  await page.goto('/flow?source=1:line:RLRKRLRKRLRKRLRKRLRK')
  await expect(page.getByText('longer than a phrase: never drawn')).toBeVisible()
  await expect(page.getByRole('alert')).toContainText('Nothing to draw from')
  await expect(page.getByRole('button', { name: 'Play' })).toBeDisabled()
  await page.goto('/flow')
  await expect(bar(page, 'now')).toBeVisible()
  await expectAccessible(page)
  await page.getByRole('button', { name: 'Play', exact: true }).click()
  await page.getByRole('button', { name: 'Remove RLLRK' }).click()
  await page.getByRole('button', { name: 'Remove RLK' }).click()
  await expect(page.getByRole('alert')).toContainText('Nothing to draw from')
  await expect(page.getByRole('button', { name: 'Play', exact: true })).toBeDisabled()
})
