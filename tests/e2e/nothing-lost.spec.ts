import type { Page } from '@playwright/test'
import { killWhileTyping, leaveAfterKey, WAYS_OUT } from '../bench/attacks.mjs'
import { conflict, kept, openLick, openPanel, sticking } from './bench-page'
import { expect, test } from './watched'

test('a page that is left at once after the last key has lost nothing', async ({
  browser,
  baseURL,
}) => {
  test.slow()
  // The other three ways are measured by the bench of the store.
  expect(await leaveAfterKey(browser, baseURL, 1, WAYS_OUT['a tab closed'])).toEqual([0])
})

test('a browser killed in steady typing has lost nothing older than a quarter of a second', async ({
  baseURL,
}) => {
  test.slow()
  // What a busy machine keeps from every page is not the page's.
  for (const { lost, plain } of await killWhileTyping(baseURL, 1)) {
    expect(lost - plain).toBeLessThanOrEqual(250)
  }
})

test('undo goes back over a reload, and over what another tab saved', async ({ page, context }) => {
  await openLick(page, 'Parade')
  const before = await sticking(page).inputValue()
  await sticking(page).fill('RLRLRL')
  await page.reload()
  await expect(sticking(page)).toHaveValue('RLRLRL')
  const other = await context.newPage()
  await other.goto(page.url())
  await sticking(other).fill('KKKKKK')
  await expect(sticking(page)).toHaveValue('KKKKKK')
  const undo = page.getByRole('button', { name: 'Undo' })
  await undo.click()
  await expect(sticking(page)).toHaveValue('RLRLRL')
  await undo.click()
  await expect(sticking(page)).toHaveValue(before)
})

test('a conflict stays until it is decided, whatever is typed, and both versions are kept', async ({
  page,
  context,
}) => {
  await openLick(page, 'Parade')
  const other = await context.newPage()
  await other.goto(page.url())
  await expect(sticking(other)).toBeVisible()
  const [loser, winner] = await conflict(page, other)
  const theirs = await sticking(winner).inputValue()
  await sticking(loser).press('ControlOrMeta+End')
  await sticking(loser).press('k')
  await expect(loser.getByText('This lick was changed in another tab.')).toBeVisible()
  await expect(loser.getByText('slot 1:', { exact: false }).first()).toBeVisible()
  const mine = await sticking(loser).inputValue()
  // Leaving asks.
  await loser.getByRole('link', { name: 'Library', exact: true }).click()
  await loser.getByRole('button', { name: 'Stay here' }).click()
  await loser.getByRole('button', { name: 'Keep mine' }).click()
  await kept(loser)
  await expect(sticking(winner)).toHaveValue(mine)
  await loser.getByRole('button', { name: 'Notes', exact: true }).click()
  await expect(loser.getByLabel(/^Name of From another tab/)).toBeVisible()
  await loser.getByRole('button', { name: /^Restore From another tab/ }).click()
  await expect(sticking(loser)).toHaveValue(theirs)
})

test('nobody writes into what was deleted in another tab', async ({ page, context }) => {
  await openLick(page, 'Parade')
  const other = await context.newPage()
  await other.goto('/')
  await other.getByRole('button', { name: 'Delete Parade' }).click()
  await expect(page.getByText('This lick was deleted in another tab.')).toBeVisible()
  await sticking(page).fill('RLRLRL')
  await expect(page.getByText('Not saved: decide')).toBeVisible()
  await page.getByRole('button', { name: 'Restore it' }).click()
  await kept(page)
  await expect(other.getByRole('link', { name: 'Parade', exact: true })).toBeVisible()
  await openLick(other, 'Parade')
  await expect(sticking(other)).toHaveValue('RLRLRL')
})

test('a change in one tab shows in all the others', async ({ page, context }) => {
  await page.goto('/')
  const [bench, settings] = [await context.newPage(), await context.newPage()]
  await openLick(bench, 'Tightrope')
  await settings.goto('/settings')
  await bench.getByLabel('Title').fill('High Wire')
  await bench.getByLabel('Title').press('Enter')
  await expect(page.getByRole('link', { name: 'High Wire', exact: true })).toBeVisible()
  await expect(bench).toHaveTitle('High Wire · Bench · Dime Stack')
  await bench.getByRole('link', { name: 'Library', exact: true }).click()
  await expect(bench).toHaveTitle('Library · Dime Stack')
  await page.goto('/settings')
  const second = (tab: Page) => tab.getByRole('radio').nth(1)
  await expect(second(page)).not.toBeChecked()
  await second(settings).check()
  await expect(second(page)).toBeChecked()
})

test('a full storage is told wherever something was to be saved, and leaving asks', async ({
  page,
}) => {
  await page.addInitScript(() => {
    const { put } = IDBObjectStore.prototype
    IDBObjectStore.prototype.put = function (...row) {
      if (sessionStorage.getItem('full')) throw new DOMException('no room', 'QuotaExceededError')
      return put.apply(this, row as [unknown])
    }
  })
  const full = (on: boolean) =>
    page.evaluate((is) => (is ? sessionStorage.setItem('full', '1') : sessionStorage.clear()), on)
  await page.goto('/')
  await expect(page.getByRole('link', { name: 'Parade', exact: true })).toBeVisible()
  await full(true)
  const told = page.getByText('Not saved: the browser’s storage is full.', { exact: false })
  for (const name of ['New lick', 'Duplicate Parade', 'Delete Tightrope']) {
    await page.getByRole('button', { name }).click()
    await expect(told.first()).toBeVisible()
    await page.reload()
  }
  await page.goto('/settings')
  await page.getByRole('radio').nth(1).check()
  await expect(told.first()).toBeVisible()
  await full(false)
  await expect(told).toHaveCount(0)
  await page.goto('/')
  await openLick(page, 'Parade')
  await full(true)
  await sticking(page).fill('RLRLRL')
  await expect(told).toBeVisible()
  await page.getByRole('link', { name: 'Library', exact: true }).click()
  await expect(page.getByText('What you changed here is not saved yet.')).toBeVisible()
  // The second press of a double click is not another answer.
  await page.getByRole('button', { name: 'Stay here' }).dblclick()
  const asked = page.getByText('What you changed here is not saved yet.')
  await expect(asked).toHaveCount(0)
  await page.getByRole('link', { name: 'Library', exact: true }).click()
  await expect(asked).toBeVisible()
  await full(false)
  await kept(page)
  await expect(told).toHaveCount(0)
  await expect(asked).toHaveCount(0)
  await expect(sticking(page)).toHaveValue('RLRLRL')
  await full(true)
  await sticking(page).fill('RLRL')
  await expect(told).toBeVisible()
  await page.getByRole('link', { name: 'Library', exact: true }).click()
  await page.getByRole('button', { name: 'Leave all the same' }).dblclick()
  await expect(page.getByRole('heading', { name: 'Library' })).toBeVisible()
})

test('a practice plan that two tabs changed is compared, and both plans are kept', async ({
  page,
  context,
}) => {
  await openLick(page, 'Parade')
  await page.getByRole('link', { name: 'Practise' }).click()
  await openPanel(page, 'Tempos')
  const repeats = (of: Page) => of.getByRole('combobox', { name: 'Repeats per tempo' })
  await expect(repeats(page)).toBeVisible()
  const other = await context.newPage()
  await other.goto(page.url())
  await expect(repeats(other)).toBeVisible()
  await Promise.all([repeats(page).selectOption('16'), repeats(other).selectOption('32')])
  const told = () =>
    Promise.all([page, other].map((tab) => tab.getByRole('button', { name: 'Keep mine' }).count()))
  await expect.poll(async () => (await told()).some((count) => count > 0)).toBe(true)
  const loser = ((await told())[0] ?? 0) > 0 ? page : other
  const [mine, theirs] = loser === page ? ['16', '32'] : ['32', '16']
  const line = `Repeats: ${theirs} in the other, ${mine} in yours`
  await expect(loser.getByText(line)).toBeVisible()
  await loser.getByRole('button', { name: 'Keep mine' }).click()
  await expect(repeats(loser === page ? other : page)).toHaveValue(mine)
  await loser.getByRole('button', { name: 'Swap the plans' }).click()
  await expect(repeats(loser)).toHaveValue(theirs)
})
